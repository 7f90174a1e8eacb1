import { NOTHING_USED, type UsedMix } from '../core/chair';
import {
  EMPTY_CONSULT,
  EMPTY_MIX,
  parseConsult,
  parseMix,
  parseOutcome,
  parsePlan,
  startPlan,
  withOldShadow,
} from '../core/formats';
import type { GrowthVisit } from '../core/growth';
import { growthVisits } from '../core/record';
import type { Plan } from '../core/pattern';
import type { Product } from '../core/products';
import {
  carriedConsult,
  carriedMix,
  withProducts,
  type Consult,
  type Outcome,
  type VisitMix,
} from '../core/visit';
import { openAnswers, type KeptAnswers } from './client-pages';
import { inSalon, type Actor, type Transaction } from './database';
import { readOrProblem, stored } from './documents';
import { houseOf } from './house-row';
import { listDrafts, type Draft, type VisitPart } from './drafts';
import { insertMix } from './mix-rows';
import { serverNow } from './now';
import { PLACES, READ } from './places';
import { rangeOf } from './products';
import type { Revised } from './revised';
import { safetyOf, type Safety } from './safety';
import { usedIn } from './service-rows';
import { leaveTrail } from './trail';
import { signOffOf, type SignOff } from './sign-off';
import { visitFacts } from './visit-facts';
import type { ClientRow, VisitRow } from './tables';

export interface VisitSummary {
  readonly id: string;
  readonly clientId: string;
  readonly heldOn: string;
  readonly personName: string;
  readonly consult: Consult;
  readonly outcome: Outcome | null;
  /** Name of the pattern. */
  readonly planName: string;
}

/** Everything that one visit holds. */
export interface Visit {
  readonly id: string;
  /** When it was read, ms. */
  readonly readAt: number;
  readonly heldOn: string;
  readonly client: {
    readonly id: string;
    readonly name: string;
    readonly note: string;
    readonly bornOn: string | null;
  };
  readonly personName: string;
  readonly salonName: string;
  readonly consult: Revised<Consult>;
  readonly planId: string;
  readonly plan: Revised<Plan>;
  /** Revision 0 and an empty one until something is mixed. */
  readonly mix: Revised<VisitMix>;
  readonly outcome: Revised<Outcome> | null;
  /** This person's refused edits, kept until taken over or thrown away. */
  readonly drafts: readonly Draft[];
  /** The visit recorded before this one. */
  readonly previous: Earlier | null;
  /** The last one of them that had foils: the same, unless only a toner was put on since. */
  readonly foiled: Earlier | null;
  /** Products of the house as they are now. */
  readonly range: readonly Product[];
  /** Used against predicted of this visit’s colourist, oldest first. */
  readonly uses: readonly number[];
  /** When the service began, as a moment; null before. */
  readonly begunAt: string | null;
  /** What cautions rest on beside the consultation. */
  readonly safety: Safety;
  /** The client's other visits, as far as growth goes by them. */
  readonly history: readonly GrowthVisit[];
  readonly signOff: SignOff;
  /** What the client answered on their own page and nobody took over yet. */
  readonly answers: KeptAnswers | null;
  /** What of the mix was used at the service that runs. */
  readonly used: UsedMix;
}

/** The documents of a visit, as they are computed from. */
export const documentsOf = ({
  consult,
  plan,
  mix,
  outcome,
}: Pick<Visit, 'consult' | 'plan' | 'mix' | 'outcome'>) => ({
  consult: consult.document,
  plan: plan.document,
  mix: mix.document,
  outcome: outcome?.document ?? null,
});

/** A recorded visit before another. */
export interface Earlier {
  readonly heldOn: string;
  readonly outcome: Outcome;
  readonly consult: Consult;
  readonly plan: Plan;
}

/** A visit of which a document cannot be read: it is named, so that nothing seems to be missing. */
export interface UnreadableVisit {
  readonly id: string;
  readonly heldOn: string;
  readonly problem: string;
}

