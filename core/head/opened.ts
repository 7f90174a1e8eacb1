import type { Head } from './head';
import type { Vec3 } from './vector';

/**
 * The opened head: the scalp unrolled around the apex with real arc lengths (azimuthal equidistant).
 * +x the client's left, +y the forehead, mm. Drawings flip x so that the client's left is screen-left.
 */
export interface OpenedPoint {
  readonly x: number;
  readonly y: number;
}

export function toOpened(head: Head, point: Vec3): OpenedPoint {
  const { azimuth, arc } = head.locate(point);
  return { x: arc * Math.sin(azimuth), y: arc * Math.cos(azimuth) };
}

export function fromOpened(head: Head, { x, y }: OpenedPoint): Vec3 {
  return head.pointAt(Math.atan2(x, y), Math.hypot(x, y));
}

/** The hairline on the opened head, `count` points counted from the forehead round over the client's left. */
export function openedHairline(head: Head, count = 360): OpenedPoint[] {
  return Array.from({ length: count }, (_, i) => {
    const azimuth = (i / count) * 2 * Math.PI;
    const arc = head.hairArc(azimuth);
    return { x: arc * Math.sin(azimuth), y: arc * Math.cos(azimuth) };
  });
}
