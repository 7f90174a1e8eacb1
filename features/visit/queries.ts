import 'server-only';
import { readVisit, type Visit } from '@/data/visits';
import { currentPerson, requirePerson } from '../session/current';
import { isId } from '../shared';

export type { Visit };

/** One visit of the signed-in person's salon; undefined when it has none of that id. */
export async function loadVisit(visitId: string): Promise<Visit | undefined> {
  const person = await requirePerson();
  return isId(visitId) ? readVisit(person, visitId) : undefined;
}

/** The same for a request in the background, which is answered and not sent elsewhere when nobody is signed in. */
export async function peekVisit(visitId: string): Promise<Visit | 'signed-out' | 'missing'> {
  const person = await currentPerson();
  if (!person) return 'signed-out';
  return (isId(visitId) ? await readVisit(person, visitId) : undefined) ?? 'missing';
}
