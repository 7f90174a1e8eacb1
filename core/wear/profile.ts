import { ZONES } from '../head';
import { lightnessOf } from '../lift';
import { lengths } from './cut';
import { lightnessAt, type Layer, type Light } from './light';
import { naturalLightness } from './shade';
import type { WearSubject } from './subject';
import type { HairRoots } from './worn';

const { abs, ceil, floor, max, min } = Math;

type Roots = HairRoots['index']['roots'];

/** Steps along a strand, and how far out lines are looked for, mm. */
const STEP_MM = 2;
const REACH_MM = 240;
/** Light and dark are compared over so much before and after a place, mm. */
export const OVER_MM = 6;
/** Starts of a zone that lie further on than this from the first are not its root line: tips, ends. mm */
const ONE_START_MM = 90;

/** Lightness of a zone by distance from the scalp. */
export interface Profile {
  /** By step, mean over the hair that is so long. */
  readonly mean: Float64Array;
  /** Of what grows. */
  readonly natural: number;
  /** Steps that most of the hair of the zone reaches. */
  readonly cells: number;
  readonly roots: number;
}

/** Lightness along the hair of every zone. @param reachMm by zone, furthest place that is looked at, mm */
export function profilesOf(
  { plan, colour, cut }: WearSubject,
  { head, roots }: Pick<HairRoots, 'head' | 'roots'>,
  light: Light,
  reachMm: readonly number[],
): Profile[] {
  const most = reachMm.map((mm) => ceil((min(REACH_MM, mm) + 3 * OVER_MM) / STEP_MM));
  const lengthOf = lengths(plan, roots, head, cut);
  const sum = most.map((cells) => new Float64Array(cells));
  const many = most.map((cells) => new Float64Array(cells));
  for (let i = 0; i < roots.count; i += 1) {
    const zone = roots.zone[i];
    const reach = min(most[zone], floor(lengthOf(i) / STEP_MM));
    for (let c = 0; c < reach; c += 1) {
      sum[zone][c] += lightnessAt(light, i, (c + 0.5) * STEP_MM);
      many[zone][c] += 1;
    }
  }
  return ZONES.map((zone, z) => {
    const whole = many[z][0];
    const known = many[z].findIndex((value) => value < whole / 2);
    return {
      mean: sum[z].map((value, c) => value / max(1, many[z][c])),
      natural: naturalLightness(colour, zone),
      cells: whole === 0 ? 0 : known < 0 ? most[z] : known,
      roots: whole,
    };
  });
}

/** Where the light of a zone begins: the first stretch of starts, tips and ends left out. */
export interface Starts {
  readonly fromMm: number;
  readonly toMm: number;
  /** Lightness that it comes to, mean. */
  readonly lightness: number;
  readonly roots: number;
}

/** Where a layer of light begins, by zone; null where it does not. */
export function startsOf({ fromMm, overMm, level }: Layer, roots: Roots): (Starts | null)[] {
  const found = ZONES.map((): number[] => []);
  for (let i = 0; i < roots.count; i += 1) if (fromMm[i] < REACH_MM) found[roots.zone[i]].push(i);
  return found.map((values) => {
    if (values.length === 0) return null;
    const sorted = values.sort((a, b) => fromMm[a] - fromMm[b]);
    const first = at(
      sorted.map((i) => fromMm[i]),
      0.05,
    );
    const near = sorted.filter((i) => fromMm[i] <= first + ONE_START_MM);
    const last = at(
      near.map((i) => fromMm[i]),
      0.95,
    );
    const end = at(
      near.map((i) => fromMm[i] + overMm[i]).sort((a, b) => a - b),
      0.95,
    );
    // Nine tenths of the starts are looked at; the rest lie as far on either side as is left.
    const rest = (last - first) / 18;
    return {
      fromMm: max(0, first - rest),
      toMm: end + rest,
      lightness: near.reduce((sum, i) => sum + lightnessOf(level[i]), 0) / near.length,
      roots: near.length,
    };
  });
}

const at = (sorted: readonly number[], share: number) => sorted[floor(share * sorted.length)];

/** How light changes over a stretch. */
export interface Change {
  /** Lightness after less before, OKLab. */
  readonly step: number;
  /** Where it begins, and over how much it goes, mm. */
  readonly fromMm: number;
  readonly extentMm: number;
  /** Length of a ramp as steep as it is at its steepest, mm. */
  readonly rampMm: number;
}

/**
 * How the lightness of a zone changes from before a stretch to after it, where it begins to, and over how
 * much.
 */
export function changeIn({ mean, natural, cells }: Profile, fromMm: number, toMm: number): Change {
  // Before the scalp is what will have grown.
  const over = (from: number, to: number) => {
    let sum = 0;
    let steps = 0;
    for (let c = floor(from / STEP_MM); c < to / STEP_MM; c += 1, steps += 1)
      sum += c < 0 ? natural : mean[min(cells - 1, c)];
    return steps === 0 ? natural : sum / steps;
  };
  const [first, last] = [fromMm - 1.5 * STEP_MM, toMm + 1.5 * STEP_MM];
  const step = over(last, last + OVER_MM) - over(first - OVER_MM, first);
  const signed = step < 0 ? -1 : 1;
  let steepest = 0;
  // The longer it is, the further apart it is compared: a few hairs are no step.
  const apart = max(OVER_MM, (toMm - fromMm) / 3);
  for (let mm = first; mm <= last; mm += STEP_MM)
    steepest = max(steepest, signed * (over(mm, mm + apart) - over(mm - apart, mm)));
  return {
    step,
    fromMm,
    extentMm: toMm - fromMm,
    rampMm: max(OVER_MM, steepest > 0 ? (apart * abs(step)) / steepest : OVER_MM),
  };
}
