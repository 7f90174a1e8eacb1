import { inSalon, type Actor, type Transaction } from './database';
import { leaveTrail, type Act, type Change } from './trail';

/**
 * A document that a salon has one of, in a table of its own with its revision; the usual one stands until it
 * is set.
 */
export interface SalonDocument<T> {
  readonly table: 'house' | 'product_range';
  readonly act: Act;
  readonly usual: T;
  /** Reads a saved one, of any version. */
  read(saved: unknown): T;
  /** What an edit changed, for the trail. */
  changes(before: T, after: T): readonly Change[];
}

export type SalonDocumentSaved =
  { readonly ok: true; readonly revision: number } | { readonly ok: false; readonly revision: number };

/**
 * Saves it as a whole, and what belongs to it in the same transaction, unless somebody saved another since
 * `baseRevision`: then nothing is written.
 */
export function saveSalonDocument<T>({
  actor,
  salonDocument,
  baseRevision,
  document,
  also,
}: {
  readonly actor: Actor;
  readonly salonDocument: SalonDocument<T>;
  readonly baseRevision: number;
  readonly document: T;
  readonly also?: (trx: Transaction, before: T) => Promise<void>;
}): Promise<SalonDocumentSaved> {
  return inSalon(actor.salonId, async (trx) => {
    const written = { document: JSON.stringify(document), updated_by: actor.personId };
    if (baseRevision === 0) {
      const made = await trx(salonDocument.table)
        .insert({ salon_id: actor.salonId, ...written })
        .onConflict('salon_id')
        .ignore()
        .returning('revision');
      if (made.length > 0) {
        await also?.(trx, salonDocument.usual);
        await tell(trx, salonDocument.usual);
        return { ok: true, revision: made[0].revision };
      }
    }
    const row = await trx(salonDocument.table)
      .select('revision', 'document')
      .where({ salon_id: actor.salonId })
      .forUpdate()
      .first();
    if (!row || row.revision !== baseRevision) return { ok: false, revision: row?.revision ?? 0 };
    const revision = baseRevision + 1;
    await trx(salonDocument.table)
      .where({ salon_id: actor.salonId })
      .update({ ...written, revision, updated_at: trx.fn.now() });
    const before = salonDocument.read(row.document);
    await also?.(trx, before);
    await tell(trx, before);
    return { ok: true, revision };
  });

  function tell(trx: Transaction, before: T): Promise<void> {
    return leaveTrail(trx, actor, salonDocument.act, { changes: salonDocument.changes(before, document) });
  }
}
