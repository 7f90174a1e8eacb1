import 'server-only';
import { factsOf } from '@/core/visit/computed';
import { computedOf } from '@/data/compute';
import type { SentKey } from '@/data/compute/thread';
import { UnreadableDocument } from '@/data/documents';
import { readHouse } from '@/data/house';
import { brokenParts, type BrokenPart } from '@/data/restore-before';
import type { SignedIn } from '@/data/sessions';
import { documentsOf, readVisit, type Visit } from '@/data/visits';
import { currentPerson, requirePerson } from '../session/current';
import { isId } from '../shared';

export type { BrokenPart, Visit };

/** A visit that is there and cannot be read, in a sentence. */
export interface Unreadable {
  readonly unreadable: string;
  readonly parts: readonly BrokenPart[];
}

/** One visit of the signed-in person's salon; undefined when it has none of that id. */
export async function loadVisit(visitId: string): Promise<Visit | Unreadable | undefined> {
  const person = await requirePerson();
  try {
    return isId(visitId) ? await readVisit(person, visitId) : undefined;
  } catch (error) {
    if (error instanceof UnreadableDocument) return { unreadable: error.message, parts: await brokenParts(person, visitId) };
    throw error;
  }
}

/** The same for a request in the background, which is answered and not sent elsewhere when nobody is signed in. */
export async function peekVisit(visitId: string): Promise<Visit | 'signed-out' | 'missing'> {
  const person = await currentPerson();
  if (!person) return 'signed-out';
  return (isId(visitId) ? await readVisit(person, visitId) : undefined) ?? 'missing';
}

/** A visit as it is saved, with what is asked for of what is computed of it; undefined when this salon has none of that id. */
export async function wholeVisit<K extends SentKey>(person: SignedIn, visitId: string, keys: readonly K[]) {
  const visit = isId(visitId) ? await readVisit(person, visitId) : undefined;
  if (!visit) return undefined;
  const { document: house } = await readHouse(person);
  const asked = { documents: documentsOf(visit), facts: factsOf(visit, house) };
  return { visit, house, asked, computed: await computedOf(person.salonId, asked, keys) };
}

/** Whether this salon has a visit of that id. */
export async function hasVisit(person: SignedIn, visitId: string): Promise<boolean> {
  return isId(visitId) && (await readVisit(person, visitId)) !== undefined;
}
