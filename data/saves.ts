import same from 'fast-deep-equal';
import { usedOf, usedProblem } from '../core/chair';
import { EMPTY_MIX, mergeEdits, oldShadowMm, parseMix, withOldShadow } from '../core/formats';
import type { Plan } from '../core/pattern';
import { mixWords, type Consult, type Outcome, type VisitMix } from '../core/visit';
import { inSalon, type Actor, type Transaction } from './database';
import { keepDraft, type VisitPart } from './drafts';
import { insertMix } from './mix-rows';
import { tellService } from './mix-service';
import { insertOutcome } from './outcome-rows';
import { PLACES, READ } from './places';
import { rangeOf } from './products';
import { keptScript, runningService } from './service-rows';
import { announce } from './signals';
import { isSigned } from './signed';
import { takeFromStock } from './take-stock';
import { changesBetween, leaveTrail } from './trail';
import { clientIn } from './presence';

/** One edit: the whole new document, the revision that it was made from, and an id of its own. */
export interface Edit<T> {
  readonly baseRevision: number;
  /** Sent again with a repeated request, so that an edit whose answer was lost is never taken twice. */
  readonly editId: string;
  /**
   * Own edits sent before this one whose answer was lost: if the newest is one of them, this edit follows it.
   */
  readonly following?: readonly string[];
  /** A tool reads anew and asks again: no draft is kept of what is refused. */
  readonly noDraft?: boolean;
  /**
   * The version that it was made from: with it, an edit that came late is merged with what was saved
   * meanwhile.
   */
  readonly base?: unknown;
  readonly document: T;
}

/** What was saved where an edit was merged with somebody else’s. */
interface MergedSave {
  readonly document: unknown;
  /** Both changed the same thing: the other’s stands, and this is kept as the maker’s draft. */
  readonly draft: unknown;
}

export type SaveResult =
  | { readonly ok: true; readonly revision: number; readonly merged?: MergedSave }
  /** Somebody saved meanwhile; the edit was kept as a draft. */
  | { readonly ok: false; readonly reason: 'stale'; readonly revision: number }
  | { readonly ok: false; readonly reason: 'missing' }
  /** A visit that has not begun cannot be recorded. */
  | { readonly ok: false; readonly reason: 'not-begun' }
  /** The record is signed off: nothing of the visit changes any more. */
  | { readonly ok: false; readonly reason: 'signed' }
  /** What was used at the service that runs stays as it was. */
  | { readonly ok: false; readonly reason: 'used'; readonly problem: string };

/**
 * Saves one part of a visit in one transaction. An edit that came late is merged with what was saved
 * meanwhile where its base is known;
 * without it, it overwrites nothing and becomes a draft.
 */
export function saveConsult(actor: Actor, visitId: string, edit: Edit<Consult>): Promise<SaveResult> {
  return inSalon(actor.salonId, async (trx) => {
    await keepOldShadow(trx, actor, visitId);
    return update(trx, actor, { visitId, part: 'consult', edit });
  });
}

/** See {@link saveConsult}. */
export function savePlan(actor: Actor, visitId: string, edit: Edit<Plan>): Promise<SaveResult> {
  return inSalon(actor.salonId, (trx) =>
    update(trx, actor, {
      visitId,
      part: 'plan',
      edit,
      also: () => ({ updated_at: trx.fn.now(), updated_by: actor.personId }),
    }),
  );
}

/** See {@link saveConsult}; the first mix of a visit is based on revision 0. */
export function saveMix(actor: Actor, visitId: string, edit: Edit<VisitMix>): Promise<SaveResult> {
  return inSalon(actor.salonId, async (trx) => {
    if (edit.baseRevision === 0) {
      const visit = await trx('visit').select('client_id').where({ id: visitId }).first();
      if (!visit) return { ok: false, reason: 'missing' };
      if (await isSigned(trx, visitId)) return { ok: false, reason: 'signed' };
      const made = await insertMix({ trx, actor, visitId, document: edit.document, editId: edit.editId });
      if (made !== undefined) {
        await leaveTrail(trx, actor, 'mix', { clientId: visit.client_id, visitId, words: 'begun' });
        const service = await runningService(trx, visitId, { locked: true });
        if (service)
          await tellService({
            trx,
            actor,
            visitId,
            runningService: service,
            before: EMPTY_MIX,
            after: edit.document,
          });
        await announce(trx, { topic: 'visit', id: visitId, saved: { part: 'mix', revision: made } });
        return { ok: true, revision: made };
      }
    }
    const service = await runningService(trx, visitId, { locked: true });
    const mixOf = (document: unknown) => {
      const read = parseMix(document);
      return read.ok ? read.value : undefined;
    };
    return update(trx, actor, {
      visitId,
      part: 'mix',
      edit,
      also: (document) => ({
        search: mixWords(document),
        updated_at: trx.fn.now(),
        updated_by: actor.personId,
      }),
      refuses: (stored, next) => {
        const before = service && mixOf(stored);
        return before ? usedProblem(before, next, usedOf(service.state)) : null;
      },
      then: async (stored, next) => {
        const before = service && mixOf(stored);
        if (before) await tellService({ trx, actor, visitId, runningService: service, before, after: next });
      },
    });
  });
}

/**
 * A consultation of version 1 had the root shadow that the mix has now: before it is written over, the mix
 * takes it. Its
 * revision stays: whoever has the visit open has read it with the shadow already.
 */
