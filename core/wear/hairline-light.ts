import type { Head, Vec3 } from '../head';
import { seenAt, type Light } from './light';
import type { Strands } from './strands';
import type { Surface } from './surface';

const { floor, hypot, max, min, PI } = Math;

/** A stretch of hairline with no light behind it, seen when the hair is tied back. */
export interface Unlit {
  readonly mm: number;
  /** Azimuths of its ends, degrees, −180…180, + the client's left. */
  readonly fromDeg: number;
  readonly toDeg: number;
}

export interface HairlineLight {
  /**
   * Light behind each step of the hairline, 0–1, from the nape over the client's right, the forehead and
   * their left.
   */
  readonly light: Float64Array;
  readonly azimuthDeg: readonly number[];
  readonly stepMm: number;
  /** A stretch with less light is unlit. */
  readonly limit: number;
  /** Stretches without light, longest first. */
  readonly unlit: readonly Unlit[];
}

/** The hairline is read in steps of so much, mm, over the first so much behind it. */
const STEP_MM = 2;
const BEHIND_MM = 25;
/** Light is averaged along so much of it. */
const SMOOTH_MM = 10;
/**
 * Below so much a stretch is unlit: on a head that is lit sparsely all round below half of that, down to what
 * shows no light at all.
 */
const UNLIT = { most: 0.1, ofMiddle: 0.5, least: 0.02 } as const;

/** Point of the hairline at an azimuth in degrees. */
export function pointOnHairline(head: Head, azimuthDeg: number): Vec3 {
  return head.hairlinePoint((azimuthDeg * PI) / 180);
}

/**
 * Which step of the hairline each visible stretch of hair lies by: made once for hair that is laid, and read
 * for every pattern.
 */
export interface HairlineMap {
  readonly azimuthDeg: readonly number[];
  /** By surface and stretch; −1 for hair that lies further than 25 mm from the hairline. */
  readonly near: readonly Int16Array[];
}

/** @param surfaces what is seen from all sides, tied back */
export function hairlineMap(head: Head, strands: Strands, surfaces: readonly Surface[]): HairlineMap {
  const line = hairlineSteps(head);
  const nearest = nearestHairline(line.xyz, strands);
  const near = surfaces.map(({ count, strand, along }) =>
    Int16Array.from({ length: count }, (_, i) =>
      nearest(strand[i], min(strands.used[strand[i]] - 1, floor(along[i] / strands.stepMm))),
    ),
  );
  return { azimuthDeg: line.azimuthDeg, near };
}

/** Light along the hairline as it is seen with the hair tied back. */
export function hairlineLight(
  { azimuthDeg, near }: HairlineMap,
  surfaces: readonly Surface[],
  light: Light,
): HairlineLight {
  const whole = new Float64Array(azimuthDeg.length);
  const lit = new Float64Array(azimuthDeg.length);
  surfaces.forEach(({ count, strand, along, weight }, s) => {
    const at = near[s];
    for (let i = 0; i < count; i += 1) {
      if (at[i] < 0) continue;
      whole[at[i]] += weight[i];
      lit[at[i]] += weight[i] * seenAt(light, strand[i], along[i]);
    }
  });
  const smoothed = smoothedRatio(lit, whole, Math.round(SMOOTH_MM / 2 / STEP_MM));
  const middle = [...smoothed].sort((a, b) => a - b)[smoothed.length >> 1];
  const limit = min(UNLIT.most, max(UNLIT.least, UNLIT.ofMiddle * middle));
  return {
    light: smoothed,
    azimuthDeg,
    stepMm: STEP_MM,
    limit,
    unlit: unlitStretches(smoothed, azimuthDeg, limit),
  };
}

/** Points of the hairline, evenly along it, once round from the nape. */
function hairlineSteps(head: Head): { xyz: [number, number, number][]; azimuthDeg: number[] } {
  const xyz: [number, number, number][] = [];
  const azimuthDeg: number[] = [];
  let last: Vec3 | undefined;
  for (let i = 0; i < 7200; i += 1) {
    const azimuth = -180 + (360 * i) / 7200;
    const point = pointOnHairline(head, azimuth);
    if (last && hypot(point.x - last.x, point.y - last.y, point.z - last.z) < STEP_MM) continue;
    last = point;
    xyz.push([point.x, point.y, point.z]);
    azimuthDeg.push(azimuth);
  }
  return { xyz, azimuthDeg };
}

const UNKNOWN = -2;

/**
 * For a point of a strand, the nearest point of the hairline within reach; −1 where there is none. Each point
 * is looked up once.
 */
