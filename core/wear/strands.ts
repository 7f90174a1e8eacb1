import type { Head, Roots } from '../head';
import { noiseOf, seedAt } from './noise';
import { shellOf } from './shell';
import { STEP_MM, walkOf, type Walker } from './walks';
import type { Curl, Way } from './ways';

const { abs, ceil, cos, exp, floor, max, min, round: nearest, sin, sqrt, PI } = Math;

/** The hair as it lies: one line per root, walked over the head in even steps. */
export interface Strands {
  readonly count: number;
  /** Points of a strand, the root among them. */
  readonly points: number;
  /** mm of hair between points. */
  readonly stepMm: number;
  /** Length of a wave of the hair, mm; 0 where it is straight. */
  readonly waveMm: number;
  /** Packed xyz of all points, strand after strand, mm. */
  readonly xyz: Float32Array;
  /** Number of points that each strand has; the rest of its places are unused. */
  readonly used: Uint16Array;
  /** A strand's own seed, its mirror image's alike. */
  readonly seed: Int32Array;
}

/** Hair ends this much shorter, at random, than its length. */
const RAGGED = 0.14;

/** Layer height above the scalp, by the distance that hair has travelled: what came further lies on top. Working assumptions. */
const LAYER = { full: 16, over: 70, strand: 3.2, clump: 1.6, rise: 22, least: 0.3 } as const;
const CLUMP_MM = 7;

/**
 * How hair bends: it takes up more of its length than it covers, and swings so far out over so long a wave, mm. `apart`: how far the strands of a clump
 * go each their own way, 0–1; `taut`: what is left of the bends where hair is drawn smooth. Working assumptions.
 */
const BENDS: Readonly<Record<Curl, { covers: number; swing: number; wave: number; body: number; apart: number; taut: number }>> = {
  straight: { covers: 1, swing: 0, wave: 160, body: 1, apart: 0, taut: 0 },
  wavy: { covers: 0.94, swing: 7, wave: 110, body: 1.25, apart: 0.15, taut: 0.35 },
  curly: { covers: 0.8, swing: 11, wave: 92, body: 1.5, apart: 0.5, taut: 0.7 },
  coily: { covers: 0.6, swing: 13, wave: 80, body: 1.8, apart: 0.9, taut: 0.95 },
};
/** Share of its length that hair reaches, by curl. */
export const COVERS = { straight: BENDS.straight.covers, wavy: BENDS.wavy.covers, curly: BENDS.curly.covers, coily: BENDS.coily.covers } satisfies Record<Curl, number>;
/** Tied, hair is drawn smooth over the first so much, mm. */
const TAUT_MM = 150;
/** Bends come in over this much of the hair, mm. */
const BEND_RISE_MM = 60;

/**
 * Walks the hair of a head.
 * @param lengthOf length of a root's hair, mm, by root
 */
