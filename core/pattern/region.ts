import type { Head, ScalpPlace, Vec3 } from '../head';
import type { Place } from './types';

/** Behind the ear: the azimuth at which the line from the apex meets the hairline, just behind the top of the ear. */
export const EAR_LINE_DEG = 100;
const EAR_LINE = (EAR_LINE_DEG * Math.PI) / 180;

/**
 * A region of the scalp as a signed depth: positive inside, roughly the distance in mm to the edge, negative outside.
 * Regions combine by min (both) and negation (not).
 */
export type Region = (point: Vec3, place: ScalpPlace) => number;

/** Inside the hairline; depth down the meridian. */
export const hairBearing: Region = (_, place) => place.hairArc - place.arc;

/** Behind the line apex → behind the ear on either side. */
export const behindEarLine: Region = (_, place) => place.arc * Math.sin(clampTurn(Math.abs(place.azimuth) - EAR_LINE));

/** On the client's left of the sagittal plane at `offsetMm`. */
export const leftOf = (offsetMm: number): Region => (point) => point.x - offsetMm;

export const both = (...regions: Region[]): Region => (point, place) => {
  let depth = Infinity;
  for (const region of regions) depth = Math.min(depth, region(point, place));
  return depth;
};

export const not = (region: Region): Region => (point, place) => -region(point, place);

/** An angle kept within ±90°, where its sine still grows. */
function clampTurn(angle: number): number {
  return Math.min(Math.PI / 2, Math.max(-Math.PI / 2, angle));
}

/**
 * The region that a place takes on the client's left. The right side is computed in the mirror: pass the mirrored head's
 * part, −offset. `back` is the left one of its two quadrants.
 */
export function leftRegion(place: Place, partOffsetMm: number): Region {
  if (place.kind === 'back') return both(hairBearing, behindEarLine, leftOf(0));
  return both(hairBearing, not(behindEarLine), leftOf(partOffsetMm));
}

/** Depth of a region at a point of the head. */
export function depthAt(region: Region, head: Head, point: Vec3): number {
  return region(point, head.locate(point));
}
