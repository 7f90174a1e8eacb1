import { directionAt, surfaceAlong, type Head } from '../head';
import type { Strands } from './strands';
import { VIEWS, type View } from './ways';

const { ceil, cos, exp, floor, hypot, max, min, sin } = Math;

/** What is seen of the hair from one side: every stretch of a strand that shows, with how much of it shows. */
export interface Surface {
  readonly view: View;
  readonly count: number;
  /** Which strand. */
  readonly strand: Uint32Array;
  /** Distance along it from the root, mm. */
  readonly along: Float32Array;
  /** How much of its pixel it is: 0–1, all of a pixel together 1. */
  readonly weight: Float32Array;
  /** Its pixel: row · columns + column. */
  readonly pixel: Uint32Array;
  readonly columns: number;
  readonly rows: number;
}

/** Edge of a pixel, mm: 1–3 are fine, 4 is not. */
export const PIXEL_MM = 2;
/** Hair is not opaque: what lies this much deeper shows a third as much, mm. */
const SOFT_MM = 2.5;
/** Deeper than so many of them nothing shows. */
const CUT = 2.5;
/** The skull stands in the way of what is behind it, drawn a little smaller, mm. */
const SKULL_INSIDE_MM = 0.6;
/** Half the width and height of what is looked at, and how far down it goes, average head, mm. */
const BOX = { half: 150, up: 150, down: 330 } as const;

/**
 * What is seen from one side: a first pass finds the nearest hair of every pixel, a second one weighs all hair by how far it
 * lies behind that.
 */
export function seenFrom(head: Head, strands: Strands, view: View): Surface {
  const { k } = head;
  const columns = ceil((2 * BOX.half * k) / PIXEL_MM);
  const rows = ceil(((BOX.up + BOX.down) * k) / PIXEL_MM);
  const nearest = skullDepth(head, view, columns, rows);
  const samples = project(strands, view, k, columns, rows);
  for (let i = 0; i < samples.count; i += 1) {
    const { pixel, depth } = samples;
    if (depth[i] > nearest[pixel[i]]) nearest[pixel[i]] = depth[i];
  }
  const whole = new Float32Array(columns * rows);
  let count = 0;
  for (let i = 0; i < samples.count; i += 1) {
    const pixel = samples.pixel[i];
    const behind = (nearest[pixel] - samples.depth[i]) / SOFT_MM;
    // From here on the depth is how much of it shows, so that it is reckoned once.
    samples.depth[i] = behind > CUT ? 0 : exp(-behind);
    if (samples.depth[i] === 0) continue;
    whole[pixel] += samples.depth[i];
    count += 1;
  }
  const seen = { strand: new Uint32Array(count), along: new Float32Array(count), weight: new Float32Array(count), pixel: new Uint32Array(count) };
  let at = 0;
  for (let i = 0; i < samples.count; i += 1) {
    if (samples.depth[i] === 0) continue;
    seen.strand[at] = samples.strand[i];
    seen.along[at] = samples.along[i];
    seen.weight[at] = samples.depth[i] / whole[samples.pixel[i]];
    seen.pixel[at] = samples.pixel[i];
    at += 1;
  }
  return { view, count, ...seen, columns, rows };
}

interface Samples {
  readonly count: number;
  readonly strand: Uint32Array;
  readonly along: Float32Array;
  readonly pixel: Uint32Array;
  /** Towards the onlooker, mm. */
  readonly depth: Float32Array;
}

