import { parseTechnique, type OwnTechnique } from '../core/formats';
import { inSalon, type Actor, type Transaction } from './database';
import { stored } from './documents';
import type { TechniqueVersionRow } from './tables';

/** One saved version of a technique. */
interface TechniqueVersion {
  readonly number: number;
  readonly document: OwnTechnique;
  readonly savedAt: string;
  readonly savedBy: string;
}

/** A technique of the house: its versions, newest first. */
export interface KeptTechnique {
  readonly id: string;
  readonly versions: readonly TechniqueVersion[];
}

type VersionRow = Pick<TechniqueVersionRow, 'number' | 'document' | 'saved_at'> & {
  id: string;
  saved_by: string;
};

/** The techniques of the salon that are not put away, by the name of their newest version. */
export function listTechniques(actor: Actor): Promise<KeptTechnique[]> {
  return inSalon(actor.salonId, async (trx) => {
    const rows = await trx('technique as t')
      .join('technique_version as v', 'v.technique_id', 't.id')
      .join('person as p', 'p.id', 'v.saved_by')
      .whereNull('t.archived_at')
      .orderBy([{ column: 't.id' }, { column: 'v.number', order: 'desc' }])
      .select<VersionRow[]>('t.id', 'v.number', 'v.document', 'v.saved_at', 'p.name as saved_by');
    const byId = new Map<string, TechniqueVersion[]>();
    for (const row of rows) {
      const version = {
        number: row.number,
        document: stored('technique', parseTechnique(row.document)),
        savedAt: row.saved_at.toISOString(),
        savedBy: row.saved_by,
      };
      byId.set(row.id, [...(byId.get(row.id) ?? []), version]);
    }
    return [...byId]
      .map(([id, versions]) => ({ id, versions }))
      .sort((a, b) => a.versions[0].document.name.localeCompare(b.versions[0].document.name));
  });
}

/** Keeps a technique as the house's own, its first version. @returns its id */
export function keepTechnique(actor: Actor, document: OwnTechnique): Promise<string> {
  return inSalon(actor.salonId, async (trx) => {
    const [{ id }] = await trx('technique')
      .insert({ salon_id: actor.salonId, created_by: actor.personId })
      .returning('id');
    await addVersion({ trx, actor, techniqueId: id, number: 1, document });
    return id;
  });
}

/**
 * Adds a version to a technique; earlier ones stay.
 * @returns its number; undefined when the salon has no such technique
 */
export function saveTechniqueVersion(
  actor: Actor,
  techniqueId: string,
  document: OwnTechnique,
): Promise<number | undefined> {
  return inSalon(actor.salonId, async (trx) => {
    const row = await trx('technique')
      .select('id')
      .where({ id: techniqueId })
      .whereNull('archived_at')
      .first();
    if (!row) return undefined;
    // Two saving at once: the key refuses the second of the same number, so numbers are given out one by one.
    await trx.raw('select pg_advisory_xact_lock(hashtext(?))', [techniqueId]);
    const [{ newest }] = await trx('technique_version')
      .where({ technique_id: techniqueId })
      .max<{ newest: number | null }[]>('number as newest');
    const number = (newest ?? 0) + 1;
    await addVersion({ trx, actor, techniqueId, number, document });
    return number;
  });
}

/** Puts a technique away, or takes it out again; its versions stay. @returns whether the salon has it */
export function archiveTechnique(actor: Actor, techniqueId: string, away: boolean): Promise<boolean> {
  return inSalon(actor.salonId, async (trx) => {
    const changed = await trx('technique')
      .where({ id: techniqueId })
      .update({ archived_at: away ? trx.fn.now() : null });
    return changed > 0;
  });
}

function addVersion({
  trx,
  actor,
  techniqueId,
  number,
  document,
}: {
  readonly trx: Transaction;
  readonly actor: Actor;
  readonly techniqueId: string;
  readonly number: number;
  readonly document: OwnTechnique;
}) {
  return trx('technique_version').insert({
    technique_id: techniqueId,
    salon_id: actor.salonId,
    number,
    document: JSON.stringify(document),
    saved_by: actor.personId,
  });
}
