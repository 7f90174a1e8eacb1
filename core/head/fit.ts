import { gaugeOn, SKULL, type SkullScale } from './skull';

/** Measures taken over a head, mm. */
export interface Measures {
  readonly circumferenceMm: number;
  /** Ear canal over the apex to ear canal; null when it was not measured. */
  readonly earToEarMm: number | null;
  /**
   * Hairline of the forehead over the apex to the hairline of the nape, along the middle; null when not
   * measured.
   */
  readonly frontToNapeMm: number | null;
}

/**
 * A measure that asks for a scale outside this range of the circumference's is a slip of the tape, not a
 * head.
 */
const LEAST = 0.7;
const MOST = 1.4;

/**
 * Scales of the skull that reproduce the measures: breadth and length by the circumference, height by the
 * ear-to-ear arc;
 * with both arcs known, length against breadth by the front-to-nape arc; with only that one, height by it.
 *
 * @param forehead height y of the hairline in the middle of the forehead on the average head, mm
 * @param nape the same at the nape, mm
 * @throws RangeError when no head of usual proportions has these measures
 */
export function fitSkull(measures: Measures, forehead: number, nape: number): SkullScale {
  const { circumferenceMm, earToEarMm, frontToNapeMm } = measures;
  const k = circumferenceMm / SKULL.circumferenceMm;
  if (!(k > 0) || !Number.isFinite(k))
    throw new RangeError(`Head circumference ${circumferenceMm} mm is not a length.`);
  const heightBy = (x: number, z: number): number => {
    if (earToEarMm !== null) return solve(earToEarMm, (r) => earToEar({ x, y: r * k, z }), 'ear-to-ear') * k;
    if (frontToNapeMm !== null)
      return (
        solve(frontToNapeMm, (r) => frontToNape({ x, y: r * k, z }, forehead, nape), 'front-to-nape') * k
      );
    return k;
  };
  if (earToEarMm === null || frontToNapeMm === null) return { x: k, y: heightBy(k, k), z: k };
  const withLength = (z: number): SkullScale => {
    const x = solve(circumferenceMm, (r) => circumference({ x: r * k, y: k, z }), 'circumference') * k;
    return { x, y: heightBy(x, z), z };
  };
  return withLength(
    k *
      solve(
        frontToNapeMm,
        (r) => frontToNape(withLength(r * k), forehead, nape),
        'front-to-nape',
        0.85,
        1.15,
      ),
  );
}

/** Lengths are fitted to this, mm: far finer than a tape. */
const TOLERANCE_MM = 1e-5;

/**
 * The ratio between low and high at which a growing length meets the measure: regula falsi in the Illinois
 * variant.
 */
function solve(
  measure: number,
  lengthAt: (scale: number) => number,
  what: string,
  low = LEAST,
  high = MOST,
): number {
  let a = low;
  let b = high;
  let atA = lengthAt(a) - measure;
  let atB = lengthAt(b) - measure;
  if (!(atA <= 0 && atB >= 0)) {
    throw new RangeError(
      `The ${what} measure of ${measure} mm does not go with the other measures of this head.`,
    );
  }
  let kept = 0;
  for (let i = 0; i < 60; i += 1) {
    const c = atB === atA ? (a + b) / 2 : (a * atB - b * atA) / (atB - atA);
    const atC = lengthAt(c) - measure;
    if (abs(atC) < TOLERANCE_MM) return c;
    if (atC < 0) {
      a = c;
      atA = atC;
      if (kept === -1) atB /= 2;
      kept = -1;
    } else {
      b = c;
      atB = atC;
      if (kept === 1) atA /= 2;
      kept = 1;
    }
  }
  return (a + b) / 2;
}

const { abs, cos, hypot, sin } = Math;
const STEPS = 120;

/** Length of a plane curve of the surface between two angles; `direction` gives its rays. */
function curve(
  scaled: SkullScale,
  from: number,
  to: number,
  direction: (angle: number) => readonly [number, number, number],
): number {
  let length = 0;
  let before: readonly [number, number, number] | undefined;
  for (let i = 0; i <= STEPS; i += 1) {
    const [x, y, z] = direction(from + ((to - from) * i) / STEPS);
    const g = gaugeOn(scaled, x, y, z);
    const here = [x / g, y / g, z / g] as const;
    if (before) length += hypot(here[0] - before[0], here[1] - before[1], here[2] - before[2]);
    before = here;
  }
  return length;
}

function circumference(scaled: SkullScale): number {
  return curve(scaled, 0, 2 * Math.PI, (a) => [sin(a), 0, cos(a)]);
}

/** Arc over the apex from ear canal to ear canal, mm. */
export function earToEar(scaled: SkullScale): number {
  const angle = polarAtHeight(scaled, SKULL.earCanalY * scaled.y, 'x');
  return 2 * curve(scaled, 0, angle, (a) => [sin(a), cos(a), 0]);
}

/** Arc over the apex from the hairline of the forehead to that of the nape, mm. */
export function frontToNape(scaled: SkullScale, forehead: number, nape: number): number {
  const front = polarAtHeight(scaled, forehead * scaled.y, 'z');
  const back = polarAtHeight(scaled, nape * scaled.y, '-z');
  return curve(scaled, -front, back, (a) => [0, cos(a), -sin(a)]);
}

/** Angle from the apex at which the outline in a vertical plane of symmetry has come down to a height. */
function polarAtHeight(scaled: SkullScale, y: number, axis: 'x' | 'z' | '-z'): number {
  let low = 0;
  let high = Math.PI;
  for (let i = 0; i < 34; i += 1) {
    const angle = (low + high) / 2;
    const across = axis === '-z' ? -sin(angle) : sin(angle);
    const up = cos(angle);
    const g = axis === 'x' ? gaugeOn(scaled, across, up, 0) : gaugeOn(scaled, 0, up, across);
    if (up / g > y) low = angle;
    else high = angle;
  }
  return low;
}
