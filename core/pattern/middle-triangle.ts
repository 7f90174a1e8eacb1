import type { Head, OpenedPoint, Outline } from '../head';
import { diskPointOf } from './disk';
import { polygonArea, polygonDepth } from './polygon';
import type { DiskPoint } from './types';

const { abs, max, min } = Math;
/** Steps across an outline in which its deepest place is looked for. */
const STEPS = 24;
/** Corners stand this share of the depth from the middle: well inside. */
const REACH = 0.8;
/** Never larger than this from the middle to a corner, mm. */
const MOST_MM = 28;

/**
 * A triangle in the middle of what a panel takes, to be left out and moved: about the place that lies deepest
 * in its
 * largest outline (opened head), its tip towards the forehead. undefined where there is no room for one.
 */
export function middleTriangle(outlines: readonly Outline[], head: Head): DiskPoint[] | undefined {
  const largest = [...outlines].sort((a, b) => polygonArea(b) - polygonArea(a))[0];
  if (!largest || largest.length < 3) return undefined;
  const xs = largest.map(({ x }) => x);
  const ys = largest.map(({ y }) => y);
  const [left, right, low, high] = [min(...xs), max(...xs), min(...ys), max(...ys)];
  let depth = 0;
  let middle: OpenedPoint | undefined;
  for (let i = 1; i < STEPS; i += 1) {
    for (let j = 1; j < STEPS; j += 1) {
      const point = { x: left + ((right - left) * i) / STEPS, y: low + ((high - low) * j) / STEPS };
      const value = polygonDepth(largest, point);
      if (value > depth) {
        depth = value;
        middle = point;
      }
    }
  }
  const reach = min(MOST_MM, depth * REACH);
  if (!middle || reach < 4) return undefined;
  const { x, y } = middle;
  const side = abs(Math.cos(Math.PI / 6)) * reach;
  return [
    { x, y: y + reach },
    { x: x - side, y: y - reach / 2 },
    { x: x + side, y: y - reach / 2 },
  ].map((corner) => diskPointOf(head, corner));
}
