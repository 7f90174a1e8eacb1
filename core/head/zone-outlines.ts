import type { Outline } from './contour';
import type { OpenedPoint } from './opened';
import type { ScalpGrid } from './scalp';
import { ZONES, type Zone } from './zones';

export interface ZoneOutline {
  readonly zone: Zone;
  /**
   * Smoothed for drawing; they reach past the hairline, where a drawing clips. Neighbours share their edge
   * exactly.
   */
  readonly outlines: readonly Outline[];
  /** Where a label stands best: well inside the zone, near its middle. */
  readonly label: OpenedPoint;
}

/** Passes of the filter that takes the steps of the raster out of an edge. */
const SMOOTHING = 14;

/**
 * The zones as outlines on the opened head: a map without gaps, since an edge is smoothed the same way from
 * both sides.
 */
export function zoneOutlines(grid: ScalpGrid): ZoneOutline[] {
  const zones = grid.points.map((point, i) => (point ? grid.scalp.zoneAt(point, grid.places[i]) : undefined));
  const mesh = makeMesh(grid, zones);
  return ZONES.map((zone) => ({ zone, outlines: mesh.loopsOf(zone), label: labelPlace(grid, zone) }));
}

/**
 * The edges between cells of the raster as a mesh: a vertex where cells meet, fixed where three zones or more
 * do, the
 * others moved by the binomial filter 1 2 1 along the edge that they lie on.
 */
function makeMesh(grid: ScalpGrid, zones: readonly (Zone | undefined)[]) {
  const { columns, rows } = grid;
  // Vertex (c, r) is the lower left corner of node (c, r); the four nodes round it:
  const around = (v: number) => [v - columns - 1, v - columns, v, v - 1].map((i) => zones[i]);
  const divided = (v: number, w: number) => {
    // The edge v–w lies between two nodes: beside each other for an upright edge, above each other for a
    // level one.
    const low = Math.min(v, w);
    return zones[low] !== zones[Math.abs(v - w) === 1 ? low - columns : low - 1];
  };
  const neighbours = (v: number) => [v + 1, v - 1, v + columns, v - columns].filter((w) => divided(v, w));

  const links = new Map<number, readonly number[]>();
  for (let r = 1; r < rows - 1; r += 1) {
    for (let c = 1; c < columns - 1; c += 1) {
      const v = r * columns + c;
      if (new Set(around(v)).size > 1) links.set(v, neighbours(v));
    }
  }
  let at = new Map<number, OpenedPoint>();
  for (const v of links.keys()) {
    at.set(v, {
      x: grid.x0 + ((v % columns) - 0.5) * grid.step,
      y: grid.y0 + (Math.floor(v / columns) - 0.5) * grid.step,
    });
  }
  for (let pass = 0; pass < SMOOTHING; pass += 1) {
    const next = new Map<number, OpenedPoint>();
    for (const [v, linked] of links) {
      const openedPoint = at.get(v)!;
      const [a, b] = linked.map((w) => at.get(w));
      // Junctions and the ends of edges stay where they are.
      next.set(
        v,
        linked.length === 2 && a && b
          ? { x: (a.x + 2 * openedPoint.x + b.x) / 4, y: (a.y + 2 * openedPoint.y + b.y) / 4 }
          : openedPoint,
      );
    }
    at = next;
  }

  /** Loops round a zone, the zone on the left of the way. */
  const loopsOf = (zone: Zone): Outline[] => {
    const onward = new Map<number, number[]>();
    const step = (from: number, to: number) => onward.set(from, [...(onward.get(from) ?? []), to]);
    zones.forEach((own, i) => {
      if (own !== zone) return;
      const corners = [i, i + 1, i + 1 + columns, i + columns];
      const beside = [i - columns, i + 1, i + columns, i - 1];
      beside.forEach((other, side) => zones[other] !== zone && step(corners[side], corners[(side + 1) % 4]));
    });
    const loops: OpenedPoint[][] = [];
    for (const start of onward.keys()) {
      const loop: OpenedPoint[] = [];
      let v: number | undefined = start;
      while (v !== undefined) {
        const w: number | undefined = onward.get(v)?.pop();
        if (w === undefined) break;
        const point = at.get(v);
        if (point) loop.push(point);
        v = w;
      }
      if (loop.length > 2) loops.push(loop);
    }
    return loops.sort((a, b) => b.length - a.length);
  };
  return { loopsOf };
}

/** A label has room enough at this share of the most that its zone has. */
const ENOUGH = 0.9;

/**
 * Of the nodes farthest from the zone's edge (within a tenth of the best) the one nearest its centroid; a
 * zone that
 * crosses the middle is named in the middle.
 */
function labelPlace(grid: ScalpGrid, zone: Zone): OpenedPoint {
  const at = (i: number): OpenedPoint => ({
    x: grid.x0 + (i % grid.columns) * grid.step,
    y: grid.y0 + Math.floor(i / grid.columns) * grid.step,
  });
  const values: number[] = [];
  grid.zones.forEach((other, i) => other === zone && values.push(i));
  const isEdge = (i: number) =>
    [1, -1, grid.columns, -grid.columns].some((by) => grid.zones[i + by] !== zone);
  const edge = values.filter(isEdge).map(at);
  const inMiddle = /-[lr]$/.test(zone) ? values : values.filter((i) => Math.abs(at(i).x) < grid.step);
  const middle = { x: mean(inMiddle.map((i) => at(i).x)), y: mean(inMiddle.map((i) => at(i).y)) };
  const off = (p: OpenedPoint) => (p.x - middle.x) ** 2 + (p.y - middle.y) ** 2;
  // Nearest the middle first: of those with room enough the first is wanted, and the best so far rules most others
  // out at their first few edges.
  const points = inMiddle.map(at).sort((a, b) => off(a) - off(b));
  let most = 0;
  const room = points.map((p) => {
    let least = Infinity;
    for (const e of edge) {
      least = Math.min(least, (p.x - e.x) ** 2 + (p.y - e.y) ** 2);
      if (least < ENOUGH * ENOUGH * most) return least;
    }
    most = Math.max(most, least);
    return least;
  });
  const best = points[room.findIndex((square) => Math.sqrt(square) >= ENOUGH * Math.sqrt(most) - 1e-9)];
  return inMiddle === values ? best : { x: 0, y: best.y };
}

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