export function makeStrands(head: Head, roots: Roots, way: Way, lengthOf: (root: number) => number, curl: Curl = 'straight'): Strands {
  const bend = BENDS[curl];
  // The walk goes over the head; the hair on it is longer where it bends.
  const stepMm = STEP_MM / bend.covers;
  let longest = 0;
  for (let i = 0; i < roots.count; i += 1) longest = max(longest, lengthOf(i));
  const points = ceil(longest / stepMm) + 1;
  const xyz = new Float32Array(3 * points * roots.count);
  const used = new Uint16Array(roots.count);
  const seed = new Int32Array(roots.count);
  // Heights by number of steps: the mean, and how much of a strand's deviation has come in.
  const mean = Float64Array.from({ length: points }, (_, p) => bend.body * LAYER.full * (1 - exp((-p * STEP_MM) / LAYER.over)));
  const risen = Float64Array.from({ length: points }, (_, p) => 1 - exp((-p * STEP_MM) / LAYER.rise));
  const taut = (mm: number) => (way.kind === 'tied' && mm < TAUT_MM ? bend.taut : 1);
  const bent = Float64Array.from({ length: points }, (_, p) => bend.swing * min(1, (p * stepMm) / BEND_RISE_MM) * taut(p * STEP_MM));
  const shell = shellOf(head);
  const walker: Walker = { x: 0, y: 0, z: 0, shell: new Float64Array(4) };
  const walk = walkOf(way, head, shell, walker);
  const alike = isAlike(way) && head.crown.x === 0;
  const begun = { x: 0, y: 0, z: 0, own: 0, seed: 0 };
  for (let i = 0; i < roots.count; i += 1) {
    begun.x = roots.xyz[3 * i];
    begun.y = roots.xyz[3 * i + 1];
    begun.z = roots.xyz[3 * i + 2];
    const length = lengthOf(i);
    if (length < stepMm) {
      // Too short to lie anywhere: its root alone.
      used[i] = 1;
      xyz[3 * points * i] = begun.x;
      xyz[3 * points * i + 1] = begun.y;
      xyz[3 * points * i + 2] = begun.z;
      continue;
    }
    const own = seedAt(begun.x, begun.y, begun.z);
    seed[i] = own;
    if (alike && i % 2 === 1 && isMirrored(roots, i) && length === lengthOf(i - 1)) {
      // The strand before it, seen in a mirror.
      used[i] = used[i - 1];
      for (let at = 3 * points * i, from = at - 3 * points, end = at + 3 * used[i]; at < end; at += 3, from += 3) {
        xyz[at] = -xyz[from];
        xyz[at + 1] = xyz[from + 1];
        xyz[at + 2] = xyz[from + 2];
      }
      continue;
    }
    begun.seed = own;
    begun.own = 2 * noiseOf(own, 1) - 1;
    const clump = clumpHeight(begun.x, begun.y, begun.z);
    const off = LAYER.strand * begun.own + LAYER.clump * clump;
    used[i] = min(points, floor((length * (1 - RAGGED * noiseOf(own, 3))) / stepMm) + 1);
    walk.begin(begun);
    walker.x = begun.x;
    walker.y = begun.y;
    walker.z = begun.z;
    shell.read(walker.x, walker.y, walker.z, walker.shell);
    for (let p = 0, at = 3 * points * i; p < used[i]; p += 1, at += 3) {
      if (p > 0 && !walk.step(max(LAYER.least * risen[p], mean[p] + off * risen[p]))) used[i] = p + 1;
      xyz[at] = walker.x;
      xyz[at + 1] = walker.y;
      xyz[at + 2] = walker.z;
    }
    if (bend.swing > 0) swing(xyz, 3 * points * i, used[i], begun.x >= 0 ? 1 : -1, noiseOf(clumpSeed(begun.x, begun.y, begun.z), 7) + bend.apart * (noiseOf(own, 8) - 0.5), bent, bend.wave / stepMm);
  }
  return { count: roots.count, points, stepMm, waveMm: bend.swing > 0 ? bend.wave : 0, xyz, used, seed };
}

/** Whether both sides of the head are worn the same. */
const isAlike = (way: Way) => (way.kind === 'zigzag' ? false : 'partMm' in way ? way.partMm === 0 : true);

/** Whether a root is the mirror image of the one before it. */
const isMirrored = ({ xyz }: Roots, i: number) => xyz[3 * i] === -xyz[3 * i - 3] && xyz[3 * i + 1] === xyz[3 * i - 2] && xyz[3 * i + 2] === xyz[3 * i - 1];

/** Swings a strand out of its way in a wave that its clump shares more or less: across the way, level with the ground, and a little outward. */
function swing(xyz: Float32Array, start: number, used: number, side: number, begins: number, bent: Float64Array, wave: number): void {
  if (used < 2) return;
  const turn = (2 * PI) / wave;
  const phase = 2 * PI * begins + turn * (used - 1);
  // Turned on by a fixed angle each step, from the end to the root: so the way at a point is still the one that was walked.
  let c = cos(phase);
  let s = sin(phase);
  const back = cos(turn);
  const round = sin(turn);
  for (let p = used - 1; p > 0; p -= 1) {
    const at = start + 3 * p;
    const dx = xyz[at] - xyz[at - 3];
    const dz = xyz[at + 2] - xyz[at - 1];
    const flat = sqrt(dx * dx + dz * dz);
    const x = xyz[at];
    const z = xyz[at + 2];
    const out = 1 / max(1e-6, sqrt(x * x + z * z));
    // Where the hair falls straight its way has no direction on the ground: along the head's round takes its place.
    const f = min(1, flat / 4);
    const along = flat > 0 ? f / flat : 0;
    const ax = side * ((1 - f) * z * out - along * dz);
    const az = side * (along * dx - (1 - f) * x * out);
    const across = bent[p] * s;
    const outward = 0.5 * bent[p] * (1 + c) * out;
    xyz[at] += ax * across + x * outward;
    xyz[at + 2] += az * across + z * outward;
    const before = c * back + s * round;
    s = s * back - c * round;
    c = before;
  }
}

const clumpSeed = (x: number, y: number, z: number) => seedAt(nearest(abs(x) / CLUMP_MM) * CLUMP_MM, nearest(y / CLUMP_MM) * CLUMP_MM, nearest(z / CLUMP_MM) * CLUMP_MM);
/** A clump's own deviation in layer height, −1…1. */
const clumpHeight = (x: number, y: number, z: number) => 2 * noiseOf(clumpSeed(x, y, z), 2) - 1;
