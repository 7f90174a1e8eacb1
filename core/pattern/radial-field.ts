import {
  addScaled,
  cross,
  dot,
  fromOpened,
  normalize,
  scale,
  subtract,
  surfaceNormal,
  vec,
  type OpenedPoint,
  type Vec3,
} from '../head';
import { catmullRom } from './catmull-rom';
import type { Field, Sectioned } from './field';
import type { Side } from './types';
import { traceSection } from './section-curve';
import { packSample, SAMPLE_MM, STRIDE, type TracedLine } from './section-line';

/** Angle between the traced rays; those between are interpolated. */
const KNOT_DEG = 5;
const KNOTS = 360 / KNOT_DEG;
const REACH_MM = 230;
const TURN = 2 * Math.PI;
/** Samples at the pivot itself, where all rays meet, are left out. */
const FIRST_SAMPLE = 1;

/**
 * A radial field also traces wedges that reach only part of the radius: their rays begin `innerMm` from the
 * pivot.
 */
export interface RadialField extends Field {
  ray(s: number, thicknessMm: number, innerMm: number): TracedLine | undefined;
}

/**
 * Field of wedges: rays in the planes through the head's normal at a pivot. s is the angle times the radius
 * of the circle
 * at `radiusMm` from the pivot, so thickness and drop-out are true there and narrow towards the pivot.
 *
 * @param pivot on the opened head
 * @param roundBy side by which the wedges go round, from behind
 */
export function radialField(
  panel: Sectioned,
  pivot: OpenedPoint,
  radiusMm: number,
  roundBy: Side = 'right',
): RadialField {
  const { head } = panel.frame;
  const { skull, k } = head;
  const step = SAMPLE_MM * k;
  const centre = fromOpened(head, pivot);
  const normal = surfaceNormal(centre, skull);
  const forward = normalize(subtract(vec(0, 0, 1), scale(normal, normal.z)));
  const sideways = scale(cross(normal, forward), roundBy === 'right' ? 1 : -1);

  const rays: (Float64Array | undefined)[] = new Array<Float64Array | undefined>(KNOTS).fill(undefined);
  const rayAt = (knot: number): Float64Array => {
    const i = ((knot % KNOTS) + KNOTS) % KNOTS;
    const known = rays[i];
    if (known) return known;
    const angle = i * KNOT_DEG * (Math.PI / 180);
    const heading = addScaled(scale(forward, Math.cos(angle)), sideways, Math.sin(angle));
    const curve = traceSection(skull, centre, cross(normal, heading), heading, step, REACH_MM * k);
    const made = new Float64Array(STRIDE * (curve.ahead + 1));
    for (let j = 0; j <= curve.ahead; j += 1) {
      const at = 3 * (j + curve.back);
      const point = { x: curve.xyz[at], y: curve.xyz[at + 1], z: curve.xyz[at + 2] };
      packSample(head, point, made, j);
    }
    rays[i] = made;
    return made;
  };

  /** Samples from..to of the ray at an angle. */
  const ray = (angle: number, from: number, to: number): Float64Array => {
    const position = angle / (KNOT_DEG * (Math.PI / 180));
    const i = Math.floor(position);
    const weights = catmullRom(position - i);
    const four = [rayAt(i - 1), rayAt(i), rayAt(i + 1), rayAt(i + 2)];
    const out = new Float64Array(STRIDE * (to - from + 1));
    for (let n = 0; n < out.length; n += 1) {
      const at = n + STRIDE * from;
      out[n] =
        weights[0] * four[0][at] +
        weights[1] * four[1][at] +
        weights[2] * four[2][at] +
        weights[3] * four[3][at];
    }
    return out;
  };
  // Radius of the circle at the rim: its length over a whole turn.
  const rimSample = Math.max(1, Math.round(radiusMm / step));
  const rimPoint = (i: number): Vec3 => {
    const own = rayAt(i);
    const at = STRIDE * Math.min(own.length / STRIDE - 1, rimSample);
    return vec(own[at], own[at + 1], own[at + 2]);
  };
  let rim = 0;
  // The last sample that every ray has.
  let shortest = Infinity;
  for (let i = 0; i < KNOTS; i += 1) {
    rim += lengthOf(subtract(rimPoint(i + 1), rimPoint(i)));
    shortest = Math.min(shortest, rayAt(i).length / STRIDE - 1);
  }
  const perRadian = (rim / TURN) * (radiusMm / (rimSample * step));

  const angleOf = (point: Vec3): number => {
    const off = subtract(point, centre);
    return Math.atan2(dot(off, sideways), dot(off, forward));
  };
  const { first, last, whole } = angleExtent(panel, angleOf, centre);

  const trace = (s: number, thicknessMm: number, innerMm: number): TracedLine | undefined => {
    const angle = s / perRadian;
    const half = thicknessMm / 2 / perRadian;
    const from = Math.max(FIRST_SAMPLE, Math.round(innerMm / step));
    const to = Math.min(shortest, Math.ceil((radiusMm * 1.6) / step) + 4);
    if (to - from < 2) return undefined;
    return {
      count: to - from + 1,
      middle: ray(angle, from, to),
      edges: (i, j) => ({
        before: ray(angle - half, from + i, from + j),
        after: ray(angle + half, from + i, from + j),
      }),
    };
  };
  return {
    extent: [first * perRadian, last * perRadian],
    closed: whole,
    trace: (s, thicknessMm) => trace(s, thicknessMm, 0),
    ray: trace,
  };
}

const lengthOf = (v: Vec3) => Math.hypot(v.x, v.y, v.z);

/** Range of angles that the panel covers: a turn where it goes all the way round the pivot. */
function angleExtent(panel: Sectioned, angleOf: (point: Vec3) => number, pivot: Vec3) {
  const {
    frame: { grid, head },
    depths,
    centre,
  } = panel;
  const away = lengthOf(subtract(centre, pivot));
  const middle = away > 2 * head.k ? angleOf(centre) : 0;
  const seen: number[] = [];
  depths.forEach((depth, i) => {
    const point = grid.points[i];
    // Near the pivot angles say little.
    if (depth > 0 && point && lengthOf(subtract(point, pivot)) > 8 * head.k)
      seen.push(folded(angleOf(point) - middle));
  });
  for (const point of panel.edge)
    if (lengthOf(subtract(point, pivot)) > 8 * head.k) seen.push(folded(angleOf(point) - middle));
  seen.sort((a, b) => a - b);
  let gap = 0;
  for (let i = 1; i < seen.length; i += 1) gap = Math.max(gap, seen[i] - seen[i - 1]);
  const first = seen[0] ?? 0;
  const last = seen[seen.length - 1] ?? 0;
  const whole = last - first > TURN * 0.95 && gap < TURN * 0.05;
  if (whole) return { first: middle - Math.PI, last: middle + Math.PI, whole };
  return { first: middle + first, last: middle + last, whole };
}

function folded(angle: number): number {
  return angle - TURN * Math.round(angle / TURN);
}