function nearestHairline(
  line: readonly (readonly [number, number, number])[],
  strands: Strands,
): (strand: number, point: number) => number {
  const cell = (x: number, y: number, z: number) =>
    floor((x + 500) / BEHIND_MM) + 64 * floor((y + 500) / BEHIND_MM) + 4096 * floor((z + 500) / BEHIND_MM);
  // Points of the hairline by every cell from which they could be reached.
  const reach = new Map<number, Set<number>>();
  line.forEach(([x, y, z], n) => {
    for (let i = -1; i <= 1; i += 1) {
      for (let j = -1; j <= 1; j += 1) {
        for (let l = -1; l <= 1; l += 1) {
          const at = cell(x + i * BEHIND_MM, y + j * BEHIND_MM, z + l * BEHIND_MM);
          const own = reach.get(at);
          if (own) own.add(n);
          else reach.set(at, new Set([n]));
        }
      }
    }
  });
  const lists = new Map([...reach].map(([at, own]) => [at, [...own]]));
  const known = new Int16Array(strands.count * strands.points).fill(UNKNOWN);
  return (strand, point) => {
    const key = strands.points * strand + point;
    if (known[key] !== UNKNOWN) return known[key];
    const x = strands.xyz[3 * key];
    const y = strands.xyz[3 * key + 1];
    const z = strands.xyz[3 * key + 2];
    let best = BEHIND_MM ** 2;
    let at = -1;
    for (const n of lists.get(cell(x, y, z)) ?? []) {
      const [px, py, pz] = line[n];
      const off = (px - x) ** 2 + (py - y) ** 2 + (pz - z) ** 2;
      if (off < best) {
        best = off;
        at = n;
      }
    }
    known[key] = at;
    return at;
  };
}

function smoothedRatio(lit: Float64Array, whole: Float64Array, half: number): Float64Array {
  const n = lit.length;
  return Float64Array.from({ length: n }, (_, i) => {
    let [a, b] = [0, 0];
    for (let d = -half; d <= half; d += 1) {
      a += lit[(i + d + n) % n];
      b += whole[(i + d + n) % n];
    }
    return b > 0 ? a / b : 0;
  });
}

function unlitStretches(light: Float64Array, azimuthDeg: readonly number[], limit: number): Unlit[] {
  const n = light.length;
  const first = light.findIndex((value) => value >= limit);
  if (first < 0) return [{ mm: n * STEP_MM, fromDeg: -180, toDeg: 180 }];
  const out: Unlit[] = [];
  // Once round from a lit place, since a stretch may lie across the nape.
  for (let step = 0, run = 0; step <= n; step += 1) {
    const i = (first + step) % n;
    if (light[i] < limit && step < n) {
      run += 1;
      continue;
    }
    if (run > 0)
      out.push({
        mm: run * STEP_MM,
        fromDeg: azimuthDeg[(i - run + n) % n],
        toDeg: azimuthDeg[(i - 1 + n) % n],
      });
    run = 0;
  }
  return out.sort((a, b) => b.mm - a.mm);
}

/** Stretches without light within a range of azimuths, cut at its ends, longest first. */
export function unlitWithin(
  { unlit, light, azimuthDeg, stepMm, limit }: HairlineLight,
  fromDeg: number,
  toDeg: number,
): Unlit[] {
  if (unlit.length === 0) return [];
  const out: Unlit[] = [];
  let first = -1;
  for (let i = 0; i <= light.length; i += 1) {
    const dark = i < light.length && azimuthDeg[i] >= fromDeg && azimuthDeg[i] <= toDeg && light[i] < limit;
    if (dark && first < 0) first = i;
    if (dark || first < 0) continue;
    out.push({ mm: (i - first) * stepMm, fromDeg: azimuthDeg[first], toDeg: azimuthDeg[i - 1] });
    first = -1;
  }
  return out.sort((a, b) => b.mm - a.mm);
}

/** The hairline in the face, from temple to temple, degrees of azimuth to each side. */
export const FACE_DEG = 78;

/** Where a stretch of hairline lies, by the azimuth of its middle; the client's side. */
export function placeOf(fromDeg: number, toDeg: number): string {
  const middle = middleOf(fromDeg, toDeg);
  const off = Math.abs(middle);
  const side = middle >= 0 ? 'left' : 'right';
  if (off <= 12) return 'middle of the forehead';
  if (off <= 42) return `side of the forehead, ${side}`;
  if (off <= 80) return `temple, ${side}`;
  if (off <= 105) return `over the ear, ${side}`;
  if (off <= 142) return `behind the ear, ${side}`;
  return 'nape';
}

/** Middle of a stretch from one azimuth on to another, −180…180. */
export function middleOf(fromDeg: number, toDeg: number): number {
  return ((fromDeg + ((((toDeg - fromDeg) % 360) + 360) % 360) / 2 + 540) % 360) - 180;
}
