import type { Head } from '../head';
import { lightAt, type Light } from './light';
import type { Strands } from './strands';
import type { Surface } from './surface';

const { floor, hypot, min, PI } = Math;

/** Share of what is seen that is light, 0–1; 0 where nothing is seen. @param within which pixels count; all where none is given */
export function brightnessOf(surface: Surface, light: Light, within?: (pixel: number) => boolean): number {
  let whole = 0;
  let lit = 0;
  for (let i = 0; i < surface.count; i += 1) {
    if (within && !within(surface.pixel[i])) continue;
    whole += surface.weight[i];
    lit += surface.weight[i] * lightAt(light, surface.strand[i], surface.along[i]);
  }
  return whole > 0 ? lit / whole : 0;
}

/** A stretch of hairline with no light behind it, seen when the hair is tied back. */
export interface Unlit {
  readonly mm: number;
  /** Azimuths of its ends, degrees, −180…180, + the client's left. */
  readonly fromDeg: number;
  readonly toDeg: number;
}

export interface HairlineLight {
  /** Light behind each step of the hairline, 0–1, from the nape over the client's right, the forehead and her left. */
  readonly light: Float64Array;
  readonly stepMm: number;
  readonly longest: Unlit;
}

/** The hairline is read in steps of so much, mm, over the first so much behind it. */
const STEP_MM = 2;
const BEHIND_MM = 25;
/** Light is averaged along so much of it; below so much a stretch is unlit. */
const SMOOTH_MM = 10;
const UNLIT = 0.1;

/**
 * Light along the hairline as it is seen with the hair tied back.
 * @param surfaces what is seen from all sides, tied back
 */
export function hairlineLight(head: Head, strands: Strands, surfaces: readonly Surface[], light: Light): HairlineLight {
  const line = hairlinePoints(head);
  const nearest = nearestHairline(line.xyz, strands);
  const whole = new Float64Array(line.xyz.length);
  const lit = new Float64Array(line.xyz.length);
  for (const surface of surfaces) {
    for (let i = 0; i < surface.count; i += 1) {
      const strand = surface.strand[i];
      const near = nearest(strand, min(strands.used[strand] - 1, floor(surface.along[i] / strands.stepMm)));
      if (near < 0) continue;
      whole[near] += surface.weight[i];
      lit[near] += surface.weight[i] * lightAt(light, strand, surface.along[i]);
    }
  }
  const smoothed = smoothedRatio(lit, whole, Math.round(SMOOTH_MM / 2 / STEP_MM));
  return { light: smoothed, stepMm: STEP_MM, longest: longestUnlit(smoothed, line.azimuthDeg) };
}

/** Points of the hairline, evenly along it, once round from the nape. */
function hairlinePoints(head: Head): { xyz: [number, number, number][]; azimuthDeg: number[] } {
  const xyz: [number, number, number][] = [];
  const azimuthDeg: number[] = [];
  let last: { x: number; y: number; z: number } | undefined;
  for (let i = 0; i < 7200; i += 1) {
    const azimuth = -PI + (2 * PI * i) / 7200;
    const point = head.hairlinePoint(azimuth);
    if (last && hypot(point.x - last.x, point.y - last.y, point.z - last.z) < STEP_MM) continue;
    last = point;
    xyz.push([point.x, point.y, point.z]);
    azimuthDeg.push((azimuth * 180) / PI);
  }
  return { xyz, azimuthDeg };
}

const UNKNOWN = -2;

/** For a point of a strand, the nearest point of the hairline within reach; −1 where there is none. Each point is looked up once. */
function nearestHairline(line: readonly (readonly [number, number, number])[], strands: Strands): (strand: number, point: number) => number {
  const cell = (x: number, y: number, z: number) => floor((x + 500) / BEHIND_MM) + 64 * floor((y + 500) / BEHIND_MM) + 4096 * floor((z + 500) / BEHIND_MM);
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
  const known = new Int16Array(strands.count * strands.points).fill(UNKNOWN);
  return (strand, point) => {
    const key = strands.points * strand + point;
    if (known[key] !== UNKNOWN) return known[key];
    const x = strands.xyz[3 * key];
    const y = strands.xyz[3 * key + 1];
    const z = strands.xyz[3 * key + 2];
    let best = BEHIND_MM;
    let at = -1;
    for (const n of reach.get(cell(x, y, z)) ?? []) {
      const off = hypot(line[n][0] - x, line[n][1] - y, line[n][2] - z);
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

function longestUnlit(light: Float64Array, azimuthDeg: readonly number[]): Unlit {
  const n = light.length;
  let best = { start: 0, run: 0 };
  // Twice round, since a stretch may lie across the nape.
  for (let i = 0, run = 0; i < 2 * n; i += 1) {
    run = light[i % n] < UNLIT ? min(n, run + 1) : 0;
    if (run > best.run) best = { start: i - run + 1, run };
  }
  return { mm: best.run * STEP_MM, fromDeg: azimuthDeg[best.start % n], toDeg: azimuthDeg[(best.start + Math.max(0, best.run - 1)) % n] };
}
