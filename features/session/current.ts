import 'server-only';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import { readSession, type SignedIn } from '@/data/sessions';
import { sealedCookie } from './cookie';

/** Whose session this station has, locked or not, once per request; undefined when it has none. */
export const personAtStation = cache(async (): Promise<SignedIn | undefined> => {
  const { sessionId } = await sealedCookie();
  return sessionId ? readSession(sessionId) : undefined;
});

/** Who is signed in at a station that is not locked; undefined when nobody is. */
export async function currentPerson(): Promise<SignedIn | undefined> {
  const person = await personAtStation();
  return person?.locked ? undefined : person;
}

/** Who is signed in; sends to the sign-in page when nobody is, and to the lock when the station is locked. */
export async function requirePerson(): Promise<SignedIn> {
  const person = await personAtStation();
  if (!person) redirect('/sign-in');
  if (person.locked) redirect('/locked');
  return person;
}

/** The owner; undefined for everybody else. */
export async function currentOwner(): Promise<SignedIn | undefined> {
  const person = await currentPerson();
  return person?.role === 'owner' ? person : undefined;
}
