import type { ValueResult } from '@/core/units';
import 'server-only';
import { futureProblem, parseConsult, parseMix, parseOutcome, parsePlan } from '@/core/formats';
import { factsOf } from '@/core/visit/computed';
import { computedOf } from '@/data/compute';
import type { SentKey } from '@/data/compute/thread';
import type { Actor } from '@/data/database';
import { UnreadableDocument } from '@/data/documents';
import { readHouse } from '@/data/house';
import { serverNow } from '@/data/now';
import { brokenParts, type BrokenPart } from '@/data/restore-before';
import { saveConsult, saveMix, saveOutcome, savePlan, type Edit, type SaveResult } from '@/data/saves';
import type { SignedIn } from '@/data/sessions';
import { documentsOf, readPart, readVisit, type Visit } from '@/data/visits';
import { requirePerson } from '../session/current';
import { isId, today } from '../shared';
import type { Revised, VisitPart } from './types';

export type { Visit };

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
    if (error instanceof UnreadableDocument)
      return { unreadable: error.message, parts: await brokenParts(person, visitId) };
    throw error;
  }
}

/** The same for a request in the background. */
export async function peekVisit(person: SignedIn, visitId: string): Promise<Visit | undefined> {
  return isId(visitId) ? readVisit(person, visitId) : undefined;
}

/** One document of a visit as it is saved now. */
export async function peekPart(
  person: SignedIn,
  visitId: string,
  part: VisitPart,
): Promise<Revised<unknown> | undefined> {
  return isId(visitId) ? readPart(person, visitId, part) : undefined;
}

/**
 * A visit as it is saved, with what is asked for of what is computed of it; undefined when this salon has
 * none of that id.
 */
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

/** What an edit follows, and its own id. */
type Base = Omit<Edit<unknown>, 'document'>;

/**
 * Saves one part of a visit, when its whole document is sound and its base is the newest.
 * @returns what came of it, or what is wrong with the document
 */
export async function saveDocument({
  person,
  visitId,
  part,
  base,
  document,
}: {
  readonly person: Actor;
  readonly visitId: string;
  readonly part: VisitPart;
  readonly base: Base;
  readonly document: unknown;
}): Promise<SaveResult | { problem: string }> {
  const take = <T>(read: ValueResult<T>, save: (edit: Base & { document: T }) => Promise<SaveResult>) =>
    read.ok ? save({ ...base, document: read.value }) : Promise.resolve({ problem: read.problem });
  if (part === 'consult') {
    const read = parseConsult(document);
    const future = read.ok
      ? futureProblem(read.value, today((await readHouse(person)).document.timeZone, new Date(serverNow())))
      : undefined;
    return future ? { problem: future } : take(read, (edit) => saveConsult(person, visitId, edit));
  }
  if (part === 'plan') return take(parsePlan(document), (edit) => savePlan(person, visitId, edit));
  if (part === 'mix') return take(parseMix(document), (edit) => saveMix(person, visitId, edit));
  return take(parseOutcome(document), (edit) => saveOutcome(person, visitId, edit));
}
