import { recordOf, serviceState, type ServiceScript } from '../core/chair';
import { beginningOf, parseConsult, parseScript, type EventBatch } from '../core/formats';
import { zonesOfService, zonesRecorded } from '../core/record';
import { putOn } from '../core/steps';
import type { Outcome } from '../core/visit';
import { lockedVisit } from './cautions';
import { inThread } from './compute';
import { inSalon, type Actor, type Transaction } from './database';
import { stored } from './documents';
import { serverNow } from './now';
import { insertOutcome } from './outcome-rows';
import { eventsAfter, keptScript, putEvents, serviceNow, type TakenEvent } from './service-rows';
import { takeFromStock } from './take-stock';
import { earlierThan } from './visits';

export type { TakenEvent };

/** A service as a device opens it. */
export interface OpenedService {
  readonly visitId: string;
  readonly clientId: string;
  readonly clientName: string;
  readonly script: ServiceScript;
  readonly events: readonly TakenEvent[];
  readonly serverNow: number;
}

export type Reached<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly reason: 'missing' | 'not-begun' | 'nothing'; readonly problem: string };

const MISSING = { ok: false, reason: 'missing', problem: 'There is no such visit in this salon.' } as const;
const NOT_BEGUN = {
  ok: false,
  reason: 'not-begun',
  problem: 'The service has not begun: begin it first, with its cautions answered.',
} as const;
const NOTHING = {
  ok: false,
  reason: 'nothing',
  problem: 'The pattern has no foils, and nothing is mixed that stays on: there is nothing to carry out.',
} as const;

/** Opens the service of a visit that has begun; its script is frozen the first time. */
export function openService(actor: Actor, visitId: string): Promise<Reached<OpenedService>> {
  return inSalon(actor.salonId, async (trx) => {
    const visit = await trx('visit as v')
      .join('client as c', 'c.id', 'v.client_id')
      .where('v.id', visitId)
      .select<{ client_id: string; begun_at: Date | null; name: string }[]>(
        'v.client_id',
        'v.begun_at',
        'c.name',
      )
      .first();
    if (!visit) return MISSING;
    if (!visit.begun_at) return NOT_BEGUN;
    const script =
      (await keptScript(trx, visitId)) ??
      (await freezeScript(
        trx,
        actor,
        visitId,
        (await lockedVisit(trx, actor, visitId, ['script']))!.computed.script,
      ));
    if (!script) return NOTHING;
    return {
      ok: true,
      value: {
        visitId,
        clientId: visit.client_id,
        clientName: visit.name,
        script,
        events: await eventsAfter(trx, visitId, 0),
        serverNow: await serviceNow(trx, visitId),
      },
    };
  });
}

/** Freezes the script of a visit, unless that was done; undefined where it has nothing that stays on. */
export async function freezeScript(
  trx: Transaction,
  actor: Actor,
  visitId: string,
  script: ServiceScript,
): Promise<ServiceScript | undefined> {
  // Without foils a toner or a root colour is still timed.
  if (script.units.length === 0 && !putOn(script.steps)) return undefined;
  await trx('service')
    .insert({
      visit_id: visitId,
      salon_id: actor.salonId,
      script: JSON.stringify(script),
      begun_at: new Date(serverNow()),
    })
    .onConflict('visit_id')
    .ignore();
  return keptScript(trx, visitId);
}

export function readEvents(actor: Actor, visitId: string, after: number): Promise<TakenEvent[]> {
  return inSalon(actor.salonId, (trx) => eventsAfter(trx, visitId, after));
}

/** The time of a service as its devices are told it. */
export function timeOfService(actor: Actor, visitId: string): Promise<number> {
  return inSalon(actor.salonId, (trx) => serviceNow(trx, visitId));
}

/**
 * Takes a device's events, each exactly once and in its order, and tells everybody who listens. Moments are
 * put right by the
 * device's own now: what matters is how long ago something was, not what its clock says. The record is
 * written with the end.
 */
export function appendEvents(
  actor: Actor,
  visitId: string,
  { device, deviceNow, events }: EventBatch,
): Promise<Reached<{ readonly events: readonly TakenEvent[]; readonly serverNow: number }>> {
  return inSalon(actor.salonId, async (trx) => {
    // One batch after the other: positions follow each other without gaps.
    const service = await trx('service')
      .where({ visit_id: visitId })
      .forUpdate()
      .select('last_position')
      .first();
    if (!service) return MISSING;
    const now = await serviceNow(trx, visitId, { device, deviceNow }, { writing: true });
    const known = new Set(
      (
        await trx('service_event')
          .where({ visit_id: visitId })
          .whereIn(
            'id',
            events.map(({ id }) => id),
          )
          .select('id')
      ).map(({ id }) => id),
    );
    const [last] = await trx('service_event')
      .where({ visit_id: visitId, device })
      .max<{ latest: Date | null }[]>('at as latest');
    let before = last.latest?.getTime() ?? 0;
    const fresh = events
      .filter(({ id }, i) => !known.has(id) && events.findIndex((event) => event.id === id) === i)
      .map(({ id, at, body }) => {
        // Never after now, and never before what the same device said earlier.
        before = Math.max(before, Math.min(now, now - (deviceNow - at)));
        return { id, device, at: before, madeAt: at, body };
      });
    if (fresh.length > 0) {
      await putEvents({
        trx,
        actor,
        visitId,
        lastPosition: service.last_position,
        events: fresh,
        beforeTold: events.some(({ body }) => ENDS.has(body.kind))
          ? () => end(trx, actor, visitId)
          : undefined,
      });
    }
    return {
      ok: true,
      value: {
        events: await eventsAfter(
          trx,
          visitId,
          0,
          events.map(({ id }) => id),
        ),
        serverNow: now,
      },
    };
  });
}

