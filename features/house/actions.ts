'use server';

import type { ValueResult } from '@/core/units';
import { parseHouse, parseTechnique, type OwnTechnique } from '@/core/formats';
import { saveHouse } from '@/data/house';
import {
  archiveTechnique,
  keepTechnique,
  listTechniques,
  saveTechniqueVersion,
  type KeptTechnique,
} from '@/data/techniques';
import { signedIn } from '../session/signed-in';
import { isId, isRevision } from '../shared';

const NO_TECHNIQUE = {
  ok: false,
  problem: 'This salon has no such pattern; somebody may have archived it.',
} as const;

/** Saves what the salon sets; only its owner may. */
export const saveHouseSettings = signedIn(
  'saveHouseSettings',
  async (person, baseRevision: number, document: unknown): Promise<ValueResult<number>> => {
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
  },
);

/** The salon's own techniques. */
export const ownTechniques = signedIn(
  'ownTechniques',
  async (person): Promise<ValueResult<KeptTechnique[]>> => ({
    ok: true,
    value: await listTechniques(person),
  }),
);

/** Keeps a technique: as a new one, or as the next version of one that the salon has. */
export const keepOwnTechnique = signedIn(
  'keepOwnTechnique',
  async (person, document: OwnTechnique, of: string | null): Promise<ValueResult<KeptTechnique[]>> => {
    const read = parseTechnique(document);
    if (!read.ok) return read;
    if (of === null) await keepTechnique(person, read.value);
    else if (!isId(of) || (await saveTechniqueVersion(person, of, read.value)) === undefined)
      return NO_TECHNIQUE;
    return { ok: true, value: await listTechniques(person) };
  },
);

/** Puts a technique away, or takes it out again. */
export const putTechniqueAway = signedIn(
  'putTechniqueAway',
  async (person, id: string, away: boolean): Promise<ValueResult<KeptTechnique[]>> => {
    if (!isId(id) || !(await archiveTechnique(person, id, away))) return NO_TECHNIQUE;
    return { ok: true, value: await listTechniques(person) };
  },
);
