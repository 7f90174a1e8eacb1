import type { Head, Roots } from '../head';
import { seenAt, type Light } from './light';
import type { Strands } from './strands';
import type { Surface } from './surface';

const { abs, ceil, floor, max, min, round } = Math;

/** Hair that grows within so much of the hairline or the part is looked at, in windows of so much, mm. */
const NEAR_MM = 30;
const WINDOW_MM = 30;
/** The share that is light before and after a place is taken over so much, mm. */
const STEP_OVER_MM = 6;
/** A step counts fully from so far off the scalp on. */
const FULL_MM = 40;
/** From here on the line is seen. Ordinal, not a promise. */
export const LINE_SEEN = 0.28;
/** Levels between base and light that a step is judged by as it is; twice the contrast is seen twice as hard. */
const USUAL_CONTRAST = 3;
/** How far out steps are looked for, and how far growth is followed, mm. */
const REACH_MM = 220;

/** Shares of light by distance from the root, window by window. */
export interface RootWindows {
  /** By window: weighted share at every mm from the scalp of the day of the service. */
  readonly shares: readonly Float64Array[];
}

/** Which window each root belongs to, −1 for hair further off; and how much of it is seen. Made once for hair that is laid. */
export interface RootMap {
  readonly window: Int32Array;
  readonly seen: Float32Array;
  readonly windows: number;
}

/** @param partMm the part, or null where hair is worn without one */
export function rootMap(head: Head, roots: Roots, surfaces: readonly Surface[], partMm: number | null): RootMap {
  const { count, opened, xyz } = roots;
  const seen = new Float32Array(count);
  for (const { count: n, strand, weight } of surfaces) for (let i = 0; i < n; i += 1) seen[strand[i]] += weight[i];
  const window = new Int32Array(count).fill(-1);
  const numbers = new Map<string, number>();
  for (let i = 0; i < count; i += 1) {
    const [x, y] = [opened[2 * i], opened[2 * i + 1]];
    const arc = Math.hypot(x, y);
    const azimuth = Math.atan2(x, y);
    const hairArc = head.hairArc(azimuth);
    let key: string | undefined;
    // Down the meridian is further than the nearest way; enough to say which hair lies at the edge.
    if (hairArc - arc <= NEAR_MM) key = `hairline ${floor((azimuth * hairArc) / WINDOW_MM)}`;
    else if (partMm !== null && xyz[3 * i + 2] > head.crown.z && xyz[3 * i + 1] > 0 && abs(xyz[3 * i] - partMm) <= NEAR_MM) {
      key = `part ${xyz[3 * i] >= partMm ? 'left' : 'right'} ${floor(xyz[3 * i + 2] / WINDOW_MM)}`;
    }
    if (key === undefined) continue;
    if (!numbers.has(key)) numbers.set(key, numbers.size);
    window[i] = numbers.get(key)!;
  }
  return { window, seen, windows: numbers.size };
}

/** Light by distance from the root on the day of the service; it moves out as a whole with growth. */
export function rootWindows({ window, seen, windows }: RootMap, { points, used, stepMm }: Pick<Strands, 'points' | 'used' | 'stepMm'>, light: Light): RootWindows {
  const reach = min(REACH_MM, points * stepMm);
  const cells = ceil(reach) + 1;
  const lit = Array.from({ length: windows }, () => new Float64Array(cells));
  const whole = Array.from({ length: windows }, () => new Float64Array(cells));
  const day = light.grownMm;
  for (let i = 0; i < window.length; i += 1) {
    if (window[i] < 0 || seen[i] === 0) continue;
    const length = used[i] * stepMm;
    for (let d = 0; d < cells && d <= length; d += 1) {
      whole[window[i]][d] += seen[i];
      lit[window[i]][d] += seen[i] * seenAt(light, i, d + day);
    }
  }
  return { shares: lit.map((own, w) => own.map((value, d) => (whole[w][d] > 0 ? value / whole[w][d] : 0))) };
}

/** How hard the line at the root is after so much growth, 0–1: three quarters of the windows are softer. */
export function rootLineAt({ shares }: RootWindows, grownMm: number, contrast: number = USUAL_CONTRAST): number {
  const scores = shares.map((share) => {
    let most = 0;
    for (let d = 0; d + STEP_OVER_MM < share.length; d += 1) {
      let after = 0;
      let before = 0;
      for (let i = 0; i < STEP_OVER_MM; i += 1) {
        after += share[d + i];
        before += d - 1 - i >= 0 ? share[d - 1 - i] : 0;
      }
      // At the scalp itself there is nothing before; what grows is dark.
      most = max(most, (contrast / USUAL_CONTRAST) * ((after - before) / STEP_OVER_MM) * min(1, (d + grownMm) / FULL_MM));
    }
    return most;
  });
  if (scores.length === 0) return 0;
  scores.sort((a, b) => a - b);
  return scores[min(scores.length - 1, floor(0.75 * scores.length))];
}

/**
 * Weeks until the line is seen, counted from the day of the service, to a tenth; null where it is not within two years.
 * @param contrast levels between base and light
 */
export function weeksToLine(windows: RootWindows, mmPerWeek: number, contrast: number = USUAL_CONTRAST): number | null {
  const most = 104 * mmPerWeek;
  if (rootLineAt(windows, most, contrast) < LINE_SEEN) return null;
  // The score grows with growth alone, since steps only move out.
  let [low, high] = [0, most];
  if (rootLineAt(windows, 0, contrast) >= LINE_SEEN) return 0;
  while (high - low > 0.05 * mmPerWeek) {
    const middle = (low + high) / 2;
    if (rootLineAt(windows, middle, contrast) >= LINE_SEEN) high = middle;
    else low = middle;
  }
  return round((high / mmPerWeek) * 10) / 10;
}

/**
 * How hard the line of an earlier service is where it has grown to, 0–1.
 * @param fromMm, toMm where it is looked for, mm from the scalp
 */
export function stepBetween({ shares }: RootWindows, fromMm: number, toMm: number): number {
  const scores = shares.map((share) => {
    let most = 0;
    for (let d = max(STEP_OVER_MM, floor(fromMm)); d + STEP_OVER_MM < share.length && d <= toMm; d += 1) {
      let step = 0;
      for (let i = 0; i < STEP_OVER_MM; i += 1) step += share[d + i] - share[d - 1 - i];
      most = max(most, step / STEP_OVER_MM);
    }
    return most;
  });
  if (scores.length === 0) return 0;
  scores.sort((a, b) => a - b);
  return scores[min(scores.length - 1, floor(0.75 * scores.length))];
}
