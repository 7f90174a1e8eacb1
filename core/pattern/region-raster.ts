import type { ScalpGrid } from '../head';
import type { Region } from './region';

/** Depth of a region at every node of the grid; NaN where the grid holds no point. */
export function regionDepths(grid: ScalpGrid, region: Region): Float64Array {
  const depths = new Float64Array(grid.points.length).fill(Number.NaN);
  grid.points.forEach((point, i) => {
    const place = grid.places[i];
    if (point && place) depths[i] = region(point, place);
  });
  return depths;
}

/** Skin within a region, mm²: nodes along its edge count by how much of them is inside. */
export function regionArea(grid: ScalpGrid, depths: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < depths.length; i += 1) {
    if (grid.area[i] > 0) sum += grid.area[i] * Math.min(1, Math.max(0, 0.5 + depths[i] / grid.step));
  }
  return sum;
}
