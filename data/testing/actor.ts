import { DEMO_PASSWORD } from '../demo/people';
import { openSession, readSession, type SignedIn } from '../sessions';

/** The id of a new session of one of the demo people. */
export async function sessionOf(email: string, password = DEMO_PASSWORD): Promise<string> {
  const opened = await openSession(email, password, { from: `test ${email}`, device: 'test' });
  if (!opened || !('sessionId' in opened)) throw new Error(`${email} could not sign in.`);
  return opened.sessionId;
}

/** One of the demo people, signed in. */
export async function signedIn(email: string): Promise<SignedIn> {
  return (await readSession(await sessionOf(email)))!;
}
