import { STOPS } from './lamps';
import type { Strands } from './strands';

const { abs, ceil, exp, floor, max, min } = Math;

/** How thick hair stands, by cells about the head: what light has to pass on its way. */
export interface Density {
  readonly cellMm: number;
  readonly size: readonly [number, number, number];
  /** Place of the first cell's middle, mm. */
  readonly from: readonly [number, number, number];
  /** Strands that a ray meets in each millimetre of a cell; x slowest. */
  readonly perMm: Float32Array;
}

const CELL_MM = 7;
/** Hair further away than this from the middle counts as if it were there, average head, mm. */
const BOX = { x: 196, up: 133, down: 300, z: 175 } as const;
/** Light is followed so far, in steps of a cell. */
const FAR_CELLS = 12;
/** Light that has passed so much of e is none. */
const DARK = 5;

/** @param k size of the head against the average one */
export function densityOf({ count, points, used, xyz, stepMm }: Strands, k: number): Density {
  const cellMm = CELL_MM * k;
  const from = [-BOX.x * k, -BOX.down * k, -BOX.z * k] as const;
  const size = [
    ceil((2 * BOX.x) / CELL_MM) + 1,
    ceil((BOX.up + BOX.down) / CELL_MM) + 1,
    ceil((2 * BOX.z) / CELL_MM) + 1,
  ] as const;
  const [nx, ny, nz] = size;
  const perMm = new Float32Array(nx * ny * nz);
  const each = stepMm / cellMm ** 3;
  for (let s = 0; s < count; s += 1) {
    for (let p = 1, at = 3 * points * s + 3; p < used[s]; p += 1, at += 3) {
      // Half the segment at its end, half in its middle.
      for (const f of HALVES) {
        const i = floor((xyz[at] + f * (xyz[at - 3] - xyz[at]) - from[0]) / cellMm + 0.5);
        const j = floor((xyz[at + 1] + f * (xyz[at - 2] - xyz[at + 1]) - from[1]) / cellMm + 0.5);
        const l = floor((xyz[at + 2] + f * (xyz[at - 1] - xyz[at + 2]) - from[2]) / cellMm + 0.5);
        if (i < 0 || j < 0 || l < 0 || i >= nx || j >= ny || l >= nz) continue;
        perMm[(i * ny + j) * nz + l] += 0.5 * each;
      }
    }
  }
  return { cellMm, size, from, perMm };
}

const HALVES = [0, 0.5] as const;

/** Share of light from a direction that reaches places, 0–1, by cells. */
export interface Reached {
  readonly cellMm: number;
  readonly size: readonly [number, number, number];
  readonly from: readonly [number, number, number];
  readonly values: Float32Array;
}

/**
 * Follows light through the hair.
 * @param towards the lamp, of length one
 * @param each only every so many-th cell along each axis: soft light needs no more
 */
export function reached(
  { cellMm, size, from, perMm }: Density,
  towards: readonly [number, number, number],
  each = 1,
): Reached {
  const [nx, ny, nz] = size;
  const own = [ceil(nx / each), ceil(ny / each), ceil(nz / each)] as const;
  const values = new Float32Array(own[0] * own[1] * own[2]);
  const most = max(abs(towards[0]), abs(towards[1]), abs(towards[2]));
  const step = towards.map((part) => part / most);
  const stops = (STOPS * cellMm) / most;
  const dark = DARK / stops;
  let at = 0;
  for (let i = 0; i < nx; i += each) {
    for (let j = 0; j < ny; j += each) {
      for (let l = 0; l < nz; l += each, at += 1) {
        // Half of its own cell, and those on the way.
        let met = 0.4 * perMm[(i * ny + j) * nz + l];
        let a = i + 0.5;
        let b = j + 0.5;
        let c = l + 0.5;
        for (let n = 0; n < FAR_CELLS && met < dark; n += 1) {
          a += step[0];
          b += step[1];
          c += step[2];
          if (a < 0 || b < 0 || c < 0 || a >= nx || b >= ny || c >= nz) break;
          met += perMm[((a | 0) * ny + (b | 0)) * nz + (c | 0)];
        }
        values[at] = exp(-stops * met);
      }
    }
  }
  return { cellMm: cellMm * each, size: own, from, values };
}

/** A share of light at a place, between the eight cells about it. */
export function between({ cellMm, size, from, values }: Reached, x: number, y: number, z: number): number {
  const [nx, ny, nz] = size;
  const fx = min(nx - 1.001, max(0, (x - from[0]) / cellMm));
  const fy = min(ny - 1.001, max(0, (y - from[1]) / cellMm));
  const fz = min(nz - 1.001, max(0, (z - from[2]) / cellMm));
  const i = fx | 0;
  const j = fy | 0;
  const l = fz | 0;
  const u = fx - i;
  const v = fy - j;
  const w = fz - l;
  const at = (i * ny + j) * nz + l;
  const dx = ny * nz;
  const near =
    (values[at] * (1 - w) + values[at + 1] * w) * (1 - v) +
    (values[at + nz] * (1 - w) + values[at + nz + 1] * w) * v;
  const far =
    (values[at + dx] * (1 - w) + values[at + dx + 1] * w) * (1 - v) +
    (values[at + dx + nz] * (1 - w) + values[at + dx + nz + 1] * w) * v;
  return near + (far - near) * u;
}
