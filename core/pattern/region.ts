import type { OpenedPoint, ScalpGrid, ScalpPlace, Vec3 } from '../head';
import type { Frame } from './frame';

// Taken once: these run in the hot loops.
const { abs, max, min, sin } = Math;

/**
 * A region of the scalp as a signed depth: positive inside, roughly the distance in mm to the edge, negative
 * outside.
 * Regions combine by min (both), max (either) and negation (not). The node is that of the frame's raster.
 */
export type Region = (node: RegionNode) => number;

export interface RegionNode {
  readonly point: Vec3;
  readonly place: ScalpPlace;
  /** On the opened head, mm. */
  readonly opened: OpenedPoint;
  /** Index in the raster. */
  readonly index: number;
}

/**
 * Behind the ear: the azimuth at which the line from the apex meets the hairline, just behind the top of the
 * ear.
 */
const EAR_LINE_DEG = 100;
const EAR_LINE = (EAR_LINE_DEG * Math.PI) / 180;

/** Inside the hairline; depth down the meridian. */
export const hairBearing: Region = ({ place }) => place.hairArc - place.arc;

/** Behind the line apex → behind the ear on either side. */
export const behindEarLine: Region = ({ place }) => beyondAzimuth(place, EAR_LINE);

/** Depth in mm of a place beyond ± an azimuth (radians), towards the back. */
export function beyondAzimuth(place: ScalpPlace, azimuth: number): number {
  return place.arc * sin(clampTurn(abs(place.azimuth) - azimuth));
}

/** On the client's left (in this frame) of the sagittal plane at `offsetMm`. */
export const leftOf =
  (offsetMm: number): Region =>
  ({ point }) =>
    point.x - offsetMm;

export const both =
  (...regions: Region[]): Region =>
  (node) => {
    let depth = Infinity;
    for (const region of regions) depth = min(depth, region(node));
    return depth;
  };

export const either =
  (...regions: Region[]): Region =>
  (node) => {
    let depth = -Infinity;
    for (const region of regions) depth = max(depth, region(node));
    return depth;
  };

export const not =
  (region: Region): Region =>
  (node) =>
    -region(node);

/**
 * A region that depends on the head alone: each node is worked out once for all panels that ask.
 * @param key what tells it from the others of this raster
 */
export function onceByNode(
  { grid, shared }: Pick<Frame, 'grid' | 'shared'>,
  key: string,
  region: () => Region,
): Region {
  if (!shared) return region();
  const known = headRegions.get(grid) ?? new Map<string, Region>();
  headRegions.set(grid, known);
  const had = known.get(key);
  if (had) return had;
  const depths = new Float64Array(grid.points.length).fill(Number.NaN);
  const worked = region();
  const once: Region = (node) => {
    const depth = depths[node.index];
    return depth === depth ? depth : (depths[node.index] = worked(node));
  };
  known.set(key, once);
  return once;
}

const headRegions = new WeakMap<ScalpGrid, Map<string, Region>>();

/** An angle kept within ±90°, where its sine still grows. */
function clampTurn(angle: number): number {
  return min(Math.PI / 2, max(-Math.PI / 2, angle));
}
