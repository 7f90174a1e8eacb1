import type { Head } from '../head';
import { bodyDistance } from './body';
import type { Camera } from './camera';
import { shellOf } from './shell';

const { abs, ceil, floor, max } = Math;

/** The skin stands in the way of what is behind it, a little within itself, mm. */
const INSIDE_MM = 0.6;
/** A line of sight has met the skin when it is so near to it, mm; more steps than this miss it. */
const NEAR_MM = 0.25;
const MOST_STEPS = 40;
/** Sight begins so far before the head's centre and ends so far behind it, average head, mm. */
const REACH_MM = 210;

/**
 * Depth of skin in every pixel, towards the onlooker, mm; −∞ beside it. Where hair is thin it shows; what is behind it does not.
 * @param coarse the same in larger pixels, where it is known: sight then begins close to what it will meet
 */
export function skinDepth(head: Head, camera: Camera, coarse?: { readonly camera: Camera; readonly depth: Float32Array }): Float32Array {
  const { right, up, toward, pixelMm, columns, rows, leftMm, upMm } = camera;
  // The body is the same on both sides: seen along its middle, half of the picture is the other half's mirror image.
  const mirrored = abs(toward[0]) < 1e-9;
  const most = mirrored ? ceil(columns / 2) : columns;
  const { k } = head;
  const shell = shellOf(head);
  const depth = new Float32Array(columns * rows).fill(-Infinity);
  for (let row = 0; row < rows; row += 1) {
    const v = upMm - (row + 0.5) * pixelMm;
    let last = NaN;
    for (let column = 0; column < most; column += 1) {
      const u = (column + 0.5) * pixelMm - leftMm;
      const x0 = u * right[0] + v * up[0];
      const y0 = u * right[1] + v * up[1];
      const z0 = u * right[2] + v * up[2];
      // Near where larger pixels or the one beside it met the skin, or else from before all of it.
      let t = Number.isNaN(last) ? REACH_MM * k : last + 4 * pixelMm;
      if (coarse) {
        t = nearestAbout(coarse, u, v);
        if (t === -Infinity) continue;
        t += 2 * coarse.camera.pixelMm;
      }
      let hit = false;
      for (let step = 0; step < MOST_STEPS && t > -REACH_MM * k; step += 1) {
        const off = bodyDistance(shell, k, x0 + t * toward[0], y0 + t * toward[1], z0 + t * toward[2]);
        if (abs(off) < NEAR_MM) {
          hit = true;
          break;
        }
        // Shallow places are passed in more than one step: distances are estimates.
        t -= off > 0 ? max(NEAR_MM, 0.9 * off) : off;
      }
      last = hit ? t : NaN;
      if (!hit) continue;
      depth[row * columns + column] = t - INSIDE_MM;
      if (mirrored) depth[row * columns + columns - 1 - column] = t - INSIDE_MM;
    }
  }
  return depth;
}

/** The nearest depth in the larger pixels about a place of the picture; −∞ where none of them meets the skin. */
function nearestAbout({ camera: { columns, rows, pixelMm, leftMm, upMm }, depth }: { readonly camera: Camera; readonly depth: Float32Array }, u: number, v: number): number {
  const column = floor((u + leftMm) / pixelMm);
  const row = floor((upMm - v) / pixelMm);
  let most = -Infinity;
  for (let r = max(0, row - 1); r <= row + 1 && r < rows; r += 1) {
    for (let c = max(0, column - 1); c <= column + 1 && c < columns; c += 1) most = max(most, depth[r * columns + c]);
  }
  return most;
}

/** The same from the other side: the body's mirror image. */
export function flippedDepth(depth: Float32Array, { columns, rows }: Camera): Float32Array {
  const out = new Float32Array(depth.length);
  for (let row = 0; row < rows; row += 1) for (let column = 0; column < columns; column += 1) out[row * columns + column] = depth[row * columns + columns - 1 - column];
  return out;
}

/** The body's skin as rings, one above the other: points packed xyz, ring after ring from the top, and whether each bears hair. */
export interface BodyRings {
  readonly rings: number;
  /** Points of a ring; the last one lies on the first. */
  readonly round: number;
  readonly xyz: Float32Array<ArrayBuffer>;
  readonly hairy: Uint8Array<ArrayBuffer>;
}

const RING_MM = 5;
const ROUND = 96;
/** Rings go from above the apex down to where the picture ends, about an axis a little behind the middle, average head, mm. */
const BODY = { top: 92, bottom: -300, z: -12, reach: 200 } as const;

export function bodyRings(head: Head): BodyRings {
  const { k } = head;
  const shell = shellOf(head);
  const rings = ceil((BODY.top - BODY.bottom) / RING_MM) + 1;
  const round = ROUND + 1;
  const xyz = new Float32Array(3 * rings * round);
  const hairy = new Uint8Array(rings * round);
  for (let j = 0, n = 0; j < rings; j += 1) {
    const y = (BODY.top - j * RING_MM) * k;
    for (let i = 0; i < round; i += 1, n += 1) {
      const a = (2 * Math.PI * i) / ROUND;
      const [dx, dz] = [Math.sin(a), Math.cos(a)];
      let r: number = BODY.reach * k;
      for (let step = 0; step < MOST_STEPS && r > 0; step += 1) {
        const off = bodyDistance(shell, k, dx * r, y, BODY.z * k + dz * r);
        if (off < NEAR_MM) break;
        r -= max(NEAR_MM, 0.8 * off);
      }
      const at = max(0, r - INSIDE_MM);
      xyz.set([dx * at, y, BODY.z * k + dz * at], 3 * n);
      const place = head.locate({ x: xyz[3 * n], y, z: xyz[3 * n + 2] });
      if (place.arc < place.hairArc) hairy[n] = 1;
    }
  }
  return { rings, round, xyz, hairy };
}
