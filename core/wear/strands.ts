import { gaugeWithGradient, type Head, type Roots } from '../head';
import { noiseAt } from './noise';
import type { Way } from './ways';

const { cos, exp, hypot, max, min, sin } = Math;

/** The hair as it lies: one line per root, walked over the head in even steps. */
export interface Strands {
  readonly count: number;
  /** Points of a strand, the root among them. */
  readonly points: number;
  /** mm between points. */
  readonly stepMm: number;
  /** Packed xyz of all points, strand after strand, mm. */
  readonly xyz: Float32Array;
  /** Number of points that each strand has; the rest of its places are unused. */
  readonly used: Uint16Array;
}

/** Step of the walk, mm: longer ones cut corners at the edge of the head. */
const STEP_MM = 10;
/** Hair ends this much shorter, at random, than its length. */
const RAGGED = 0.14;

/** Layer height above the scalp, by the distance that hair has travelled: what came further lies on top. Working assumptions. */
const LAYER = { full: 16, over: 70, strand: 3.2, clump: 1.6, rise: 22, least: 0.3 } as const;
const CLUMP_MM = 7;

/** Where the tail is tied, average head, mm. */
const TIES = { low: [0, -58, -80], middle: [0, -5, -92], high: [0, 62, -68] } as const;
/** Hair within this of the tie hangs from it, mm. */
const TIE_REACH_MM = 13;
/** Below this height hair leaves the head, over so many mm, average head. */
const LEAVES_Y = -50;
const LEAVES_OVER_MM = 40;
/** The neck, on which hair falls: radius and place of its axis, average head, mm. */
const NECK = { radius: 52, z: -18 } as const;

/**
 * Walks the hair of a head.
 * @param lengthOf length of a root's hair, mm, by root
 */
export function makeStrands(head: Head, roots: Roots, way: Way, lengthOf: (root: number) => number): Strands {
  let longest = 0;
  for (let i = 0; i < roots.count; i += 1) longest = max(longest, lengthOf(i));
  const points = Math.ceil(longest / STEP_MM) + 1;
  const xyz = new Float32Array(3 * points * roots.count);
  const used = new Uint16Array(roots.count);
  const walk = way.kind === 'down' ? walkDown(head, way.partMm) : walkTied(head, way.at);
  for (let i = 0; i < roots.count; i += 1) {
    const x = roots.xyz[3 * i];
    const y = roots.xyz[3 * i + 1];
    const z = roots.xyz[3 * i + 2];
    const length = lengthOf(i) * (1 - RAGGED * noiseAt(x, y, z, 3));
    used[i] = min(points, Math.floor(length / STEP_MM) + 1);
    const own = ownHeight(x, y, z);
    const clump = clumpHeight(x, y, z);
    const step = walk(x, y, z, own);
    state.x = x;
    state.y = y;
    state.z = z;
    gaugeWithGradient(head.skull, x, y, z, gradient);
    for (let p = 0, at = 3 * points * i; p < used[i]; p += 1, at += 3) {
      if (p > 0) step(layerHeight(p * STEP_MM, own, clump));
      xyz[at] = state.x;
      xyz[at + 1] = state.y;
      xyz[at + 2] = state.z;
    }
  }
  return { count: roots.count, points, stepMm: STEP_MM, xyz, used };
}

/**
 * Begins a strand at its root; what comes back takes the walk's point one step on, to a height above the scalp.
 * @param own the strand's own deviation in height, −1…1
 */
type Walk = (x: number, y: number, z: number, own: number) => (height: number) => void;

/** Height of hair above the scalp after travelling d, mm. */
function layerHeight(d: number, strand: number, clump: number): number {
  const risen = 1 - exp(-d / LAYER.rise);
  return max(LAYER.least * risen, LAYER.full * (1 - exp(-d / LAYER.over)) + (LAYER.strand * strand + LAYER.clump * clump) * risen);
}

const gradient = new Float64Array(3);

/** Unit direction and point, as the walk goes: reused for every strand. */
const state = { x: 0, y: 0, z: 0 };

/** Puts the state's point at a height above the scalp, by so much of the way there (1: all of it); leaves the gradient there. */
function lift(head: Head, height: number, pull: number): void {
  const g = gaugeWithGradient(head.skull, state.x, state.y, state.z, gradient);
  const steep = hypot(gradient[0], gradient[1], gradient[2]);
  const off = ((height - (g - 1) / steep) * pull) / steep;
  state.x += gradient[0] * off;
  state.y += gradient[1] * off;
  state.z += gradient[2] * off;
}

/** Strand's and clump's own deviation in layer height, −1…1. */
const ownHeight = (x: number, y: number, z: number) => 2 * noiseAt(x, y, z, 1) - 1;
const clumpHeight = (x: number, y: number, z: number) =>
  2 * noiseAt(Math.round(x / CLUMP_MM) * CLUMP_MM, Math.round(y / CLUMP_MM) * CLUMP_MM, Math.round(z / CLUMP_MM) * CLUMP_MM, 2) - 1;

