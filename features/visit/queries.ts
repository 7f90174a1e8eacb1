import 'server-only';
import { factsOf } from '@/core/visit/computed';
import { UnreadableDocument } from '@/data/documents';
import { readHouse } from '@/data/house';
import type { SignedIn } from '@/data/sessions';
import { readVisit, type Visit } from '@/data/visits';
import { currentPerson, requirePerson } from '../session/current';
import { isId } from '../shared';
import { visitEngine } from './engine';

export type { Visit };

/** A visit that is there and cannot be read, in a sentence. */
export interface Unreadable {
  readonly unreadable: string;
}

/** One visit of the signed-in person's salon; undefined when it has none of that id. */
export async function loadVisit(visitId: string): Promise<Visit | Unreadable | undefined> {
  const person = await requirePerson();
  try {
    return isId(visitId) ? await readVisit(person, visitId) : undefined;
  } catch (error) {
    if (error instanceof UnreadableDocument) return { unreadable: error.message };
    throw error;
  }
}

/** The same for a request in the background, which is answered and not sent elsewhere when nobody is signed in. */
export async function peekVisit(visitId: string): Promise<Visit | 'signed-out' | 'missing'> {
  const person = await currentPerson();
  if (!person) return 'signed-out';
  return (isId(visitId) ? await readVisit(person, visitId) : undefined) ?? 'missing';
}

/** A visit as it is saved, with all that is computed of it; undefined when this salon has none of that id. */
export async function wholeVisit(person: SignedIn, visitId: string) {
  const visit = isId(visitId) ? await readVisit(person, visitId) : undefined;
  if (!visit) return undefined;
  const { document: house } = await readHouse(person);
  return { visit, house, computed: visitEngine.compute({ consult: visit.consult.document, plan: visit.plan.document, mix: visit.mix.document, outcome: visit.outcome?.document ?? null }, factsOf(visit, house)) };
}