/** Every stretch of hair that falls into the picture, about a pixel long each. */
function project(strands: Strands, view: View, k: number, columns: number, rows: number): Samples {
  const [right, up, toward] = cameraOf(view);
  // Steps of the walk are no longer than this many pixels.
  const most = strands.used.reduce((sum, used) => sum + max(0, used - 1), 0) * (ceil(strands.stepMm / PIXEL_MM) + 1);
  const out = { strand: new Uint32Array(most), along: new Float32Array(most), pixel: new Uint32Array(most), depth: new Float32Array(most) };
  let count = 0;
  for (let s = 0; s < strands.count; s += 1) {
    const start = 3 * strands.points * s;
    for (let p = 0; p + 1 < strands.used[s]; p += 1) {
      const i = start + 3 * p;
      const ax = strands.xyz[i];
      const ay = strands.xyz[i + 1];
      const az = strands.xyz[i + 2];
      const dx = strands.xyz[i + 3] - ax;
      const dy = strands.xyz[i + 4] - ay;
      const dz = strands.xyz[i + 5] - az;
      const steps = min(ceil(strands.stepMm / PIXEL_MM) + 1, max(1, ceil(hypot(dx, dy, dz) / PIXEL_MM)));
      for (let n = 0; n < steps; n += 1) {
        const f = (n + 0.5) / steps;
        const x = ax + dx * f;
        const y = ay + dy * f;
        const z = az + dz * f;
        const column = floor((x * right[0] + y * right[1] + z * right[2] + BOX.half * k) / PIXEL_MM);
        const row = floor((BOX.up * k - (x * up[0] + y * up[1] + z * up[2])) / PIXEL_MM);
        if (column < 0 || row < 0 || column >= columns || row >= rows) continue;
        out.strand[count] = s;
        out.along[count] = (p + f) * strands.stepMm;
        out.pixel[count] = row * columns + column;
        out.depth[count] = x * toward[0] + y * toward[1] + z * toward[2];
        count += 1;
      }
    }
  }
  return { count, ...out };
}

type Axis = readonly [number, number, number];

/** Right, up and towards the onlooker, as unit vectors of the head's axes. */
export function cameraOf(view: View): readonly [Axis, Axis, Axis] {
  const azimuth = (VIEWS[view].azimuthDeg * Math.PI) / 180;
  const height = (VIEWS[view].heightDeg * Math.PI) / 180;
  const toward: Axis = [sin(azimuth) * cos(height), sin(height), cos(azimuth) * cos(height)];
  const right: Axis = [cos(azimuth), 0, -sin(azimuth)];
  const up: Axis = [
    toward[1] * right[2] - toward[2] * right[1],
    toward[2] * right[0] - toward[0] * right[2],
    toward[0] * right[1] - toward[1] * right[0],
  ];
  return [right, up, toward];
}

/** Depth of the skull in every pixel; −∞ beside it. */
function skullDepth(head: Head, view: View, columns: number, rows: number): Float32Array {
  const depth = new Float32Array(columns * rows).fill(-Infinity);
  const [right, up, toward] = cameraOf(view);
  const points = skullPoints(head);
  for (let i = 0; i < points.length; i += 3) {
    const x = points[i];
    const y = points[i + 1];
    const z = points[i + 2];
    const column = floor((x * right[0] + y * right[1] + z * right[2] + BOX.half * head.k) / PIXEL_MM);
    const row = floor((BOX.up * head.k - (x * up[0] + y * up[1] + z * up[2])) / PIXEL_MM);
    if (column < 1 || row < 1 || column + 1 >= columns || row + 1 >= rows) continue;
    const near = x * toward[0] + y * toward[1] + z * toward[2];
    // A pixel to every side as well, so that the points leave no holes.
    for (let r = row - 1; r <= row + 1; r += 1) {
      for (let c = column - 1; c <= column + 1; c += 1) {
        const at = r * columns + c;
        const own = r === row && c === column ? near : near - 1;
        if (own > depth[at]) depth[at] = own;
      }
    }
  }
  return depth;
}

const kept = new WeakMap<Head, Float32Array>();

/** Points all over the skull, closer than a pixel, packed xyz; made once for a head. */
function skullPoints(head: Head): Float32Array {
  const own = kept.get(head);
  if (own) return own;
  const out: number[] = [];
  const steps = 260;
  for (let i = 0; i <= steps; i += 1) {
    const polar = (Math.PI * i) / steps;
    const round = max(8, ceil(2 * steps * sin(polar)));
    for (let j = 0; j < round; j += 1) {
      const { x, y, z } = surfaceAlong(directionAt((2 * Math.PI * j) / round, polar), head.skull);
      const size = hypot(x, y, z);
      const inside = (size - SKULL_INSIDE_MM) / size;
      out.push(x * inside, y * inside, z * inside);
    }
  }
  const points = Float32Array.from(out);
  kept.set(head, points);
  return points;
}