const smooth = (f: number) => {
  const t = min(1, max(0, f));
  return t * t * (3 - 2 * t);
};

/** Down: away from the part, to the back behind the ears, then straight. */
function walkDown(head: Head, partMm: number): Walk {
  const { k } = head;
  return (x0, y0, z0) => {
    const turn = (2 * noiseAt(x0, y0, z0, 4) - 1) * 0.16;
    const side = x0 >= partMm ? 1 : -1;
    return (height) => {
      const ax = state.x - partMm;
      const az = min(0, state.z + 45 * k);
      const away = max(1e-6, hypot(ax, az));
      const near = 0.35 + 0.65 * exp(-away / (45 * k));
      const f = smooth((state.z + 10 * k) / (70 * k));
      let dx = (ax / away) * near + 0.25 * f * side;
      let dy = -1.15;
      let dz = (az / away) * near - 0.62 * f - 0.05;
      const left = smooth((LEAVES_Y * k - state.y) / (LEAVES_OVER_MM * k));
      // On the tangent plane of the head, as long as the hair lies on it; the normal is that of the last step's end.
      const steep = hypot(gradient[0], gradient[1], gradient[2]);
      const [nx, ny, nz] = [gradient[0] / steep, gradient[1] / steep, gradient[2] / steep];
      const into = (dx * nx + dy * ny + dz * nz) * (1 - left);
      dx -= into * nx;
      dy -= into * ny;
      dz -= into * nz;
      // A little to its own side of the way, each strand by its own angle.
      const [tx, ty, tz] = [ny * dz - nz * dy, nz * dx - nx * dz, nx * dy - ny * dx];
      const own0 = sin(turn) * (1 - left) * (x0 >= 0 ? 1 : -1);
      dx = (dx * cos(turn) + tx * own0) * (1 - left);
      dy = (dy * cos(turn) + ty * own0) * (1 - left) - left;
      dz = (dz * cos(turn) + tz * own0) * (1 - left);
      const size = hypot(dx, dy, dz);
      state.x += (dx / size) * STEP_MM;
      state.y += (dy / size) * STEP_MM;
      state.z += (dz / size) * STEP_MM;
      if (left < 1) lift(head, height, 1 - left);
      if (left > 0) keepOffNeck(k, height);
    };
  };
}

/** Hair that has left the head lies on the neck, not in it. */
function keepOffNeck(k: number, height: number): void {
  const z = state.z - NECK.z * k;
  const off = hypot(state.x, z);
  const least = NECK.radius * k + height;
  if (off >= least || off < 1e-6) return;
  state.x *= least / off;
  state.z = NECK.z * k + (z * least) / off;
}

/** Tied: along the head to the tie, then hanging from it. */
function walkTied(head: Head, at: keyof typeof TIES): Walk {
  const { k } = head;
  const [tx, ty, tz] = TIES[at].map((value) => value * k);
  // On the surface, and how it points away there.
  const g = gaugeWithGradient(head.skull, tx, ty, tz, gradient);
  const [sx, sy, sz] = [tx / g, ty / g, tz / g];
  const steep = hypot(gradient[0], gradient[1], gradient[2]);
  const outward = [gradient[0] / steep, gradient[1] / steep, gradient[2] / steep];
  return (x0, _y0, _z0, own) => {
    let hanging = 0;
    return (height) => {
      let dx = sx - state.x;
      let dy = sy - state.y;
      let dz = sz - state.z;
      const left = hypot(dx, dy, dz);
      if (hanging > 0 || left < TIE_REACH_MM + height) {
        // Out of the tie in an arc, then straight down.
        hanging += STEP_MM;
        const down = smooth(hanging / 60);
        state.x += (outward[0] * 0.9 + 0.12 * own * (x0 >= 0 ? 1 : -1)) * (1 - down) * STEP_MM;
        state.y += (outward[1] * (1 - down) * 0.9 - down) * STEP_MM;
        state.z += outward[2] * (1 - down) * 0.9 * STEP_MM;
      } else {
        const size = hypot(gradient[0], gradient[1], gradient[2]);
        const into = (dx * gradient[0] + dy * gradient[1] + dz * gradient[2]) / size ** 2;
        dx -= into * gradient[0];
        dy -= into * gradient[1];
        dz -= into * gradient[2];
        const flat = max(1e-6, hypot(dx, dy, dz));
        const step = min(STEP_MM, left);
        state.x += (dx / flat) * step;
        state.y += (dy / flat) * step;
        state.z += (dz / flat) * step;
        lift(head, height, 1);
      }
    };
  };
}
