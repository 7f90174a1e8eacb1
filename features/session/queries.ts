import 'server-only';
import { redirect } from 'next/navigation';
import { DEMO_PASSWORD } from '@/data/demo/people';
import { demoAccounts, stationPeople, type DemoAccount, type StationPerson } from '@/data/sessions';
import { personAtStation } from './current';

export type { DemoAccount, StationPerson };

/** Accounts to try, with their password; none once no demo data is loaded. */
export async function demoSignIns(): Promise<{ accounts: DemoAccount[]; password: string } | null> {
  const accounts = await demoAccounts();
  return accounts.length > 0 ? { accounts, password: DEMO_PASSWORD } : null;
}

/** Who may unlock this station, and whose it is now. */
export async function lockedStation(): Promise<{ people: StationPerson[]; ownId: string; salonName: string }> {
  const person = await personAtStation();
  if (!person) redirect('/sign-in');
  return { people: await stationPeople(person), ownId: person.personId, salonName: person.salonName };
}