type ListedRow = Pick<VisitRow, 'id' | 'client_id' | 'held_on' | 'consult'> & {
  person_name: string;
  outcome: unknown;
  plan_name: string | null;
};

/** Visits of some clients, newest first; those that cannot be read stand apart. */
export async function listVisits(
  trx: Transaction,
  clientIds: readonly string[],
): Promise<{ readonly visits: VisitSummary[]; readonly unreadable: UnreadableVisit[] }> {
  const rows = await trx('visit as v')
    .join('person as p', 'p.id', 'v.person_id')
    .leftJoin('outcome as o', 'o.visit_id', 'v.id')
    .leftJoin('plan as l', 'l.visit_id', 'v.id')
    .whereIn('v.client_id', [...clientIds])
    .orderBy([
      { column: 'v.held_on', order: 'desc' },
      { column: 'v.created_at', order: 'desc' },
    ])
    .select<ListedRow[]>(
      'v.id',
      'v.client_id',
      'v.held_on',
      'v.consult',
      'p.name as person_name',
      'o.document as outcome',
      trx.raw("l.document ->> 'name' as plan_name"),
    );
  const visits: VisitSummary[] = [];
  const unreadable: UnreadableVisit[] = [];
  for (const row of rows) {
    const read = readOrProblem((): VisitSummary => ({
      id: row.id,
      clientId: row.client_id,
      heldOn: row.held_on,
      personName: row.person_name,
      consult: stored('consultation', parseConsult(row.consult)),
      outcome: row.outcome ? stored('outcome', parseOutcome(row.outcome)) : null,
      planName: row.plan_name ?? '',
    }));
    if (read.ok) visits.push(read.value);
    else unreadable.push({ id: row.id, heldOn: row.held_on, problem: read.problem });
  }
  return { visits, unreadable };
}

/** A visit as a list names it. */
export interface VisitHead {
  readonly id: string;
  readonly clientId: string;
  readonly heldOn: string;
  readonly colourist: string;
  readonly begunAt: string | null;
  readonly recorded: boolean;
  readonly signed: boolean;
}

type HeadRow = Pick<VisitRow, 'id' | 'client_id' | 'held_on' | 'begun_at'> & {
  name: string;
  recorded: boolean;
  signed: boolean;
};

/** Visits in the order of their ids: those after one, so many; of one client, between days. */
export function pageOfVisits(
  actor: Actor,
  of: {
    readonly id?: string;
    readonly clientId?: string;
    readonly from?: string;
    readonly to?: string;
    readonly after?: string;
    readonly limit: number;
  },
): Promise<VisitHead[]> {
  return inSalon(actor.salonId, async (trx) => {
    const rows = await trx('visit as v')
      .join('person as p', 'p.id', 'v.person_id')
      .leftJoin('outcome as o', 'o.visit_id', 'v.id')
      .orderBy('v.id')
      .limit(of.limit)
      .modify((query) => {
        if (of.id) query.where('v.id', of.id);
        if (of.clientId) query.where('v.client_id', of.clientId);
        if (of.from) query.where('v.held_on', '>=', of.from);
        if (of.to) query.where('v.held_on', '<=', of.to);
        if (of.after) query.where('v.id', '>', of.after);
      })
      .select<HeadRow[]>(
        'v.id',
        'v.client_id',
        'v.held_on',
        'v.begun_at',
        'p.name',
        trx.raw('o.visit_id is not null as recorded, o.signed_at is not null as signed'),
      );
    return rows.map(({ id, client_id, held_on, begun_at, name, recorded, signed }) => ({
      id,
      clientId: client_id,
      heldOn: held_on,
      colourist: name,
      begunAt: begun_at?.toISOString() ?? null,
      recorded,
      signed,
    }));
  });
}

/**
 * The visit of a client and a day that is open still, or a new one.
 * @returns undefined when this salon has no such client
 */
