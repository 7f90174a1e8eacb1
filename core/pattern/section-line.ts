import { sampleRaster, type Head, type Vec3 } from '../head';
import type { Frame } from './frame';

// Taken once: these run in the hot loops.
const { abs, atan2, ceil, cos, floor, hypot, max, min, round, sin, sqrt } = Math;

/** Numbers per sample of a traced line: x, y, z on the head and x, y on the opened head, mm. */
export const STRIDE = 5;
/** Distance between the samples along a section, mm on the average head. */
export const SAMPLE_MM = 4;
/**
 * Runs shorter than this are not worth a foil and are dropped; shorter gaps outside the hairline (at the ear)
 * are bridged.
 */
export const SHORTEST_RUN_MM = 15;

/** A line traced over the scalp in equal steps: the middle of a section. */
export interface TracedLine {
  readonly count: number;
  /** Packed samples, STRIDE numbers each. */
  readonly middle: Float64Array;
  /** u of the first sample, mm, where the field counts it. */
  readonly firstU?: number;
  /** Skin across the section, mm, where it is known; otherwise it is measured between the edges. */
  readonly acrossMm?: number;
  /** The section's edges, half a thickness before and behind the middle, for samples from…to. */
  edges(from: number, to: number): { readonly before: Float64Array; readonly after: Float64Array };
}

/**
 * The hair of one section along a parting: a ribbon over the scalp. Foils are pieces of it, and everything
 * that is counted
 * (width, skin, stitches, roots) is measured on it.
 */
export interface Ribbon {
  /** Samples, evenly spaced along the parting; at least 3. */
  readonly count: number;
  readonly widthMm: number;
  /** Packed xyz of the middle. */
  readonly xyz: Float64Array;
  /**
   * Packed xy on the opened head of the middle, the edge before and the edge behind: six numbers a sample.
   */
  readonly opened: Float64Array;
  /** Skin across the section at each sample, mm. */
  readonly across: Float64Array;
}

/** Writes a point of the head and its place on the opened head as sample i. */
export function packSample(head: Head, point: Vec3, out: Float64Array, i: number): void {
  const { azimuth, arc } = head.locate(point);
  const at = STRIDE * i;
  out[at] = point.x;
  out[at + 1] = point.y;
  out[at + 2] = point.z;
  out[at + 3] = arc * sin(azimuth);
  out[at + 4] = arc * cos(azimuth);
}

/** Edges traced as a whole, cut to what is asked for. */
export function sliced(before: Float64Array, after: Float64Array): TracedLine['edges'] {
  return (from, to) => ({
    before: before.subarray(STRIDE * from, STRIDE * (to + 1)),
    after: after.subarray(STRIDE * from, STRIDE * (to + 1)),
  });
}

/** An interval of sample positions (with fraction) along a traced line. */
export type Run = readonly [from: number, to: number];

/**
 * Where a traced line lies inside a region given as a raster of depths: every run, as a parting may leave and
 * re-enter.
 */
export function runsInside(line: TracedLine, frame: Frame, depths: Float64Array): Run[] {
  const { grid, head } = frame;
  const runs: [number, number][] = [];
  let before = -1;
  let opened: number | undefined;
  for (let i = 0; i < line.count; i += 1) {
    const sampled = sampleRaster(grid, depths, line.middle[STRIDE * i + 3], line.middle[STRIDE * i + 4]);
    const depth = Number.isNaN(sampled) ? -1 : sampled;
    if (depth > 0 && opened === undefined) opened = i > 0 ? i - depth / (depth - before) : 0;
    if (depth <= 0 && opened !== undefined) {
      runs.push([opened, i - 1 + before / (before - depth)]);
      opened = undefined;
    }
    before = depth;
  }
  if (opened !== undefined) runs.push([opened, line.count - 1]);
  if (runs.length === 0) return runs;
  const shortest = (SHORTEST_RUN_MM * head.k) / meanStep(line, runs[0][0], runs[runs.length - 1][1]);
  const joined: [number, number][] = [];
  for (const run of runs) {
    const last = joined.at(-1);
    if (last && run[0] - last[1] < shortest && outsideHair((run[0] + last[1]) / 2)) last[1] = run[1];
    else joined.push(run);
  }
  return joined.filter(([from, to]) => to - from >= shortest);

  function outsideHair(position: number): boolean {
    const i = STRIDE * round(position);
    const x = line.middle[i + 3];
    const y = line.middle[i + 4];
    return hypot(x, y) > head.hairArc(atan2(x, y));
  }
}

function lengthBetween(packed: Float64Array, from: number, to: number): number {
  let length = 0;
  for (let i = from; i < to; i += 1) length += stepLength(packed, STRIDE, i, i + 1);
  return length;
}

function stepLength(packed: Float64Array, stride: number, i: number, j: number): number {
  const a = stride * i;
  const b = stride * j;
  const x = packed[b] - packed[a];
  const y = packed[b + 1] - packed[a + 1];
  const z = packed[b + 2] - packed[a + 2];
  return sqrt(x * x + y * y + z * z);
}

