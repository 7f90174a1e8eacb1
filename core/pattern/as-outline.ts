import type { Head, OpenedPoint, Outline } from '../head';
import { diskPointOf } from './disk';
import { polygonArea } from './polygon';
import type { DiskPoint, Panel } from './types';

const { abs, hypot } = Math;
/** Corners are left out while the edge stays within this of where it was, mm. */
const WITHIN_MM = 1.5;
/** So many corners can still be moved one by one. */
const MOST_CORNERS = 28;
/** Corners this near to the hairline are put outside it: there the hairline itself is the edge. */
const AT_HAIRLINE = 0.985;
const OUTSIDE = 1.04;

/**
 * The panel with its edge as a free outline whose corners can be moved: the largest piece of what it takes
 * now, on the
 * left where it works on both sides. What other panels had taken is no longer its place.
 * @param outlines of the panel on that side, on the opened head
 * @returns undefined where there is nothing to go round
 */
export function asOutline(panel: Panel, outlines: readonly Outline[], head: Head): Panel | undefined {
  const largest = [...outlines].sort((a, b) => polygonArea(b) - polygonArea(a))[0];
  if (!largest || largest.length < 3) return undefined;
  let corners = largest;
  for (let within = WITHIN_MM; ; within *= 1.4) {
    corners = simplified(largest, within * head.k);
    if (corners.length <= MOST_CORNERS) break;
  }
  const points = corners.map((corner) => outsideHairline(diskPointOf(head, corner)));
  return points.length < 3 ? undefined : { ...panel, place: { kind: 'outline', points } };
}

function outsideHairline([x, y]: DiskPoint): DiskPoint {
  const t = hypot(x, y);
  const by = t > AT_HAIRLINE ? OUTSIDE / t : 1;
  return [Math.round(x * by * 1000) / 1000, Math.round(y * by * 1000) / 1000];
}

/** A closed line with as few of its points as keep it within a distance (Douglas and Peucker's way). */
function simplified(outline: readonly OpenedPoint[], within: number): OpenedPoint[] {
  const far = outline.reduce(
    (best, point, i) => (reach(outline[0], point) > reach(outline[0], outline[best]) ? i : best),
    0,
  );
  const keep = new Set([0, far]);
  const split = (from: number, to: number) => {
    let most = within;
    let at = -1;
    for (let i = from + 1; i < to; i += 1) {
      const off = distanceToLine(outline[i], outline[from], outline[to % outline.length]);
      if (off > most) {
        most = off;
        at = i;
      }
    }
    if (at < 0) return;
    keep.add(at);
    split(from, at);
    split(at, to);
  };
  split(0, far);
  split(far, outline.length);
  return [...keep].sort((a, b) => a - b).map((i) => outline[i]);
}

const reach = (a: OpenedPoint, b: OpenedPoint) => hypot(a.x - b.x, a.y - b.y);

function distanceToLine(p: OpenedPoint, a: OpenedPoint, b: OpenedPoint): number {
  const size = reach(a, b);
  return size < 1e-9 ? reach(p, a) : abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / size;
}