export function visitOfDay(
  actor: Actor,
  clientId: string,
  heldOn: string,
  what: VisitWhat,
): Promise<{ readonly id: string; readonly made: boolean } | undefined> {
  return inSalon(actor.salonId, async (trx) => {
    // Two requests at once wait for each other here.
    await trx('client').where({ id: clientId }).forUpdate().select('id');
    const open = await trx('visit as v')
      .leftJoin('outcome as o', 'o.visit_id', 'v.id')
      .where({ 'v.client_id': clientId, 'v.held_on': heldOn })
      .whereNull('o.visit_id')
      .select<{ id: string }[]>('v.id')
      .first();
    if (open) return { id: open.id, made: false };
    const id = await openVisit({ trx, actor, clientId, heldOn, what });
    return id === undefined ? undefined : { id, made: true };
  });
}

/**
 * Opens a new visit. What is known of the head, the hair and the wish is carried over from the client's last
 * visit, and
 * so is its pattern; what must be looked at anew (regrowth, scalp, strand) and notes start empty.
 * @returns the visit's id; undefined when this salon has no such client
 */
export function createVisit(
  actor: Actor,
  clientId: string,
  heldOn: string,
  what: VisitWhat = 'foils',
): Promise<string | undefined> {
  return inSalon(actor.salonId, (trx) => openVisit({ trx, actor, clientId, heldOn, what }));
}

/** The same within a transaction. */
export async function openVisit({
  trx,
  actor,
  clientId,
  heldOn,
  what = 'foils',
}: {
  readonly trx: Transaction;
  readonly actor: Actor;
  readonly clientId: string;
  readonly heldOn: string;
  readonly what?: VisitWhat;
}): Promise<string | undefined> {
  const client = await trx('client').select('id').where({ id: clientId }).whereNull('archived_at').first();
  if (!client) return undefined;
  const range = await rangeOf(trx, actor.salonId);
  const last = firstRead(
    await trx('visit as v')
      .leftJoin('mix as m', 'm.visit_id', 'v.id')
      .where('v.client_id', clientId)
      .orderBy([
        { column: 'v.held_on', order: 'desc' },
        { column: 'v.created_at', order: 'desc' },
      ])
      .limit(MOST_LOOKED_BACK)
      .select<{ consult: unknown; mix: unknown }[]>('v.consult', 'm.document as mix'),
    (row) => ({
      consult: stored('consultation', parseConsult(row.consult)),
      mix: row.mix ? withOldShadow(stored('mix', parseMix(row.mix)), row.consult, range) : null,
    }),
  );
  const consult: Consult = last ? carriedConsult(last.consult) : EMPTY_CONSULT;
  const pattern = await trx('visit as v')
    .join('plan as l', 'l.visit_id', 'v.id')
    .where('v.client_id', clientId)
    .whereRaw(WITH_PANELS)
    .orderBy([
      { column: 'v.held_on', order: 'desc' },
      { column: 'v.created_at', order: 'desc' },
    ])
    .select<{ document: unknown }[]>('l.document')
    .first();
  const lastPlan: Plan = pattern
    ? stored('plan', parsePlan(pattern.document))
    : { ...startPlan(), foil: (await houseOf(trx, actor.salonId)).foil };
  // The pattern goes on from the last visit that had one.
  const plan =
    what === 'foils'
      ? lastPlan
      : { ...lastPlan, name: 'Without foils', panels: [], sectioning: [], edits: [] };
  const visitId = await insertVisit(trx, actor, { clientId, heldOn, consult, plan });
  // Formulas and readings go on from the last visit, with the products as the house has them now.
  if (last?.mix)
    await insertMix({ trx, actor, visitId, document: withProducts(carriedMix(last.mix), range) });
  await leaveTrail(trx, actor, 'visit-opened', { clientId, visitId });
  return visitId;
}

/** So many visits are looked through for one that can be read. */
const MOST_LOOKED_BACK = 5;

