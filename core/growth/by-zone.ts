import { ZONES, type Zone } from '../head';
import { regrowthAfter, type GrowthInterval, type GrowthRate, type Regrowth } from './regrowth';

/**
 * A zone that was taken to the root: what was left between scalp and light, mm, and whether a ruler said so.
 */
interface ZoneTaken {
  readonly leftMm: number;
  readonly measured: boolean;
}

/**
 * What a visit did to the regrowth: by zone, a zone that is missing was not touched. `unknown` is a record
 * from before zones
 * were kept: everything counts as taken to the root. `open` is a visit that is not recorded yet.
 */
type Taken = Readonly<Partial<Record<Zone, ZoneTaken>>> | 'unknown' | 'open';

/** What growth rests on of one visit. */
export interface GrowthVisit {
  /** YYYY-MM-DD */
  readonly on: string;
  /** Regrowth found, by zone, mm; a zone that was not measured is left out. */
  readonly regrowthMm: Readonly<Partial<Record<Zone, number>>>;
  readonly taken: Taken;
}

/** Weeks from one day to another. @param from YYYY-MM-DD @param to YYYY-MM-DD */
export const weeksBetween = (from: string, to: string): number =>
  (Date.parse(to) - Date.parse(from)) / 86_400_000 / 7;

const TO_THE_ROOT: ZoneTaken = { leftMm: 0, measured: false };

function takenIn(taken: Taken, zone: Zone): ZoneTaken | undefined {
  if (taken === 'open') return undefined;
  return taken === 'unknown' ? TO_THE_ROOT : taken[zone];
}

const oldestFirst = (visits: readonly GrowthVisit[]) => [...visits].sort((a, b) => a.on.localeCompare(b.on));

/**
 * Growth between visits: for each zone measured at a visit, what has grown since the visit that took it to
 * the root last.
 * Zones of one head measured on one day over the same weeks are one reading, their middle: they grow
 * together.
 * Intervals under a week say nothing.
 */
export function growthIntervals(visits: readonly GrowthVisit[]): GrowthInterval[] {
  const ordered = oldestFirst(visits);
  const out: GrowthInterval[] = [];
  ordered.forEach(({ on, regrowthMm }, k) => {
    const since = new Map<string, { grown: number[]; both: boolean }>();
    for (const zone of ZONES) {
      const measured = regrowthMm[zone];
      if (measured === undefined) continue;
      const before = ordered.slice(0, k).findLast(({ taken }) => takenIn(taken, zone) !== undefined);
      if (!before || weeksBetween(before.on, on) < 1) continue;
      const { leftMm, measured: both } = takenIn(before.taken, zone)!;
      const own = since.get(before.on) ?? { grown: [], both };
      own.grown.push(Math.max(0, measured - leftMm));
      since.set(before.on, { ...own, both: own.both && both });
    }
    for (const [from, { grown, both }] of since)
      out.push({ weeks: weeksBetween(from, on), grownMm: middle(grown), bothMeasured: both });
  });
  return out;
}

function middle(all: readonly number[]): number {
  const sorted = [...all].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
}

/** Regrowth of a zone on a day, with what it rests on. */
export interface ZoneRegrowth extends Regrowth {
  /** Day of what it is reckoned from, and what that was: a measured length, or light down to the root. */
  readonly since: string;
  readonly from: 'measured' | 'taken';
  /** Day on which it was last taken to the root; null when that is not on record. */
  readonly takenOn: string | null;
}

/**
 * Regrowth by zone on a day: what was measured or left last, grown on at the client's own rate. A zone that
 * was never lightened
 * nor measured has none. Visits after the day are not looked at.
 * @param on YYYY-MM-DD
 */
export function regrowthByZone(
  visits: readonly GrowthVisit[],
  rate: GrowthRate,
  on: string,
): Partial<Record<Zone, ZoneRegrowth>> {
  const out: Partial<Record<Zone, ZoneRegrowth>> = {};
  for (const zone of ZONES) {
    let last: { on: string; mm: number; from: 'measured' | 'taken' } | undefined;
    let takenOn: string | null = null;
    for (const visit of oldestFirst(visits)) {
      if (visit.on > on) break;
      const measured = visit.regrowthMm[zone];
      const taken = takenIn(visit.taken, zone);
      if (measured !== undefined) last = { on: visit.on, mm: measured, from: 'measured' };
      if (!taken) continue;
      last = { on: visit.on, mm: taken.leftMm, from: 'taken' };
      takenOn = visit.on;
    }
    if (last)
      out[zone] = {
        ...regrowthAfter(weeksBetween(last.on, on), rate, last.mm),
        since: last.on,
        from: last.from,
        takenOn,
      };
  }
  return out;
}
