import type { PlaneField } from './plane-field';
import { SAMPLE_MM, sliced, STRIDE, type TracedLine } from './section-line';

// Taken once: these run in the hot loops.
const { ceil, hypot } = Math;

/** A straight line in the coordinates (s, u) of a plane field, from one end to the other, mm. */
export interface SlantedLine {
  readonly from: readonly [s: number, u: number];
  readonly to: readonly [s: number, u: number];
}

/**
 * Traces the section about a slanted line: its edges lie half a thickness to each side, across the line in
 * (s, u).
 */
export function traceSlanted(
  field: PlaneField,
  line: SlantedLine,
  thicknessMm: number,
  k: number,
): TracedLine | undefined {
  const [s0, u0] = line.from;
  const [s1, u1] = line.to;
  const length = hypot(s1 - s0, u1 - u0);
  const pieces = ceil(length / (SAMPLE_MM * k));
  if (pieces < 2) return undefined;
  // Across the line, towards growing s.
  const turn = u1 >= u0 ? 1 : -1;
  const ds = ((turn * (u1 - u0)) / length) * (thicknessMm / 2);
  const du = ((-turn * (s1 - s0)) / length) * (thicknessMm / 2);
  const count = pieces + 1;
  const middle = new Float64Array(STRIDE * count);
  const before = new Float64Array(STRIDE * count);
  const after = new Float64Array(STRIDE * count);
  for (let i = 0; i < count; i += 1) {
    const f = i / pieces;
    const s = s0 + (s1 - s0) * f;
    const u = u0 + (u1 - u0) * f;
    field.pointAt(s, u, middle, STRIDE * i);
    field.pointAt(s - ds, u - du, before, STRIDE * i);
    field.pointAt(s + ds, u + du, after, STRIDE * i);
  }
  return { count, middle, edges: sliced(before, after) };
}