/** Cuts a run out of a traced line as a ribbon. */
export function ribbonOf(line: TracedLine, [from, to]: Run, stepMm: number): Ribbon {
  // Roughly even steps first; a section's own length is summed over them.
  const pieces = max(2, ceil(((to - from) * meanStep(line, from, to)) / stepMm));
  const count = pieces + 1;
  const xyz = new Float64Array(3 * count);
  const opened = new Float64Array(6 * count);
  const across = new Float64Array(count);
  const first = min(line.count - 2, floor(from));
  const last = min(line.count - 1, floor(to) + 1);
  const { before, after } = line.edges(first, last);
  for (let j = 0; j < count; j += 1) {
    const position = from + ((to - from) * j) / pieces;
    const i = min(line.count - 2, floor(position));
    const f = position - i;
    const a = STRIDE * i;
    const b = a + STRIDE;
    const c = STRIDE * (i - first);
    const d = c + STRIDE;
    xyz[3 * j] = line.middle[a] * (1 - f) + line.middle[b] * f;
    xyz[3 * j + 1] = line.middle[a + 1] * (1 - f) + line.middle[b + 1] * f;
    xyz[3 * j + 2] = line.middle[a + 2] * (1 - f) + line.middle[b + 2] * f;
    opened[6 * j] = line.middle[a + 3] * (1 - f) + line.middle[b + 3] * f;
    opened[6 * j + 1] = line.middle[a + 4] * (1 - f) + line.middle[b + 4] * f;
    opened[6 * j + 2] = before[c + 3] * (1 - f) + before[d + 3] * f;
    opened[6 * j + 3] = before[c + 4] * (1 - f) + before[d + 4] * f;
    opened[6 * j + 4] = after[c + 3] * (1 - f) + after[d + 3] * f;
    opened[6 * j + 5] = after[c + 4] * (1 - f) + after[d + 4] * f;
    across[j] = line.acrossMm ?? acrossAt(line.middle, a, before, after, c, f);
  }
  let widthMm = 0;
  for (let j = 0; j < pieces; j += 1) widthMm += stepLength(xyz, 3, j, j + 1);
  return { count, widthMm, xyz, opened, across };
}

/** The middle of a section lies on the edge of its panel where it is as near, mm. */
const AT_EDGE_MM = 0.5;
/** A side of it runs along the edge where it comes less nearer to it in a step, mm. */
const ALONG_EDGE_MM = 1.2;

/**
 * Ends a section at the edge of its panel: the corners before and behind its middle are moved along their own
 * sides until
 * they lie on it, so that sections of neighbouring panels meet and do not lie over each other.
 * @param ends which of its ends is at the panel's edge; at the others it meets the next column
 */
export function fitEnds(
  { opened, across, count }: Ribbon,
  frame: Frame,
  depths: Float64Array,
  ends: { readonly first: boolean; readonly last: boolean },
): void {
  const depthAt = (j: number, side: number) =>
    sampleRaster(frame.grid, depths, opened[6 * j + side], opened[6 * j + side + 1]);
  /** By how many steps a corner was moved outwards. */
  const moved = (end: number, inner: number, side: number): number => {
    const outer = depthAt(end, side);
    const before = depthAt(inner, side);
    // Outside of the hairline nothing is sampled.
    const off = Number.isNaN(outer) ? -1 : outer;
    // A side that runs along the edge ends where its middle does.
    if (!(before - off > ALONG_EDGE_MM)) return 0;
    const by = min(1, max(-1, off / (before - off)));
    for (const i of [side, side + 1])
      opened[6 * end + i] += (opened[6 * end + i] - opened[6 * inner + i]) * by;
    return by;
  };
  const fit = (end: number, inner: number) => {
    // A section that begins within the panel has no edge there.
    if (!(abs(depthAt(end, 0)) < AT_EDGE_MM)) return;
    const by = (moved(end, inner, 2) + moved(end, inner, 4)) / 2;
    // Its last step holds as much more or less skin.
    across[end] = max(0, (1 + by) * (across[end] + across[inner]) - across[inner]);
  };
  if (ends.first) fit(0, 1);
  if (ends.last) fit(count - 1, count - 2);
}

function meanStep(line: TracedLine, from: number, to: number): number {
  const a = max(0, floor(from));
  const b = min(line.count - 1, ceil(to));
  return lengthBetween(line.middle, a, b) / max(1, b - a);
}

/**
 * Distance between the section's edges at right angles to the parting, mm; `a` and `c` are where the step's
 * samples begin.
 */
function acrossAt(
  middle: Float64Array,
  a: number,
  before: Float64Array,
  after: Float64Array,
  c: number,
  f: number,
): number {
  const b = a + STRIDE;
  const d = c + STRIDE;
  const tx = middle[b] - middle[a];
  const ty = middle[b + 1] - middle[a + 1];
  const tz = middle[b + 2] - middle[a + 2];
  const size = tx * tx + ty * ty + tz * tz;
  const dx = (after[c] - before[c]) * (1 - f) + (after[d] - before[d]) * f;
  const dy = (after[c + 1] - before[c + 1]) * (1 - f) + (after[d + 1] - before[d + 1]) * f;
  const dz = (after[c + 2] - before[c + 2]) * (1 - f) + (after[d + 2] - before[d + 2]) * f;
  const along = size > 0 ? (dx * tx + dy * ty + dz * tz) / size : 0;
  const px = dx - along * tx;
  const py = dy - along * ty;
  const pz = dz - along * tz;
  return sqrt(px * px + py * py + pz * pz);
}

/** Skin under a ribbon, mm²: T·J integrated along the parting. */
export function ribbonArea(ribbon: Ribbon): number {
  let sum = 0;
  for (let j = 0; j + 1 < ribbon.count; j += 1) sum += pieceArea(ribbon, j);
  return sum;
}

/** Skin under the step of a ribbon from sample j to the next, mm². */
export function pieceArea({ xyz, across }: Ribbon, j: number): number {
  return stepLength(xyz, 3, j, j + 1) * ((across[j] + across[j + 1]) / 2);
}

/** Point of the ribbon's middle at a sample. */
export function ribbonPoint(ribbon: Ribbon, j: number): Vec3 {
  return { x: ribbon.xyz[3 * j], y: ribbon.xyz[3 * j + 1], z: ribbon.xyz[3 * j + 2] };
}