/** What may end a service, or begin it anew. */
const ENDS: ReadonlySet<string> = new Set(['finished', 'undone']);

/**
 * Whether a service is over, by all that happened; its record is written then, unless somebody has recorded
 * the visit by hand.
 */
async function end(trx: Transaction, actor: Actor, visitId: string): Promise<void> {
  const script = (await keptScript(trx, visitId))!;
  const state = serviceState(script, await eventsAfter(trx, visitId, 0));
  await trx('service')
    .where({ visit_id: visitId })
    .update({ finished_at: state.finishedAt === null ? null : new Date(state.finishedAt) });
  await takeFromStock(trx, actor, visitId, state.finishedAt === null ? 'open' : state);
  if (state.finishedAt === null) return;
  const record = recordOf(script, state);
  // A service is of a visit: the database has no other.
  const visit = (await trx('visit')
    .where({ id: visitId })
    .select('client_id', 'held_on', 'consult')
    .first())!;
  // Without foils the hair stays as light as it was.
  const before = script.units.length === 0 ? await earlierThan(trx, visit.client_id, visit.held_on) : null;
  const usual = before?.outcome.levelReached ?? stored('consultation', parseConsult(visit.consult)).goalLevel;
  // A record says levels in halves.
  const level = Math.round((record.levelReached ?? usual) * 2) / 2;
  const document: Outcome = {
    version: 2,
    done: beginningOf(record.summary, 4000),
    foilsPlaced: record.placed,
    levelReached: Math.min(10, Math.max(1, level)),
    nextOn: null,
    nextWhat: null,
    zones: zonesRecorded(zonesOfService(state, await inThread(actor.salonId, 'sheet', script.plan))),
    said: '',
    inspection: {},
    corrections: [],
  };
  await insertOutcome({
    trx,
    actor,
    visit: { id: visitId, clientId: visit.client_id },
    document,
    words: 'written by the service',
  });
}

/** A service that runs. */
export interface LiveService {
  readonly visitId: string;
  readonly clientName: string;
  readonly personId: string;
  readonly begunAt: string;
}

/** What runs in a salon is shown for so long. */
const LIVE_HOURS = 16;

/** Services that have begun and are not finished, newest first. */
export function liveServices(actor: Actor): Promise<LiveService[]> {
  return inSalon(actor.salonId, async (trx) => {
    const rows = await trx('service as s')
      .join('visit as v', 'v.id', 's.visit_id')
      .join('client as c', 'c.id', 'v.client_id')
      .whereNull('s.finished_at')
      .where('s.begun_at', '>', new Date(serverNow() - LIVE_HOURS * 3_600_000))
      .orderBy('s.begun_at', 'desc')
      .limit(50)
      .select<{ visit_id: string; name: string; person_id: string; begun_at: Date }[]>(
        's.visit_id',
        'c.name',
        'v.person_id',
        's.begun_at',
      );
    return rows.map(({ visit_id, name, person_id, begun_at }) => ({
      visitId: visit_id,
      clientName: name,
      personId: person_id,
      begunAt: begun_at.toISOString(),
    }));
  });
}

/** A finished service as it can be learnt from. */
export interface FinishedService {
  readonly visitId: string;
  readonly heldOn: string;
  readonly script: ServiceScript;
  readonly events: readonly TakenEvent[];
}

const MOST_LEARNT_FROM = 60;

/** The last services that were finished, newest first. */
export function finishedServices(actor: Actor): Promise<FinishedService[]> {
  return inSalon(actor.salonId, async (trx) => {
    const rows = await trx('service as s')
      .join('visit as v', 'v.id', 's.visit_id')
      .whereNotNull('s.finished_at')
      .orderBy('s.finished_at', 'desc')
      .limit(MOST_LEARNT_FROM)
      .select<{ visit_id: string; script: unknown; held_on: string }[]>(
        's.visit_id',
        's.script',
        'v.held_on',
      );
    const out: FinishedService[] = [];
    for (const { visit_id: visitId, script, held_on: heldOn } of rows)
      out.push({
        visitId,
        heldOn,
        script: stored('script', parseScript(script)),
        events: await eventsAfter(trx, visitId, 0),
      });
    return out;
  });
}
