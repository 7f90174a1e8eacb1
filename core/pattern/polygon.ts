import type { OpenedPoint } from '../head';

// Taken once: these run in the hot loops.
const { abs, max, min, sqrt } = Math;

/** Signed distance to a closed outline on the opened head, mm: positive inside (even–odd rule). */
export function polygonDepth(outline: readonly OpenedPoint[], { x, y }: OpenedPoint): number {
  let inside = false;
  let least = Infinity;
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i, i += 1) {
    const a = outline[j];
    const b = outline[i];
    const ex = b.x - a.x;
    const ey = b.y - a.y;
    const px = x - a.x;
    const py = y - a.y;
    const size = ex * ex + ey * ey;
    const f = size > 0 ? min(1, max(0, (px * ex + py * ey) / size)) : 0;
    least = min(least, (px - f * ex) ** 2 + (py - f * ey) ** 2);
    if (a.y > y !== b.y > y && x < a.x + ((y - a.y) / (b.y - a.y)) * ex) inside = !inside;
  }
  return inside ? sqrt(least) : -sqrt(least);
}

/** Whether two edges of a closed outline cross each other. */
export function crossesItself(outline: readonly OpenedPoint[]): boolean {
  const n = outline.length;
  const turn = (a: OpenedPoint, b: OpenedPoint, c: OpenedPoint) =>
    (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
  for (let i = 0; i < n; i += 1) {
    const a = outline[i];
    const b = outline[(i + 1) % n];
    for (let j = i + 2; j < n; j += 1) {
      if (i === 0 && j === n - 1) continue;
      const c = outline[j];
      const d = outline[(j + 1) % n];
      if (turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0) return true;
    }
  }
  return false;
}

/** Area enclosed, mm² of the opened head. */
export function polygonArea(outline: readonly OpenedPoint[]): number {
  let twice = 0;
  outline.forEach((a, i) => {
    const b = outline[(i + 1) % outline.length];
    twice += a.x * b.y - b.x * a.y;
  });
  return abs(twice) / 2;
}
