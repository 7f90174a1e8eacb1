import { usedOf, usedProblem } from '../core/chair';
import { EMPTY_MIX, oldShadowMm, parseMix, withOldShadow } from '../core/formats';
import type { Plan } from '../core/pattern';
import { mixWords, type Consult, type Outcome, type VisitMix } from '../core/visit';
import { inSalon, type Actor, type Transaction } from './database';
import { keepDraft, type VisitPart } from './drafts';
import { insertMix } from './mix-rows';
import { tellService } from './mix-service';
import { rangeOf } from './products';
import { keptScript, runningService } from './service-rows';
import { isSigned } from './signed';
import { takeFromStock } from './take-stock';
import { changesBetween, leaveTrail } from './trail';

/** One edit: the whole new document, the revision that it was made from, and an id of its own. */
export interface Edit<T> {
  readonly baseRevision: number;
  /** Sent again with a repeated request, so that an edit whose answer was lost is never taken twice. */
  readonly editId: string;
  /** Own edits sent before this one whose answer was lost: if the newest is one of them, this edit follows it. */
  readonly following?: readonly string[];
  /** A tool reads anew and asks again: no draft is kept of what is refused. */
  readonly noDraft?: boolean;
  readonly document: T;
}

export type SaveResult =
  | { readonly ok: true; readonly revision: number }
  /** Somebody saved meanwhile; the edit was kept as a draft. */
  | { readonly ok: false; readonly reason: 'stale'; readonly revision: number }
  | { readonly ok: false; readonly reason: 'missing' }
  /** A visit that has not begun cannot be recorded. */
  | { readonly ok: false; readonly reason: 'not-begun' }
  /** The record is signed off: nothing of the visit changes any more. */
  | { readonly ok: false; readonly reason: 'signed' }
  /** What was used at the service that runs stays as it was. */
  | { readonly ok: false; readonly reason: 'used'; readonly problem: string };

/** Where each part of a visit lies. */
export const PLACES = {
  consult: { table: 'visit', key: 'id', document: 'consult', before: 'consult_before', revision: 'consult_revision', edit: 'consult_edit' },
  plan: { table: 'plan', key: 'visit_id', document: 'document', before: 'before', revision: 'revision', edit: 'last_edit' },
  mix: { table: 'mix', key: 'visit_id', document: 'document', before: 'before', revision: 'revision', edit: 'last_edit' },
  outcome: { table: 'outcome', key: 'visit_id', document: 'document', before: 'before', revision: 'revision', edit: 'last_edit' },
} as const satisfies Record<VisitPart, Record<string, string>>;

/** Saves one part of a visit in one transaction. A stale edit overwrites nothing: it becomes a draft. */
export function saveConsult(actor: Actor, visitId: string, edit: Edit<Consult>): Promise<SaveResult> {
  return inSalon(actor.salonId, async (trx) => {
    await keepOldShadow(trx, actor, visitId);
    return update(trx, actor, visitId, 'consult', edit, {});
  });
}

/** See {@link saveConsult}. */
export function savePlan(actor: Actor, visitId: string, edit: Edit<Plan>): Promise<SaveResult> {
  return inSalon(actor.salonId, (trx) =>
    update(trx, actor, visitId, 'plan', edit, { updated_at: trx.fn.now(), updated_by: actor.personId }),
  );
}

/** See {@link saveConsult}; the first mix of a visit is based on revision 0. */
export function saveMix(actor: Actor, visitId: string, edit: Edit<VisitMix>): Promise<SaveResult> {
  const search = mixWords(edit.document);
  return inSalon(actor.salonId, async (trx) => {
    if (edit.baseRevision === 0) {
      const visit = await trx('visit').select('client_id').where({ id: visitId }).first();
      if (!visit) return { ok: false, reason: 'missing' };
      if (await isSigned(trx, visitId)) return { ok: false, reason: 'signed' };
      const made = await insertMix(trx, actor, visitId, edit.document, edit.editId);
      if (made !== undefined) {
        await leaveTrail(trx, actor, 'mix', { clientId: visit.client_id, visitId, words: 'begun' });
        const service = await runningService(trx, visitId, { locked: true });
        if (service) await tellService(trx, actor, visitId, service, EMPTY_MIX, edit.document);
        return { ok: true, revision: made };
      }
    }
    const service = await runningService(trx, visitId, { locked: true });
    const row = service && (await trx('mix').where({ visit_id: visitId }).forUpdate().select('document').first());
    const before = row && parseMix(row.document);
    const problem = service && before?.ok ? usedProblem(before.value, edit.document, usedOf(service.state)) : null;
    if (problem !== null) return { ok: false, reason: 'used', problem };
    const saved = await update(trx, actor, visitId, 'mix', edit, { search, updated_at: trx.fn.now(), updated_by: actor.personId });
    if (saved.ok && service && before?.ok) await tellService(trx, actor, visitId, service, before.value, edit.document);
    return saved;
  });
}

