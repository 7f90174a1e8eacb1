import type { ScalpGrid } from '../head';
import type { Region, RegionNode } from './region';

// Taken once: these run in the hot loops.
const { floor, max, min } = Math;

/** Depth given to nodes that are known to lie outside, mm. */
const OUTSIDE = -1000;

/**
 * Depth of a region at every node of the grid; NaN where the grid holds no point.
 * @param half only the left half (in this frame) can be inside: the rest is not looked at
 */
export function regionDepths(grid: ScalpGrid, region: Region, half: boolean): Float64Array {
  const depths = new Float64Array(grid.points.length).fill(Number.NaN);
  const node: Writable<RegionNode> = {
    point: { x: 0, y: 0, z: 0 },
    place: { azimuth: 0, arc: 0, hairArc: 0 },
    opened: { x: 0, y: 0 },
    index: 0,
  };
  for (let i = 0; i < depths.length; i += 1) {
    const point = grid.points[i];
    const place = grid.places[i];
    if (!point || !place) continue;
    if (half && point.x < -70 * grid.scalp.head.k) {
      depths[i] = OUTSIDE;
      continue;
    }
    node.point = point;
    node.place = place;
    node.opened = {
      x: grid.x0 + (i % grid.columns) * grid.step,
      y: grid.y0 + floor(i / grid.columns) * grid.step,
    };
    node.index = i;
    depths[i] = region(node);
  }
  return depths;
}

type Writable<T> = { -readonly [K in keyof T]: T[K] };

/** Skin of one node within a region that ends at the hairline, mm². */
export function nodeArea(grid: ScalpGrid, depths: Float64Array, i: number): number {
  const cell = grid.cell[i];
  return cell > 0 ? cell * min(1, max(0, 0.5 + depths[i] / grid.step)) : 0;
}
