import { mixWords, type VisitMix } from '../core/visit';
import type { Actor, Transaction } from './database';

/** Writes the first mix of a visit. @returns its revision; undefined when it has one already */
export async function insertMix({
  trx,
  actor,
  visitId,
  document,
  editId = null,
}: {
  readonly trx: Transaction;
  readonly actor: Actor;
  readonly visitId: string;
  readonly document: VisitMix;
  readonly editId?: string | null;
}): Promise<number | undefined> {
  const made = await trx('mix')
    .insert({
      visit_id: visitId,
      salon_id: actor.salonId,
      document: JSON.stringify(document),
      search: mixWords(document),
      last_edit: editId,
      updated_by: actor.personId,
    })
    .onConflict('visit_id')
    .ignore()
    .returning('revision');
  return made[0]?.revision;
}