/**
 * A consultation of version 1 had the root shadow that the mix has now: before it is written over, the mix takes it. Its
 * revision stays: whoever has the visit open has read it with the shadow already.
 */
async function keepOldShadow(trx: Transaction, actor: Actor, visitId: string): Promise<void> {
  // Hardly any visit has one: none is read for it.
  const visit = await trx('visit').where({ id: visitId }).whereRaw("consult ->> 'rootShadowMm' is not null").forUpdate().select('consult').first();
  if (!visit || oldShadowMm(visit.consult) === null) return;
  const row = await trx('mix').where({ visit_id: visitId }).forUpdate().select('document').first();
  const read = row ? parseMix(row.document) : { ok: true as const, value: EMPTY_MIX };
  if (!read.ok) return;
  const document = withOldShadow(read.value, visit.consult, await rangeOf(trx, actor.salonId));
  if (row) await trx('mix').where({ visit_id: visitId }).update({ document: JSON.stringify(document) });
  else await insertMix(trx, actor, visitId, document);
}

/** See {@link saveConsult}; the first outcome of a visit is based on revision 0. */
export function saveOutcome(actor: Actor, visitId: string, edit: Edit<Outcome>): Promise<SaveResult> {
  return inSalon(actor.salonId, async (trx) => {
    if (edit.baseRevision === 0) {
      const visit = await trx('visit').select('client_id', 'begun_at').where({ id: visitId }).first();
      if (!visit) return { ok: false, reason: 'missing' };
      if (!visit.begun_at) return { ok: false, reason: 'not-begun' };
      const made = await trx('outcome')
        .insert({
          visit_id: visitId,
          salon_id: actor.salonId,
          document: JSON.stringify(edit.document),
          last_edit: edit.editId,
          recorded_by: actor.personId,
        })
        .onConflict('visit_id')
        .ignore()
        .returning('revision');
      if (made.length > 0) {
        await leaveTrail(trx, actor, 'outcome', { clientId: visit.client_id, visitId, words: 'recorded' });
        // What was done at the chair is taken out of the stock when it is finished there.
        if (!(await keptScript(trx, visitId))) await takeFromStock(trx, actor, visitId, null);
        return { ok: true, revision: made[0].revision };
      }
    }
    return update(trx, actor, visitId, 'outcome', edit, { recorded_at: trx.fn.now(), recorded_by: actor.personId });
  });
}

/** Head and hair belong to the consultation: that a plan follows them is no change of its own. */
function told(part: VisitPart, document: unknown): unknown {
  return part === 'plan' ? { ...(document as object), head: undefined, hair: undefined } : document;
}

async function update<T>(
  trx: Transaction,
  actor: Actor,
  visitId: string,
  part: VisitPart,
  edit: Edit<T>,
  also: Record<string, unknown>,
): Promise<SaveResult> {
  const place = PLACES[part];
  const row = await trx(place.table)
    .select({ revision: place.revision, edit: place.edit, before: place.document })
    .where({ [place.key]: visitId })
    .forUpdate()
    .first();
  if (!row) return { ok: false, reason: 'missing' };
  if (row.edit === edit.editId) return { ok: true, revision: row.revision };
  if (await isSigned(trx, visitId)) return { ok: false, reason: 'signed' };
  const follows = row.edit !== null && (edit.following ?? []).includes(row.edit);
  if (row.revision !== edit.baseRevision && !follows) {
    if (!edit.noDraft) await keepDraft(trx, actor, { visitId, part, ...edit });
    return { ok: false, reason: 'stale', revision: row.revision };
  }
  const revision = row.revision + 1;
  await trx(place.table)
    .where({ [place.key]: visitId })
    .update({
      [place.document]: JSON.stringify(edit.document),
      // As it was before, should this version not be readable one day.
      [place.before]: trx.ref(place.document),
      [place.revision]: revision,
      [place.edit]: edit.editId,
      ...also,
    });
  const { client_id: clientId } = await trx('visit').select('client_id').where({ id: visitId }).first();
  const changes = changesBetween(told(part, row.before), told(part, edit.document));
  if (changes.length > 0) await leaveTrail(trx, actor, part, { clientId, visitId, changes });
  return { ok: true, revision };
}
