import 'server-only';
import { notFound } from 'next/navigation';
import { findLink, listPeople, type OpenLink, type Person } from '@/data/people';
import { loadHouse, salonToday } from '../house/queries';
import { currentOwner, requirePerson } from '../session/current';
import type { SalonHours } from './working-hours';

export type { OpenLink, Person };

/** The people of the salon, for its owner; not found for anybody else. */
export async function loadPeople(): Promise<{
  people: Person[];
  links: OpenLink[];
  ownId: string;
  salon: SalonHours;
}> {
  await requirePerson();
  const owner = await currentOwner();
  if (!owner) notFound();
  return { ...(await listPeople(owner)), ownId: owner.personId, salon: await salonHours() };
}

async function salonHours(): Promise<SalonHours> {
  const { opening, calendar } = (await loadHouse()).document;
  return { opening, weekBegins: calendar.weekBegins, today: await salonToday() };
}

/** Oneself, with one's sessions. */
export async function loadMe(): Promise<Person & { sessionId: string; salon: SalonHours }> {
  const person = await requirePerson();
  const { people } = await listPeople(person);
  return {
    ...people.find(({ id }) => id === person.personId)!,
    sessionId: person.sessionId,
    salon: await salonHours(),
  };
}

/** What a link opens; undefined when it opens nothing any more. */
export async function linkBehind(
  token: string,
  kind: 'invitation' | 'reset',
): Promise<
  { salonName: string; role: string | null; personName: string | null; email: string | null } | undefined
> {
  const link = await findLink(token);
  return link?.kind === kind
    ? { salonName: link.salonName, role: link.role, personName: link.personName, email: link.email }
    : undefined;
}
