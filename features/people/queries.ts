import 'server-only';
import { notFound } from 'next/navigation';
import { findLink, listPeople, type OpenLink, type Person } from '@/data/people';
import { currentOwner, requirePerson } from '../session/current';

export type { OpenLink, Person };

/** The people of the salon, for its owner; not found for anybody else. */
export async function loadPeople(): Promise<{ people: Person[]; links: OpenLink[]; ownId: string }> {
  await requirePerson();
  const owner = await currentOwner();
  if (!owner) notFound();
  return { ...(await listPeople(owner)), ownId: owner.personId };
}

/** Oneself, with one's sessions. */
export async function loadMe(): Promise<Person & { sessionId: string }> {
  const person = await requirePerson();
  const { people } = await listPeople(person);
  return { ...people.find(({ id }) => id === person.personId)!, sessionId: person.sessionId };
}

/** What a link opens; undefined when it opens nothing any more. */
export async function linkBehind(token: string, kind: 'invitation' | 'reset'): Promise<{ salonName: string; role: string | null; personName: string | null; email: string | null } | undefined> {
  const link = await findLink(token);
  return link?.kind === kind ? { salonName: link.salonName, role: link.role, personName: link.personName, email: link.email } : undefined;
}
