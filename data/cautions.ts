import type { CautionKey } from '../core/caution';
import { factsOf, createVisitEngine } from '../core/visit/computed';
import { inSalon, type Actor, type Transaction } from './database';
import { houseOf } from './house-row';
import { leaveTrail } from './trail';
import { visitIn } from './visits';

export type Answered = { readonly ok: true } | { readonly ok: false; readonly reason: 'missing' | 'refused'; readonly problem: string };
export const NO_VISIT: Answered = { ok: false, reason: 'missing', problem: 'There is no such visit in this salon.' };

/** It remembers parts of visits, and what it remembers changes no result. */
const engine = createVisitEngine();

/** A visit with all that is computed of it, by what the server holds; its row is locked. */
export async function lockedVisit(trx: Transaction, actor: Actor, visitId: string) {
  await trx('visit').where({ id: visitId }).forUpdate().select('id');
  const visit = await visitIn(trx, actor, visitId);
  return visit && { visit, computed: engine.compute({ consult: visit.consult.document, plan: visit.plan.document, mix: visit.mix.document, outcome: visit.outcome?.document ?? null }, factsOf(visit, await houseOf(trx, actor.salonId))) };
}

/** Keeps the reason why a visit goes on in spite of a caution. A stop takes none. */
export function giveReason(actor: Actor, visitId: string, key: CautionKey, reason: string): Promise<Answered> {
  return inSalon(actor.salonId, async (trx) => {
    const found = await lockedVisit(trx, actor, visitId);
    if (!found) return NO_VISIT;
    const caution = found.computed.cautions.find((own) => own.key === key);
    if (!caution) return { ok: false, reason: 'refused', problem: 'This caution does not stand any more.' };
    if (caution.weight === 'stop') return { ok: false, reason: 'refused', problem: `${caution.seen} ${caution.why}` };
    await trx('caution_reason').insert({ salon_id: actor.salonId, visit_id: visitId, caution: key, seen: caution.seen, reason, given_by: actor.personId });
    await leaveTrail(trx, actor, 'reason-given', { clientId: found.visit.client.id, visitId, words: `${caution.seen} Reason: ${reason}` });
    return { ok: true };
  });
}
