import type { OpenedPoint } from './opened';
import type { ScalpGrid } from './scalp';

// Taken once: asked in the hot loops.
const { isNaN } = Number;

/** A closed outline on the opened head, mm. */
export type Outline = readonly OpenedPoint[];

/**
 * The zero line of a region's depth by marching squares with linear interpolation, joined into closed
 * outlines.
 * @param depths by node, positive inside; NaN where unknown
 */
export function traceOutlines(grid: ScalpGrid, depths: Float64Array): Outline[] {
  const { columns, rows } = grid;
  const cells: number[] = [];
  for (let r = 0; r + 1 < rows; r += 1) {
    for (let a = r * columns; a + 1 < (r + 1) * columns; a += 1) if (!isNaN(depths[a])) cells.push(a);
  }
  return traceLevel(grid, depths, 0, cells).map(({ points }) => points);
}

/** A line of equal value: closed, or open where it leaves the cells that were looked at. */
export interface LevelLine {
  readonly points: Outline;
  readonly closed: boolean;
}

/**
 * The lines at which a raster takes a value, longest first; greater values lie on their left.
 * @param cells cells to look at, each named by its lower left node
 */
export function traceLevel(
  grid: ScalpGrid,
  values: Float64Array,
  level: number,
  cells: readonly number[],
): LevelLine[] {
  const { columns } = grid;
  const next = new Map<number, number>();
  for (const a of cells) {
    const v0 = values[a] - level;
    const v1 = values[a + 1] - level;
    const v2 = values[a + columns + 1] - level;
    const v3 = values[a + columns] - level;
    const code = (v0 > 0 ? 1 : 0) | (v1 > 0 ? 2 : 0) | (v2 > 0 ? 4 : 0) | (v3 > 0 ? 8 : 0);
    if (code === 0 || code === 15 || isNaN(v0 + v1 + v2 + v3)) continue;
    // An edge between two nodes is named by its lower node and its direction (0 along the row, 1 along the
    // column).
    const sides = [2 * a, 2 * (a + 1) + 1, 2 * (a + columns), 2 * a + 1];
    for (const [from, to] of SEGMENTS[code]) next.set(sides[from], sides[to]);
  }
  return joined(next, (edge) => {
    const node = edge >> 1;
    return crossing(grid, values, level, node, edge & 1 ? node + columns : node + 1);
  });
}

/**
 * By which corners are inside (1 bottom left, 2 bottom right, 4 top right, 8 top left): crossings [from side,
 * to side].
 */
const SEGMENTS: readonly (readonly (readonly [0 | 1 | 2 | 3, 0 | 1 | 2 | 3])[])[] = [
  [],
  [[0, 3]],
  [[1, 0]],
  [[1, 3]],
  [[2, 1]],
  [
    [0, 3],
    [2, 1],
  ],
  [[2, 0]],
  [[2, 3]],
  [[3, 2]],
  [[0, 2]],
  [
    [1, 0],
    [3, 2],
  ],
  [[1, 2]],
  [[3, 1]],
  [[0, 1]],
  [[3, 0]],
  [],
];

function crossing(
  grid: ScalpGrid,
  values: Float64Array,
  level: number,
  from: number,
  to: number,
): OpenedPoint {
  const f = (values[from] - level) / (values[from] - values[to]);
  const x = grid.x0 + (from % grid.columns) * grid.step;
  const y = grid.y0 + Math.floor(from / grid.columns) * grid.step;
  return to === from + 1 ? { x: x + grid.step * f, y } : { x, y: y + grid.step * f };
}

function joined(next: Map<number, number>, pointOf: (edge: number) => OpenedPoint): LevelLine[] {
  const lines: LevelLine[] = [];
  const left = new Set(next.keys());
  const follow = (start: number): void => {
    const points: OpenedPoint[] = [];
    let at: number | undefined = start;
    while (at !== undefined && left.delete(at)) {
      points.push(pointOf(at));
      at = next.get(at);
    }
    const closed = at === start;
    if (at !== undefined && !closed) points.push(pointOf(at));
    if (points.length > 2) lines.push({ points, closed });
  };
  // Open lines from their beginnings, then what is closed.
  const targets = new Set(next.values());
  for (const start of next.keys()) if (!targets.has(start)) follow(start);
  for (const start of next.keys()) if (left.has(start)) follow(start);
  return lines.sort((a, b) => b.points.length - a.points.length);
}
