import { inSalon, type Actor, type Transaction } from './database';
import { isSigned } from './signed';
import { leaveTrail } from './trail';

/** Who signed a record off, and what was added to it since, oldest first. */
export interface SignOff {
  readonly signed: { readonly at: string; readonly by: string } | null;
  readonly addenda: readonly {
    readonly id: string;
    readonly at: string;
    readonly by: string;
    readonly words: string;
  }[];
}

export type SignAnswer =
  | { readonly ok: true }
  | { readonly ok: false; readonly reason: 'missing' | 'not-recorded' | 'changed' | 'not-signed' };

/** Signs the record of a visit off, once, in the state that whoever signs has seen. */
export function signOff(actor: Actor, visitId: string, revision: number): Promise<SignAnswer> {
  return inSalon(actor.salonId, async (trx): Promise<SignAnswer> => {
    const visit = await trx('visit').where({ id: visitId }).select('client_id').first();
    if (!visit) return { ok: false, reason: 'missing' };
    const outcome = await trx('outcome')
      .where({ visit_id: visitId })
      .forUpdate()
      .select('revision', 'signed_at')
      .first();
    if (!outcome) return { ok: false, reason: 'not-recorded' };
    if (outcome.signed_at) return { ok: true };
    if (outcome.revision !== revision) return { ok: false, reason: 'changed' };
    await trx('outcome')
      .where({ visit_id: visitId })
      .update({ signed_at: trx.fn.now(), signed_by: actor.personId });
    await leaveTrail(trx, actor, 'signed-off', { clientId: visit.client_id, visitId });
    return { ok: true };
  });
}

/** Adds to a record that is signed off: with its day and its author, beside what was signed. */
export function addAddendum(actor: Actor, visitId: string, words: string): Promise<SignAnswer> {
  return inSalon(actor.salonId, async (trx): Promise<SignAnswer> => {
    const visit = await trx('visit').where({ id: visitId }).select('client_id').first();
    if (!visit) return { ok: false, reason: 'missing' };
    if (!(await isSigned(trx, visitId))) return { ok: false, reason: 'not-signed' };
    await trx('addendum').insert({
      salon_id: actor.salonId,
      visit_id: visitId,
      person_id: actor.personId,
      words,
    });
    await leaveTrail(trx, actor, 'addendum', { clientId: visit.client_id, visitId, words });
    return { ok: true };
  });
}

export async function signOffOf(trx: Transaction, visitId: string): Promise<SignOff> {
  const row = await trx('outcome as o')
    .join('person as p', 'p.id', 'o.signed_by')
    .where('o.visit_id', visitId)
    .select<{ signed_at: Date; name: string }[]>('o.signed_at', 'p.name')
    .first();
  const addenda = await trx('addendum as a')
    .join('person as p', 'p.id', 'a.person_id')
    .where('a.visit_id', visitId)
    .orderBy('a.at')
    .select<{ id: string; at: Date; words: string; name: string }[]>('a.id', 'a.at', 'a.words', 'p.name');
  return {
    signed: row ? { at: row.signed_at.toISOString(), by: row.name } : null,
    addenda: addenda.map(({ id, at, words, name }) => ({ id, at: at.toISOString(), by: name, words })),
  };
}
