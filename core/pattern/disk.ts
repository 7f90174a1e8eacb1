import type { Head, OpenedPoint } from '../head';
import type { DiskPoint } from './types';

const { atan2, cos, hypot, min, round, sin } = Math;
/** Farthest outside the hairline that a corner is kept, as a share of the way to it. */
const FARTHEST = 1.45;

/** A point of the disk on the opened head of a client, mm. */
export function openedFromDisk(head: Head, [x, y]: DiskPoint): OpenedPoint {
  const azimuth = atan2(x, y);
  const arc = hypot(x, y) * head.hairArc(azimuth);
  return { x: arc * sin(azimuth), y: arc * cos(azimuth) };
}

/**
 * A point of the opened head in the disk, rounded to about a tenth of a millimetre. Inverse of {@link
 * openedFromDisk}.
 */
export function diskPointOf(head: Head, { x, y }: OpenedPoint): DiskPoint {
  const azimuth = atan2(x, y);
  const t = min(FARTHEST, hypot(x, y) / head.hairArc(azimuth));
  const rounded = (value: number) => round(value * 1000) / 1000 + 0;
  return [rounded(t * sin(azimuth)), rounded(t * cos(azimuth))];
}
