import { leastMinutesOf, type Recipe } from '../bowl';
import type { Zone } from '../head';
import {
  levelAfter,
  LIFT_FACTORS,
  onThisHead,
  readyAfter,
  warmthFactor,
  type HeadFactor,
  type LiftOf,
} from '../lift';
import type { PlanHair } from '../pattern';
import type { Warmth, ZoneHair } from '../visit';
import type { PlacedUnit, WorkUnit } from './unit';

/**
 * Which stretch of a strand: the length from the root, the ends with a mix of their own, or a band of earlier
 * colour.
 */
type Stretch = 'length' | 'ends' | 'band';

/**
 * How units of one letter lift that meet the same hair: when they are ready after they are first closed
 * (estimate; eight heads in ten lie between), and how far they come.
 */
export interface LiftRow {
  readonly letter: string;
  readonly stretch: Stretch;
  /** Level that it starts from, and the one that it is to reach. */
  readonly from: number;
  readonly target: number;
  /** Minutes; null where the target is not expected with this mix. */
  readonly ready: {
    readonly minutes: number;
    readonly soonest: number;
    readonly latest: number | null;
  } | null;
  /** Level at the maker's limit (estimate), with its spread. */
  readonly atLimit: { readonly level: number; readonly low: number; readonly high: number };
  /** Longest from the first closing on: the maker's limit, and what comes before a second application. */
  readonly limitMinutes: number;
  /** What it meets and is, with the head's own factor left out: it makes the curve. */
  readonly lift: LiftOf;
  /**
   * Oldest bowl that is painted in it, minutes, and when that is ready; null where it is then not expected
   * any more.
   */
  readonly oldestBowlMinutes: number;
  readonly readyFromOldest: number | null;
  /** Its units, indices into the list; their zones and panels. */
  readonly units: readonly number[];
  readonly zones: readonly Zone[];
  readonly panels: readonly string[];
}

/** What lifting goes by. */
export interface LiftFacts {
  readonly naturalLevel: number;
  readonly targetLevel: number;
  readonly map: Readonly<Partial<Record<Zone, ZoneHair>>>;
  readonly hair: PlanHair;
  readonly head: HeadFactor;
}

interface Draft {
  readonly letter: string;
  readonly stretch: Stretch;
  readonly from: number;
  readonly target: number;
  readonly lift: LiftOf;
  readonly limitMinutes: number;
  readonly warmth: Warmth | null;
  /** Colour that lifts, and lightener that its maker wants on for a time, are not done before. */
  readonly leastMinutes: number;
  readonly units: number[];
  readonly zones: Set<Zone>;
  readonly panels: Set<string>;
}

/** Foils and painted sections are painted again; what lies between them is not found again. */
export const isPaintedAgain = ({ kind }: Pick<PlacedUnit, 'kind'>): boolean =>
  kind === 'foil' || kind === 'open-air';

/** Whether hair lies in the open: product then takes less. */
const inTheOpen = ({ laidWith }: PlacedUnit) => laidWith !== 'foil';

/** Longest that the maker allows for a unit, minutes. */
export const limitOf = (unit: PlacedUnit, recipe: Recipe): number =>
  inTheOpen(unit) ? (recipe.openAirMinutes ?? recipe.limitMinutes) : recipe.limitMinutes;

/** A target is expected where it is reached within the maker's time. */
export const isExpected = ({ ready, limitMinutes }: Pick<LiftRow, 'ready' | 'limitMinutes'>): boolean =>
  ready !== null && ready.minutes <= limitMinutes;

/**
 * How the units lift, those together that are alike in all that counts.
 * @param ages age of the oldest bowl that each unit is painted from, minutes
 * @returns the rows, and for each unit the rows of its stretches
 */
export function liftRows(
  units: readonly PlacedUnit[],
  ages: ArrayLike<number>,
  recipeOf: (letter: string) => Recipe,
  facts: LiftFacts,
): { readonly rows: LiftRow[]; readonly of: number[][] } {
  const drafts = new Map<string, { draft: Draft; at: number; oldest: number }>();
  const of = units.map((unit, i) =>
    stretchesOf(unit, recipeOf(unit.letter), facts).map((stretch) => {
      const key = `${stretch.letter} ${stretch.stretch} ${stretch.from} ${stretch.target} ${stretch.lift.volumes} ${stretch.lift.factor} ${stretch.limitMinutes}`;
      let known = drafts.get(key);
      if (!known) {
        known = { draft: stretch, at: drafts.size, oldest: 0 };
        drafts.set(key, known);
      }
      known.draft.units.push(i);
      known.draft.zones.add(unit.zone);
      known.draft.panels.add(unit.panel);
      known.oldest = Math.max(known.oldest, ages[i]);
      return known.at;
    }),
  );
  return { rows: [...drafts.values()].map(({ draft, oldest }) => rowOf(draft, oldest, facts.head)), of };
}

