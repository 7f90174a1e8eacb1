import type { Head } from './head';
import { gaugeOn } from './skull';
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

/**
 * Point of the skin in the plane x = offset, turned by an angle from straight ahead over the top (radians).
 */
export function sagittalPoint(head: Head, offsetMm: number, angle: number): Vec3 {
  let inside = 0;
  let outside = 400 * head.k;
  for (let i = 0; i < 40; i += 1) {
    const r = (inside + outside) / 2;
    if (gaugeOn(head.skull, offsetMm, r * Math.sin(angle), r * Math.cos(angle)) < 1) inside = r;
    else outside = r;
  }
  return { x: offsetMm, y: inside * Math.sin(angle), z: inside * Math.cos(angle) };
}

/**
 * The part on the opened head: the line over the scalp at `offsetMm` from the middle plane (+ the client's
 * left), from
 * the hairline to the height of the crown.
 */
export function openedPart(head: Head, offsetMm: number, behindApexMm = 50): OpenedPoint[] {
  const line: OpenedPoint[] = [];
  // Turning in the plane x = offset from straight ahead over the top to the back.
  for (let turn = 0; turn <= 180; turn += 2) {
    const angle = (turn * Math.PI) / 180;
    const point = sagittalPoint(head, offsetMm, angle);
    const { azimuth, arc, hairArc } = head.locate(point);
    if (arc > hairArc) continue;
    if (point.z < 0 && arc > behindApexMm * head.k) break;
    line.push({ x: arc * Math.sin(azimuth), y: arc * Math.cos(azimuth) });
  }
  return line;
}
