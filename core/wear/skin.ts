import type { Head } from '../head';
import { bodyDistance } from './body';
import type { Camera } from './camera';
import { shellOf } from './shell';

const { abs, max } = Math;

/** The skin stands in the way of what is behind it, a little within itself, mm. */
const INSIDE_MM = 0.6;
/** A line of sight has met the skin when it is so near to it, mm; more steps than this miss it. */
const NEAR_MM = 0.25;
const MOST_STEPS = 40;
/** Sight begins so far before the head's centre and ends so far behind it, average head, mm. */
const REACH_MM = 210;

/** Depth of skin in every pixel, towards the onlooker, mm; −∞ beside it. Where hair is thin it shows; what is behind it does not. */
export function skinDepth(head: Head, { right, up, toward, pixelMm, columns, rows, leftMm, upMm }: Camera): Float32Array {
  const { k } = head;
  const shell = shellOf(head);
  const depth = new Float32Array(columns * rows).fill(-Infinity);
  for (let row = 0; row < rows; row += 1) {
    const v = upMm - (row + 0.5) * pixelMm;
    let last = NaN;
    for (let column = 0; column < columns; column += 1) {
      const u = (column + 0.5) * pixelMm - leftMm;
      const x0 = u * right[0] + v * up[0];
      const y0 = u * right[1] + v * up[1];
      const z0 = u * right[2] + v * up[2];
      // Near where the pixel beside it met the skin, or else from before all of it.
      let t = Number.isNaN(last) ? REACH_MM * k : last + 4 * pixelMm;
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
      if (hit) depth[row * columns + column] = t - INSIDE_MM;
    }
  }
  return depth;
}
