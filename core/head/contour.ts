import type { OpenedPoint } from './opened';
import type { ScalpGrid } from './scalp';

/** A closed outline on the opened head, mm. */
export type Outline = readonly OpenedPoint[];

/**
 * The zero line of a region's depth by marching squares with linear interpolation, joined into closed outlines.
 * @param depths by node, positive inside; NaN where unknown
 */
export function traceOutlines(grid: ScalpGrid, depths: Float64Array): Outline[] {
  const { columns, rows } = grid;
  const next = new Map<number, number>();
  const points = new Map<number, OpenedPoint>();
  // An edge between two nodes is named by its lower node and its direction (0 along the row, 1 along the column).
  const edge = (node: number, direction: 0 | 1) => {
    const id = 2 * node + direction;
    if (!points.has(id)) points.set(id, crossing(grid, depths, node, direction === 0 ? node + 1 : node + columns));
    return id;
  };
  for (let r = 0; r + 1 < rows; r += 1) {
    for (let c = 0; c + 1 < columns; c += 1) {
      const a = r * columns + c;
      const corners = [depths[a], depths[a + 1], depths[a + columns + 1], depths[a + columns]];
      if (corners.some(Number.isNaN)) continue;
      const inside = corners.map((depth) => depth > 0);
      const code = (inside[0] ? 1 : 0) | (inside[1] ? 2 : 0) | (inside[2] ? 4 : 0) | (inside[3] ? 8 : 0);
      for (const [from, to] of SEGMENTS[code]) {
        const sides = [() => edge(a, 0), () => edge(a + 1, 1), () => edge(a + columns, 0), () => edge(a, 1)];
        next.set(sides[from](), sides[to]());
      }
    }
  }
  return joinLoops(next, points);
}

/** By which corners are inside (1 bottom left, 2 bottom right, 4 top right, 8 top left): crossings [from side, to side]. */
const SEGMENTS: readonly (readonly (readonly [0 | 1 | 2 | 3, 0 | 1 | 2 | 3])[])[] = [
  [], [[0, 3]], [[1, 0]], [[1, 3]], [[2, 1]], [[0, 3], [2, 1]], [[2, 0]], [[2, 3]],
  [[3, 2]], [[0, 2]], [[1, 0], [3, 2]], [[1, 2]], [[3, 1]], [[0, 1]], [[3, 0]], [],
];

function crossing(grid: ScalpGrid, depths: Float64Array, from: number, to: number): OpenedPoint {
  const f = depths[from] / (depths[from] - depths[to]);
  const at = (node: number) => ({
    x: grid.x0 + (node % grid.columns) * grid.step,
    y: grid.y0 + Math.floor(node / grid.columns) * grid.step,
  });
  const a = at(from);
  const b = at(to);
  return { x: a.x + (b.x - a.x) * f, y: a.y + (b.y - a.y) * f };
}

function joinLoops(next: Map<number, number>, points: Map<number, OpenedPoint>): Outline[] {
  const loops: Outline[] = [];
  const left = new Set(next.keys());
  for (const start of next.keys()) {
    if (!left.has(start)) continue;
    const loop: OpenedPoint[] = [];
    let at: number | undefined = start;
    while (at !== undefined && left.delete(at)) {
      loop.push(points.get(at)!);
      at = next.get(at);
    }
    if (loop.length > 2) loops.push(loop);
  }
  return loops.sort((a, b) => b.length - a.length);
}
