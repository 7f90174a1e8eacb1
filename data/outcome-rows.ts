import type { Outcome } from '../core/visit';
import type { Actor, Transaction } from './database';
import { announce } from './signals';
import { leaveTrail } from './trail';

interface FirstOutcome {
  readonly trx: Transaction;
  readonly actor: Actor;
  readonly visit: { readonly id: string; readonly clientId: string };
  readonly document: Outcome;
  /** Of whoever saved it by hand. */
  readonly editId?: string;
  /** How it came about, for the trail. */
  readonly words: string;
}

/**
 * Writes the first record of a visit and tells every page that has the visit open.
 * @returns its revision; undefined where the visit has a record, which stays
 */
export async function insertOutcome({
  trx,
  actor,
  visit,
  document,
  editId,
  words,
}: FirstOutcome): Promise<number | undefined> {
  const [made] = await trx('outcome')
    .insert({
      visit_id: visit.id,
      salon_id: actor.salonId,
      document: JSON.stringify(document),
      ...(editId !== undefined && { last_edit: editId }),
      recorded_by: actor.personId,
    })
    .onConflict('visit_id')
    .ignore()
    .returning('revision');
  if (!made) return undefined;
  await leaveTrail(trx, actor, 'outcome', { clientId: visit.clientId, visitId: visit.id, words });
  await announce(trx, { topic: 'visit', id: visit.id, saved: { part: 'outcome', revision: made.revision } });
  return made.revision;
}