/** The first of some rows that can be read. */
function firstRead<Row, T>(rows: readonly Row[], read: (row: Row) => T): T | undefined {
  for (const row of rows) {
    const result = readOrProblem(() => read(row));
    if (result.ok) return result.value;
  }
  return undefined;
}

/** With foils, or without: a toner, a treatment. */
export type VisitWhat = 'foils' | 'no-foils';

/** Writes a visit with its plan. */
export async function insertVisit(
  trx: Transaction,
  actor: Actor,
  visit: { clientId: string; heldOn: string; consult: Consult; plan: Plan },
): Promise<string> {
  const salon = { salon_id: actor.salonId };
  const [{ id }] = await trx('visit')
    .insert({
      ...salon,
      client_id: visit.clientId,
      person_id: actor.personId,
      held_on: visit.heldOn,
      consult: JSON.stringify(visit.consult),
    })
    .returning('id');
  await trx('plan').insert({
    ...salon,
    visit_id: id,
    document: JSON.stringify(visit.plan),
    updated_by: actor.personId,
  });
  return id;
}

/** One visit; undefined when this salon has none of that id. */
export function readVisit(actor: Actor, visitId: string): Promise<Visit | undefined> {
  return inSalon(actor.salonId, (trx) => visitIn(trx, actor, visitId));
}

type WholeRow = Pick<
  VisitRow,
  'id' | 'person_id' | 'client_id' | 'held_on' | 'consult' | 'consult_revision' | 'begun_at'
> &
  Pick<ClientRow, 'note' | 'born_on'> & {
    client_name: string;
    person_name: string;
    salon_name: string;
    plan_id: string;
    plan: unknown;
    plan_revision: number;
    mix: unknown;
    mix_revision: number | null;
    outcome: unknown;
    outcome_revision: number | null;
  };

/** The same within a transaction. */
export async function visitIn(trx: Transaction, actor: Actor, visitId: string): Promise<Visit | undefined> {
  const row = await trx('visit as v')
    .join('client as c', 'c.id', 'v.client_id')
    .join('person as p', 'p.id', 'v.person_id')
    .join('plan as l', 'l.visit_id', 'v.id')
    .join('salon as s', 's.id', 'v.salon_id')
    .leftJoin('outcome as o', 'o.visit_id', 'v.id')
    .leftJoin('mix as m', 'm.visit_id', 'v.id')
    .where('v.id', visitId)
    .select<WholeRow[]>(
      'v.person_id',
      'm.document as mix',
      'm.revision as mix_revision',
      's.name as salon_name',
      'v.id',
      'v.held_on',
      'v.consult',
      'v.consult_revision',
      'c.id as client_id',
      'c.name as client_name',
      'c.note',
      'c.born_on',
      'v.begun_at',
      'p.name as person_name',
      'l.id as plan_id',
      'l.document as plan',
      'l.revision as plan_revision',
      'o.document as outcome',
      'o.revision as outcome_revision',
    )
    .first();
  if (!row) return undefined;
  const previous = await earlierThan(trx, row.client_id, row.held_on);
  const foiled =
    previous === null || previous.plan.panels.length > 0
      ? previous
      : await earlierThan(trx, row.client_id, row.held_on, true);
  const visits = (await visitFacts(trx, [row.client_id])).get(row.client_id) ?? [];
  const range = await rangeOf(trx, actor.salonId);
  const mix = row.mix ? stored('mix', parseMix(row.mix)) : EMPTY_MIX;
  return {
    id: row.id,
    readAt: serverNow(),
    heldOn: row.held_on,
    client: { id: row.client_id, name: row.client_name, note: row.note, bornOn: row.born_on },
    personName: row.person_name,
    salonName: row.salon_name,
    consult: { revision: row.consult_revision, document: stored('consultation', parseConsult(row.consult)) },
    planId: row.plan_id,
    plan: { revision: row.plan_revision, document: stored('plan', parsePlan(row.plan)) },
    mix: { revision: row.mix_revision ?? 0, document: withOldShadow(mix, row.consult, range) },
    range,
    uses: await usesOf(trx, row.person_id, row.held_on),
    outcome:
      row.outcome_revision !== null
        ? { revision: row.outcome_revision, document: stored('outcome', parseOutcome(row.outcome)) }
        : null,
    drafts: await listDrafts(trx, actor, visitId),
    previous,
    foiled,
    begunAt: row.begun_at?.toISOString() ?? null,
    safety: await safetyOf(trx, row.client_id, visitId),
    history: growthVisits(visits.filter(({ id }) => id !== visitId)),
    signOff: await signOffOf(trx, visitId),
    answers: await openAnswers(trx, row.client_id),
    used: row.begun_at ? await usedIn(trx, visitId) : NOTHING_USED,
  };
}

