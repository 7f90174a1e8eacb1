import type { CautionKey } from '../core/caution';
import { factsOf } from '../core/visit/computed';
import { computedOf } from './compute';
import type { SentKey } from './compute/thread';
import { inSalon, type Actor, type Transaction } from './database';
import { houseOf } from './house-row';
import { leaveTrail } from './trail';
import { documentsOf, visitIn } from './visits';

export type Answered =
  | { readonly ok: true }
  | { readonly ok: false; readonly reason: 'missing' | 'refused'; readonly problem: string };
export const NO_VISIT: Answered = {
  ok: false,
  reason: 'missing',
  problem: 'There is no such visit in this salon.',
};

/** A visit with what is asked for of what is computed of it, by what the server holds; its row is locked. */
export async function lockedVisit<K extends SentKey>(
  trx: Transaction,
  actor: Actor,
  visitId: string,
  keys: readonly K[],
) {
  await trx('visit').where({ id: visitId }).forUpdate().select('id');
  const visit = await visitIn(trx, actor, visitId);
  if (!visit) return undefined;
  const asked = { documents: documentsOf(visit), facts: factsOf(visit, await houseOf(trx, actor.salonId)) };
  return { visit, computed: await computedOf(actor.salonId, asked, keys) };
}

/** Keeps the reason why a visit goes on in spite of a caution. A stop takes none. */
export function giveReason(
  actor: Actor,
  visitId: string,
  key: CautionKey,
  reason: string,
): Promise<Answered> {
  return inSalon(actor.salonId, async (trx) => {
    const found = await lockedVisit(trx, actor, visitId, ['cautions']);
    if (!found) return NO_VISIT;
    const caution = found.computed.cautions.find((other) => other.key === key);
    if (!caution) return { ok: false, reason: 'refused', problem: 'This caution does not stand any more.' };
    if (caution.weight === 'stop')
      return { ok: false, reason: 'refused', problem: `${caution.seen} ${caution.why}` };
    await trx('caution_reason').insert({
      salon_id: actor.salonId,
      visit_id: visitId,
      caution: key,
      seen: caution.seen,
      reason,
      given_by: actor.personId,
    });
    await leaveTrail(trx, actor, 'reason-given', {
      clientId: found.visit.client.id,
      visitId,
      words: `${caution.seen} Reason: ${reason}`,
    });
    return { ok: true };
  });
}
