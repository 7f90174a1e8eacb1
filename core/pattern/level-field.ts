import {
  distance as spaceBetween,
  fromOpened,
  sampleRaster,
  traceLevel,
  type Head,
  type OpenedPoint,
} from '../head';
import type { Field, Sectioned } from './field';
import { SAMPLE_MM, sliced, STRIDE, type TracedLine } from './section-line';

// Taken once: these run in the hot loops.
const { abs, atan2, max, min, round } = Math;

/** Nodes this far outside the panel are still traced, so that a parting reaches the panel's edge, mm. */
const MARGIN_MM = 15;

/**
 * Field of equal distance: the parting at s is the line over the scalp at a true distance from the hairline
 * (s = distance)
 * or from the part (s = −distance, so that rows still begin at the side farthest from it).
 * @param uneven values are no distances: the skin across a section is measured
 */
export function levelField(panel: Sectioned, distance: Float64Array, sign: 1 | -1, uneven = false): Field {
  const { frame, depths } = panel;
  const { grid, head } = frame;
  const near = (i: number) => depths[i] > -MARGIN_MM * head.k;
  const cells: number[] = [];
  // A cell counts from whichever corner it is seen, so that a mirrored head is traced alike.
  for (let i = 0; i + grid.columns + 1 < depths.length; i += 1) {
    if (near(i) || near(i + 1) || near(i + grid.columns) || near(i + grid.columns + 1)) cells.push(i);
  }
  const { low, high } = range(panel, distance, sign);

  const trace = (s: number, thicknessMm: number): TracedLine | undefined => {
    const line = longest(traceLevel(grid, distance, sign * s, cells));
    if (!line || line.points.length < 3) return undefined;
    const points = evenSteps(head, ordered(line), SAMPLE_MM * head.k);
    const count = points.length;
    if (count < 3) return undefined;
    const middle = new Float64Array(STRIDE * count);
    const before = new Float64Array(STRIDE * count);
    const after = new Float64Array(STRIDE * count);
    points.forEach((point, i) => {
      const { x, y, z } = fromOpened(head, point);
      middle.set([x, y, z, point.x, point.y], STRIDE * i);
      const step = stepAcross(point, (sign * thicknessMm) / 2);
      for (const [edge, turn] of [
        [before, -1],
        [after, 1],
      ] as const) {
        const own = { x: point.x + turn * step.x, y: point.y + turn * step.y };
        const on = uneven ? fromOpened(head, own) : { x, y, z };
        edge.set([on.x, on.y, on.z, own.x, own.y], STRIDE * i);
      }
    });
    return { count, middle, ...(!uneven && { acrossMm: thicknessMm }), edges: sliced(before, after) };
  };

  /** Step on the opened head that changes the distance by `mm`: along its gradient there. */
  const stepAcross = ({ x, y }: OpenedPoint, mm: number): OpenedPoint => {
    const h = grid.step;
    const gx = (sampleRaster(grid, distance, x + h, y) - sampleRaster(grid, distance, x - h, y)) / (2 * h);
    const gy = (sampleRaster(grid, distance, x, y + h) - sampleRaster(grid, distance, x, y - h)) / (2 * h);
    const size = gx * gx + gy * gy;
    return size > 0.05 ? { x: (mm * gx) / size, y: (mm * gy) / size } : { x: 0, y: 0 };
  };
  return { extent: [low, high], trace };
}

/**
 * Distances that the panel covers, from its outline and its nodes (a panel may enclose the farthest point).
 */
function range({ frame: { grid }, depths, outlines }: Sectioned, distance: Float64Array, sign: 1 | -1) {
  let low = Infinity;
  let high = -Infinity;
  const take = (value: number) => {
    if (Number.isNaN(value)) return;
    low = min(low, sign * value);
    high = max(high, sign * value);
  };
  for (const { x, y } of outlines.flat()) take(sampleRaster(grid, distance, x, y));
  depths.forEach((depth, i) => depth > 0 && take(distance[i]));
  // The outline follows the hairline to within half a step of the raster.
  return { low: abs(low) < grid.step / 2 ? 0 : low, high: abs(high) < grid.step / 2 ? 0 : high };
}

interface Level {
  readonly points: readonly OpenedPoint[];
  readonly closed: boolean;
}

function longest(lines: readonly Level[]): Level | undefined {
  return lines.reduce<Level | undefined>(
    (best, line) => (!best || line.points.length > best.points.length ? line : best),
    undefined,
  );
}

/** From the face to the back; a closed line is opened at the back. */
function ordered({ points, closed }: Level): readonly OpenedPoint[] {
  const away = (p: OpenedPoint) => abs(atan2(p.x, p.y));
  if (closed) {
    const cut = points.reduce((best, p, i) => (away(p) > away(points[best]) ? i : best), 0);
    return [...points.slice(cut), ...points.slice(0, cut + 1)];
  }
  return away(points[0]) <= away(points[points.length - 1]) ? points : [...points].reverse();
}

/**
 * The same line in even steps over the skin, as near to the wanted step as its length allows, from end to
 * end.
 */
function evenSteps(head: Head, points: readonly OpenedPoint[], step: number): OpenedPoint[] {
  const on = points.map((point) => fromOpened(head, point));
  const lengths = [0];
  for (let i = 1; i < points.length; i += 1) lengths.push(lengths[i - 1] + spaceBetween(on[i - 1], on[i]));
  const whole = lengths[lengths.length - 1];
  const pieces = max(1, round(whole / step));
  const out: OpenedPoint[] = [];
  let i = 1;
  for (let n = 0; n <= pieces; n += 1) {
    const wanted = (whole * n) / pieces;
    while (i < points.length - 1 && lengths[i] < wanted) i += 1;
    const f = lengths[i] > lengths[i - 1] ? (wanted - lengths[i - 1]) / (lengths[i] - lengths[i - 1]) : 0;
    out.push({
      x: points[i - 1].x + (points[i].x - points[i - 1].x) * f,
      y: points[i - 1].y + (points[i].y - points[i - 1].y) * f,
    });
  }
  return out;
}