async function keepOldShadow(trx: Transaction, actor: Actor, visitId: string): Promise<void> {
  // Hardly any visit has one: none is read for it.
  const visit = await trx('visit')
    .where({ id: visitId })
    .whereRaw("consult ->> 'rootShadowMm' is not null")
    .forUpdate()
    .select('consult')
    .first();
  if (!visit || oldShadowMm(visit.consult) === null) return;
  const row = await trx('mix').where({ visit_id: visitId }).forUpdate().select('document').first();
  const read = row ? parseMix(row.document) : { ok: true as const, value: EMPTY_MIX };
  if (!read.ok) return;
  const document = withOldShadow(read.value, visit.consult, await rangeOf(trx, actor.salonId));
  if (row)
    await trx('mix')
      .where({ visit_id: visitId })
      .update({ document: JSON.stringify(document) });
  else await insertMix({ trx, actor, visitId, document });
}

/** See {@link saveConsult}; the first outcome of a visit is based on revision 0. */
export function saveOutcome(actor: Actor, visitId: string, edit: Edit<Outcome>): Promise<SaveResult> {
  return inSalon(actor.salonId, async (trx) => {
    if (edit.baseRevision === 0) {
      const visit = await trx('visit').select('client_id', 'begun_at').where({ id: visitId }).first();
      if (!visit) return { ok: false, reason: 'missing' };
      if (!visit.begun_at) return { ok: false, reason: 'not-begun' };
      const revision = await insertOutcome({
        trx,
        actor,
        visit: { id: visitId, clientId: visit.client_id },
        document: edit.document,
        editId: edit.editId,
        words: 'recorded',
      });
      if (revision !== undefined) {
        // What was done at the chair is taken out of the stock when it is finished there.
        if (!(await keptScript(trx, visitId))) await takeFromStock(trx, actor, visitId, null);
        return { ok: true, revision };
      }
    }
    return update(trx, actor, {
      visitId,
      part: 'outcome',
      edit,
      also: () => ({ recorded_at: trx.fn.now(), recorded_by: actor.personId }),
    });
  });
}

/** Head and hair belong to the consultation: that a plan follows them is no change of its own. */
function told(part: VisitPart, document: unknown): unknown {
  return part === 'plan' ? { ...(document as object), head: undefined, hair: undefined } : document;
}

interface Update<T> {
  readonly visitId: string;
  readonly part: VisitPart;
  readonly edit: Edit<T>;
  /** What else of the row goes by the document. */
  readonly also?: (document: T) => Record<string, unknown>;
  /** Why the saved document cannot become this one, in a sentence. */
  readonly refuses?: (before: unknown, document: T) => string | null;
  /** What follows in the same transaction. */
  readonly then?: (before: unknown, document: T) => Promise<void>;
}

async function update<T>(
  trx: Transaction,
  actor: Actor,
  { visitId, part, edit, also, refuses, then }: Update<T>,
): Promise<SaveResult> {
  const place = PLACES[part];
  const row = await trx(place.table)
    .select<{ revision: number; edit: string | null; before: unknown }[]>({
      revision: place.revision,
      edit: place.edit,
      before: place.document,
    })
    .where({ [place.key]: visitId })
    .forUpdate()
    .first();
  if (!row) return { ok: false, reason: 'missing' };
  if (row.edit === edit.editId) return { ok: true, revision: row.revision };
  if (await isSigned(trx, visitId)) {
    // Made elsewhere before it was signed: not lost, and not in the record.
    if (!edit.noDraft) await keepDraft(trx, actor, { visitId, part, ...edit });
    return { ok: false, reason: 'signed' };
  }
  const follows = row.edit !== null && (edit.following ?? []).includes(row.edit);
  let { document } = edit;
  let merged: MergedSave | undefined;
  if (row.revision !== edit.baseRevision && !follows) {
    const both = edit.base === undefined ? undefined : mergedWith<T>(part, edit, row.before);
    if (!both) {
      if (!edit.noDraft) await keepDraft(trx, actor, { visitId, part, ...edit });
      return { ok: false, reason: 'stale', revision: row.revision };
    }
    if (both.draft) await keepDraft(trx, actor, { visitId, part, ...edit, document: both.draft });
    ({ document } = both);
    merged = { document, draft: both.draft };
    // Nothing of it is new.
    if (same(document, row.before)) return { ok: true, revision: row.revision, merged };
  }
  const problem = refuses?.(row.before, document) ?? null;
  if (problem !== null) return { ok: false, reason: 'used', problem };
  const revision = row.revision + 1;
  await trx(place.table)
    .where({ [place.key]: visitId })
    .update({
      [place.document]: JSON.stringify(document),
      // As it was before, should this version not be readable one day.
      [place.before]: trx.ref(place.document),
      [place.revision]: revision,
      [place.edit]: edit.editId,
      ...also?.(document),
    });
  const clientId = await clientIn(trx, visitId);
  const changes = changesBetween(told(part, row.before), told(part, document));
  if (changes.length > 0) await leaveTrail(trx, actor, part, { clientId, visitId, changes });
  await then?.(row.before, document);
  await announce(trx, { topic: 'visit', id: visitId, saved: { part, revision } });
  return { ok: true, revision, ...(merged && { merged }) };
}

/**
 * A late edit together with what was saved meanwhile; undefined where both together are no sound document.
 */
function mergedWith<T>(
  part: VisitPart,
  { base, document }: Edit<T>,
  saved: unknown,
): { document: T; draft: T | null } | undefined {
  const read = READ[part];
  const [from, theirs] = [read(base), read(saved)];
  if (!from.ok || !theirs.ok) return undefined;
  const { document: both, conflicts } = mergeEdits<unknown>(from.value, document, theirs.value, 'theirs');
  const sound = read(both);
  if (!sound.ok) return undefined;
  return {
    document: sound.value as T,
    draft:
      conflicts.length > 0
        ? (mergeEdits<unknown>(from.value, document, theirs.value, 'mine').document as T)
        : null,
  };
}
