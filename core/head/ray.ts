import { gaugeOn, type SkullScale } from './skull';
import { addScaled, type Vec3 } from './vector';

/** Half-line: where it begins, and its unit direction; mm in the head's axes. */
export interface Ray {
  readonly from: Vec3;
  readonly along: Vec3;
}

const { sqrt } = Math;
const GOLDEN = (sqrt(5) - 1) / 2;
const STEPS = 48;

/**
 * Where a ray from outside meets the skull first; undefined when it passes by. g is convex along a line, so
 * its lowest
 * point is found by golden sections and the entry before it by halving; to 1e-6 mm.
 * @param reachMm how far along the ray to look
 */
export function skullHit(skull: SkullScale, { from, along }: Ray, reachMm = 2000): Vec3 | undefined {
  const g = (mm: number) => {
    const { x, y, z } = addScaled(from, along, mm);
    return gaugeOn(skull, x, y, z);
  };
  let low = 0;
  let high = reachMm;
  for (let i = 0; i < STEPS; i += 1) {
    const span = (high - low) * GOLDEN;
    if (g(high - span) < g(low + span)) high = low + span;
    else low = high - span;
  }
  let inside = (low + high) / 2;
  if (g(inside) > 1) return undefined;
  let outside = 0;
  for (let i = 0; i < STEPS; i += 1) {
    const middle = (outside + inside) / 2;
    if (g(middle) > 1) outside = middle;
    else inside = middle;
  }
  return addScaled(from, along, inside);
}