/** One document of a visit as it is saved now; undefined where there is none. */
export function readPart(
  actor: Pick<Actor, 'salonId'>,
  visitId: string,
  part: VisitPart,
): Promise<Revised<unknown> | undefined> {
  return inSalon(actor.salonId, async (trx) => {
    const place = PLACES[part];
    const row: { revision: number; document: unknown } | undefined = await trx(place.table)
      .where({ [place.key]: visitId })
      .select({ revision: place.revision, document: place.document })
      .first();
    return row && { revision: row.revision, document: stored<unknown>(part, READ[part](row.document)) };
  });
}

/** SQL: a plan with panels. */
const WITH_PANELS = "l.document -> 'panels' is distinct from '[]'::jsonb";

/** The last recorded visit of a client before a day, or the last one of them with foils. */
export async function earlierThan(
  trx: Transaction,
  clientId: string,
  heldOn: string,
  withFoils = false,
): Promise<Earlier | null> {
  const rows = await trx('visit as v')
    .join('outcome as o', 'o.visit_id', 'v.id')
    .join('plan as l', 'l.visit_id', 'v.id')
    .where('v.client_id', clientId)
    .where('v.held_on', '<', heldOn)
    .modify((query) => void (withFoils && query.whereRaw(WITH_PANELS)))
    .orderBy('v.held_on', 'desc')
    .limit(MOST_LOOKED_BACK)
    .select<{ held_on: string; consult: unknown; document: unknown; plan: unknown }[]>(
      'v.held_on',
      'v.consult',
      'o.document',
      'l.document as plan',
    );
  return (
    firstRead(rows, (row): Earlier => ({
      heldOn: row.held_on,
      outcome: stored('outcome', parseOutcome(row.document)),
      consult: stored('consultation', parseConsult(row.consult)),
      plan: stored('plan', parsePlan(row.plan)),
    })) ?? null
  );
}

const VISITS_LEARNT_FROM = 10;

/**
 * Used against predicted of a person's last visits before a day, oldest first: what was read when a formula
 * was done, against
 * what had been weighed for it by the estimate.
 */
async function usesOf(trx: Transaction, personId: string, before: string): Promise<number[]> {
  const rows: { used: number; predicted: number }[] = await trx('visit as v')
    .join('mix as m', 'm.visit_id', 'v.id')
    .where('v.person_id', personId)
    .where('v.held_on', '<', before)
    .whereRaw("m.document -> 'used' <> '{}'::jsonb")
    // What was before is forgotten, where somebody had it forgotten.
    .whereRaw(
      'v.held_on >= coalesce((select p.learnt_since::date from person p where p.id = v.person_id), v.held_on)',
    )
    .orderBy('v.held_on', 'desc')
    .limit(VISITS_LEARNT_FROM)
    .select(
      trx.raw("(select sum((u.value ->> 'grams')::float) from jsonb_each(m.document -> 'used') u) as used"),
      trx.raw(
        "(select sum((u.value ->> 'predicted')::float) from jsonb_each(m.document -> 'used') u) as predicted",
      ),
    );
  return rows
    .filter(({ predicted }) => predicted > 0)
    .map(({ used, predicted }) => used / predicted)
    .reverse();
}
