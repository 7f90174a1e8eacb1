import 'server-only';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import { readSession, type SignedIn } from '@/data/sessions';
import { sealedCookie } from './cookie';

/** Who is signed in, once per request; undefined when nobody is. */
export const currentPerson = cache(async (): Promise<SignedIn | undefined> => {
  const { sessionId } = await sealedCookie();
  return sessionId ? readSession(sessionId) : undefined;
});

/** Who is signed in; sends to the sign-in page when nobody is. */
export async function requirePerson(): Promise<SignedIn> {
  return (await currentPerson()) ?? redirect('/sign-in');
}
