'use server';

import { parseHouse, parseTechnique, type OwnTechnique } from '@/core/formats';
import { saveHouse } from '@/data/house';
import {
  archiveTechnique,
  keepTechnique,
  listTechniques,
  saveTechniqueVersion,
  type KeptTechnique,
} from '@/data/techniques';
import { currentPerson } from '../session/current';
import { isId, isRevision } from '../shared';

export type Answer<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: string };

const SIGNED_OUT = { ok: false, problem: 'You are signed out. Sign in again.' } as const;
const NO_TECHNIQUE = {
  ok: false,
  problem: 'This salon has no such pattern; somebody may have archived it.',
} as const;

/** Saves what the salon sets; only its owner may. */
export async function saveHouseSettings(baseRevision: number, document: unknown): Promise<Answer<number>> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  if (person.role !== 'owner') return { ok: false, problem: 'Only the owner can change this.' };
  const read = parseHouse(document);
  if (!read.ok) return read;
  if (!isRevision(baseRevision)) return { ok: false, problem: 'baseRevision: must be a whole number.' };
  const saved = await saveHouse(person, baseRevision, read.value);
  return saved.ok
    ? { ok: true, value: saved.revision }
    : {
        ok: false,
        problem:
          'Somebody saved other settings meanwhile. Nothing was overwritten; load the page again to see theirs.',
      };
}

/** The salon's own techniques. */
export async function ownTechniques(): Promise<Answer<KeptTechnique[]>> {
  const person = await currentPerson();
  return person ? { ok: true, value: await listTechniques(person) } : SIGNED_OUT;
}

/** Keeps a technique: as a new one, or as the next version of one that the salon has. */
export async function keepOwnTechnique(
  document: OwnTechnique,
  of: string | null,
): Promise<Answer<KeptTechnique[]>> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  const read = parseTechnique(document);
  if (!read.ok) return read;
  if (of === null) await keepTechnique(person, read.value);
  else if (!isId(of) || (await saveTechniqueVersion(person, of, read.value)) === undefined)
    return NO_TECHNIQUE;
  return { ok: true, value: await listTechniques(person) };
}

/** Puts a technique away, or takes it out again. */
export async function putTechniqueAway(id: string, away: boolean): Promise<Answer<KeptTechnique[]>> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  if (!isId(id) || !(await archiveTechnique(person, id, away))) return NO_TECHNIQUE;
  return { ok: true, value: await listTechniques(person) };
}
