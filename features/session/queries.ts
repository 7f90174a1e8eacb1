import 'server-only';
import { redirect } from 'next/navigation';
import { DEMO_PASSWORD } from '@/data/demo/people';
import {
  anySalon,
  demoAccounts,
  readSession,
  stationPeople,
  type DemoAccount,
  type SignedIn,
  type StationPerson,
} from '@/data/sessions';
import { listenTo } from '@/data/signals';
import { personAtStation } from './current';

export type { DemoAccount, StationPerson };
export { anySalon };

/** Accounts to try, with their password; none once no demo data is loaded. */
export async function demoSignIns(): Promise<{ accounts: DemoAccount[]; password: string } | null> {
  const accounts = await demoAccounts();
  return accounts.length > 0 ? { accounts, password: DEMO_PASSWORD } : null;
}

/** Who may unlock this station, and whose it is now. */
export async function lockedStation(): Promise<{
  people: StationPerson[];
  ownId: string;
  salonName: string;
}> {
  const person = await personAtStation();
  if (!person) redirect('/sign-in');
  return { people: await stationPeople(person), ownId: person.personId, salonName: person.salonName };
}

/** How often a session is looked at while something is open in it, beside being told of its end, ms. */
const LOOK_MS = 10_000;

/**
 * Ends what is open in a session, a stream say, as soon as the session is locked, revoked or over.
 * @param goesOn called now and then for as long as it is not
 * @returns stops looking
 */
export async function endWithSession(
  { sessionId, salonId }: SignedIn,
  end: () => void,
  goesOn: () => void = () => undefined,
): Promise<() => void> {
  const look = () =>
    readSession(sessionId).then((signedIn) => (signedIn && !signedIn.locked ? goesOn() : end()), end);
  const beat = setInterval(() => void look(), LOOK_MS);
  const deaf = await listenTo('sessions', salonId, () => void look());
  return () => {
    clearInterval(beat);
    deaf();
  };
}
