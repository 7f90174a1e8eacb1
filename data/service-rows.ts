import {
  NOTHING_USED,
  serviceState,
  usedOf,
  type EventBody,
  type ServiceEvent,
  type ServiceScript,
  type ServiceState,
  type UsedMix,
} from '../core/chair';
import { parseEventBody, parseScript } from '../core/formats';
import type { Actor, Transaction } from './database';
import { stored } from './documents';
import { serverNow } from './now';
import { announce } from './signals';

/** An event with its place in the order in which the server took them. */
export interface TakenEvent extends ServiceEvent {
  readonly position: number;
}

/** The script that a visit's service was frozen with; undefined before. */
export async function keptScript(trx: Transaction, visitId: string): Promise<ServiceScript | undefined> {
  const kept = await trx('service').where({ visit_id: visitId }).select('script').first();
  return kept && stored('script', parseScript(kept.script));
}

interface EventRow {
  position: number;
  id: string;
  device: string;
  at: Date;
  body: unknown;
  name: string;
}

/** Events that were taken after a position, or those of some ids, in that order. */
export async function eventsAfter(
  trx: Transaction,
  visitId: string,
  position: number,
  ids?: readonly string[],
): Promise<TakenEvent[]> {
  const rows = await trx('service_event as e')
    .join('person as p', 'p.id', 'e.person_id')
    .where('e.visit_id', visitId)
    .where('e.position', '>', position)
    .orderBy('e.position')
    .modify((queryBuilder) => void (ids && queryBuilder.whereIn('e.id', [...ids])))
    .select<EventRow[]>('e.position', 'e.id', 'e.device', 'e.at', 'e.body', 'p.name');
  return rows.map(({ position: value, id, device, at, body, name }) => ({
    position: value,
    id,
    device,
    at: at.getTime(),
    by: name,
    body: stored('event', parseEventBody(body)),
  }));
}

/** A service that runs, as it stands. */
export interface RunningService {
  readonly state: ServiceState;
  readonly lastPosition: number;
}

/**
 * The service of a visit; undefined where none was begun, or it is over.
 * @param locked its row is locked for writing
 */
export async function runningService(
  trx: Transaction,
  visitId: string,
  { locked = false } = {},
): Promise<RunningService | undefined> {
  const running = trx('service').where({ visit_id: visitId }).whereNull('finished_at');
  const row = await (locked ? running.forUpdate() : running).select('script', 'last_position').first();
  if (!row) return undefined;
  const state = serviceState(stored('script', parseScript(row.script)), await eventsAfter(trx, visitId, 0));
  return { state, lastPosition: row.last_position };
}

/** What of a visit's mix was used at its service. */
export async function usedIn(trx: Transaction, visitId: string): Promise<UsedMix> {
  const service = await runningService(trx, visitId);
  return service ? usedOf(service.state) : NOTHING_USED;
}

/** A moment by the clock of a device. */
interface DeviceMoment {
  readonly device: string;
  readonly deviceNow: number;
}

/** No device's clock is believed for a longer while than this, ms. */
const LONGEST_GAP_MS = 6 * 3_600_000;

/**
 * The time of a service, ms since 1970: the server's, and as much more as its clock was ever put back while
 * the service ran.
 * Nothing that happens later is earlier, and what lies between two events stays. Where the clock was put back
 * since the last
 * event, how long ago that was is asked of the device that made it.
 * @param writing the service's row is locked: what is found out of the clock is kept
 */
export async function serviceNow(
  trx: Transaction,
  visitId: string,
  moment?: DeviceMoment,
  { writing = false } = {},
): Promise<number> {
  const last = await trx('service as s')
    .leftJoin('service_event as e', 'e.visit_id', 's.visit_id')
    .where('s.visit_id', visitId)
    .orderByRaw('e.at desc nulls last, e.position desc')
    .select<{ ahead: number; at: Date | null; made_at: Date; device: string }[]>(
      's.clock_ahead_ms as ahead',
      'e.at',
      'e.made_at',
      'e.device',
    )
    .first();
  const ahead = last?.ahead ?? 0;
  const now = serverNow() + ahead;
  if (!last?.at || now >= last.at.getTime()) return now;
  const gap = last.device === moment?.device ? moment.deviceNow - last.made_at.getTime() : 0;
  const mended = last.at.getTime() + (gap > 0 && gap < LONGEST_GAP_MS ? gap : 0);
  if (writing)
    await trx('service')
      .where({ visit_id: visitId })
      .update({ clock_ahead_ms: ahead + mended - now });
  return mended;
}

/** An event as it is written. Moments are milliseconds since 1970. */
interface FreshEvent {
  readonly id: string;
  readonly device: string;
  readonly at: number;
  /** By the clock of the device. */
  readonly madeAt: number;
  readonly body: EventBody;
}

/** Writes events after the last one of a service, whose row is locked, and tells everybody who listens. */
export async function putEvents({
  trx,
  actor,
  visitId,
  lastPosition,
  events,
  beforeTold,
}: {
  readonly trx: Transaction;
  readonly actor: Actor;
  readonly visitId: string;
  readonly lastPosition: number;
  readonly events: readonly FreshEvent[];
  readonly beforeTold?: () => Promise<void>;
}): Promise<void> {
  const position = lastPosition + events.length;
  await trx('service_event').insert(
    events.map(({ id, device, at, madeAt, body }, i) => ({
      salon_id: actor.salonId,
      visit_id: visitId,
      position: lastPosition + 1 + i,
      id,
      device,
      at: new Date(at),
      made_at: new Date(madeAt),
      person_id: actor.personId,
      body: JSON.stringify(body),
    })),
  );
  await trx('service').where({ visit_id: visitId }).update({ last_position: position });
  await beforeTold?.();
  await announce(trx, { topic: 'service', id: visitId, position });
}