function stretchesOf(
  unit: PlacedUnit,
  recipe: Recipe,
  { naturalLevel, targetLevel, map, hair }: LiftFacts,
): Draft[] {
  if (!recipe.lifts || unit.reachMm[1] <= unit.reachMm[0]) return [];
  const seen = map[unit.zone];
  const natural = seen?.naturalLevel ?? naturalLevel;
  const tips = unit.kind === 'tip-out';
  const strand = hair.byZone[unit.zone]?.strand ?? hair.strand;
  const factor =
    LIFT_FACTORS.strand[strand] * (inTheOpen(unit) ? LIFT_FACTORS.openAir : 1) * (recipe.product ?? 1);
  const second = isPaintedAgain(unit) ? recipe.second : null;
  const of = (stretch: Stretch, from: number, volumes: number, more = 1): Draft => ({
    letter: unit.letter,
    stretch,
    from,
    target: recipe.target ?? targetLevel,
    limitMinutes: limitOf(unit, recipe) + (second?.afterMinutes ?? 0),
    warmth: recipe.warmth ?? null,
    leastMinutes: leastMinutesOf(recipe),
    lift: {
      volumes,
      factor: factor * more,
      most: recipe.most,
      ...(second && { second: { afterMinutes: second.afterMinutes, volumes: second.volumes } }),
    },
    units: [],
    zones: new Set(),
    panels: new Set(),
  });
  const lightened = seen?.endsLevel !== undefined && seen.endsLevel > natural ? LIFT_FACTORS.lightened : 1;
  const band = seen?.band;
  return [
    tips
      ? of('length', seen?.endsLevel ?? natural, recipe.volumes, lightened)
      : of('length', natural, recipe.volumes),
    ...(band && !tips && band.toMm > unit.reachMm[0] && band.fromMm < unit.reachMm[1] - unit.endsMm
      ? [of('band', band.level, recipe.volumes, LIFT_FACTORS.band)]
      : []),
    // Colour on the ends refreshes them: it lifts nothing there. Of ends that nobody looked at nothing is
    // promised.
    ...(unit.endsMm > 0 && recipe.ends && recipe.minutes == null && seen?.endsLevel !== undefined
      ? [of('ends', seen.endsLevel, recipe.ends.volumes, lightened)]
      : []),
  ];
}

function rowOf(
  { units, zones, panels, leastMinutes, warmth, ...draft }: Draft,
  oldest: number,
  head: HeadFactor,
): LiftRow {
  const own = warmth
    ? { ...draft, lift: { ...draft.lift, warmth: warmthOf(draft, warmth, head.factor) } }
    : draft;
  const { from, target, lift, limitMinutes } = own;
  const ready = (factor: number, bowlAgeMinutes = 0) => {
    const minutes = readyAfter(from, target, { ...onThisHead(lift, factor), bowlAgeMinutes });
    return minutes === null ? null : Math.max(minutes, leastMinutes);
  };
  const usual = ready(head.factor);
  const level = (factor: number) => levelAfter(from, onThisHead(lift, factor), limitMinutes);
  return {
    ...own,
    // A fresh mix that is not expected to get there is not saved by a head that takes it better.
    ready: usual === null ? null : { minutes: usual, soonest: ready(head.high)!, latest: ready(head.low) },
    atLimit: { level: level(head.factor), low: level(head.low), high: level(head.high) },
    oldestBowlMinutes: oldest,
    readyFromOldest: ready(head.factor, oldest),
    units,
    zones: [...zones],
    panels: [...panels],
  };
}

/**
 * From which minute on warmth is added, so that its last minutes are those before the hair is ready, or
 * before the limit.
 */
function warmthOf(
  { from, target, lift, limitMinutes }: Pick<Draft, 'from' | 'target' | 'lift' | 'limitMinutes'>,
  { celsius, lastMinutes }: Warmth,
  head: number,
): NonNullable<LiftOf['warmth']> {
  const factor = warmthFactor(celsius);
  if (lastMinutes === null) return { factor, fromMinutes: 0 };
  const cold = readyAfter(from, target, onThisHead(lift, head)) ?? Infinity;
  // Less is left to do by what the warm minutes do more.
  const until = cold <= factor * lastMinutes ? cold / factor : cold - (factor - 1) * lastMinutes;
  return { factor, fromMinutes: Math.max(0, Math.min(until, limitMinutes) - lastMinutes) };
}

/**
 * When a unit is ready, from the rows of its stretches: the slowest of them. What deposits is ready when its
 * time is over.
 */
export function readyOf(
  rows: readonly LiftRow[],
  recipe: Recipe,
  limitMinutes: number,
): Pick<WorkUnit, 'ready' | 'expected'> {
  if (rows.length === 0) {
    const minutes = Math.min(recipe.minutes ?? 0, limitMinutes);
    return { ready: { minutes, soonest: minutes, latest: minutes }, expected: true };
  }
  // Rows count from the first closing on.
  const before = rows[0].lift.second?.afterMinutes ?? 0;
  const since = (minutes: number) => Math.max(0, minutes - before);
  const expected = rows.every(isExpected);
  if (!expected)
    return {
      ready: {
        minutes: limitMinutes,
        soonest: Math.min(
          limitMinutes,
          Math.max(...rows.map(({ ready, limitMinutes: value }) => since(ready?.soonest ?? value))),
        ),
        latest: null,
      },
      expected,
    };
  const latest = rows.map(({ ready }) => ready!.latest);
  return {
    expected,
    ready: {
      minutes: since(Math.max(...rows.map(({ ready }) => ready!.minutes))),
      soonest: since(Math.max(...rows.map(({ ready }) => ready!.soonest))),
      latest: latest.some((value) => value === null)
        ? null
        : since(Math.max(...latest.map((value) => value!))),
    },
  };
}

/** Minutes and level of a curve, with its spread. */
export interface LiftPoint {
  readonly minutes: number;
  readonly level: number;
  readonly low: number;
  readonly high: number;
}

/** Lift over time (estimate), from the moment that a foil is closed. */
export function curveOf(
  { from, lift }: Pick<LiftRow, 'from' | 'lift'>,
  head: HeadFactor,
  untilMinutes: number,
  stepMinutes = 1,
): LiftPoint[] {
  const at = (factor: number, minutes: number) => levelAfter(from, onThisHead(lift, factor), minutes);
  return Array.from({ length: Math.floor(untilMinutes / stepMinutes) + 1 }, (_, i) => {
    const minutes = i * stepMinutes;
    return {
      minutes,
      level: at(head.factor, minutes),
      low: at(head.low, minutes),
      high: at(head.high, minutes),
    };
  });
}
