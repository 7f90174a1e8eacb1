import {
  addScaled, cross, dot, gauge, length, mirrored, mix, normalize, scale, subtract, surfaceAlong, surfaceNormal, vec,
  type ScalpGrid, type Vec3,
} from '../head';
import { hairBearing } from './region';
import { curvePoint, traceSection, type SectionCurve } from './section-curve';
import type { Direction } from './types';

/**
 * How far a parting's plane turns with the spine: 0 keeps all planes parallel, 1 keeps each perpendicular to it.
 * Measured: 0.25 gives no folds on wide panels and keeps Σ width·pitch/area within 0.97–1.08.
 */
const PLANE_TURN = 0.25;
/** Distance between the partings that are traced; those between are interpolated (p99 error under 0.1 mm). */
const KNOT_MM = 8;
/** Points along a traced parting; between them lengths err by under 0.05 %. */
const U_STEP_MM = 4;
const SPINE_REACH_MM = 170;
const PARTING_REACH_MM = 230;
/** A parting is followed until it is this far outside the hairline (on the average head). */
const OUTSIDE_MM = 40;

/**
 * The field of a panel: s runs along the spine (which parting), u along the parting (0 on the spine), both mm.
 * Rows, foils, stitches and shares are intervals of s and u.
 */
export interface Field {
  /** Centre of the panel on the scalp; s = u = 0. */
  readonly centre: Vec3;
  /** Range of s that the spine covers. */
  readonly sRange: readonly [number, number];
  /** s of a scalp point; NaN where no parting of the field passes it. */
  sAt(point: Vec3): number;
  /** The parting at s; undefined beyond the spine. */
  partingAt(s: number): Parting | undefined;
}

/** One parting of a field: a line over the scalp at constant s. */
export interface Parting {
  /** Range of u over which it is traced, mm. */
  readonly uRange: readonly [number, number];
  /** Scalp point at u within the range. */
  at(u: number): Vec3;
}

/**
 * Plane field for partings at one angle: the spine is cut through the centre perpendicular to the wanted parting; the
 * parting at σ lies in the plane through S(σ) with normal normalize((1−λ)·t(C) + λ·t(σ)).
 *
 * @param region left-side region; the centre is its centroid
 */
export function planeField(grid: ScalpGrid, depths: Float64Array, direction: Direction): Field {
  const { head } = grid.scalp;
  const { k } = head;
  const centre = regionCentre(grid, depths);
  const parting = partingDirection(centre, direction.angleDeg);
  const normal = surfaceNormal(centre);
  const up = cross(parting, normal);
  const climb = up.y >= 0 ? up : scale(up, -1);
  const spine = traceSection(k, centre, parting, climb, U_STEP_MM * k, SPINE_REACH_MM * k);
  const tangentAtCentre = tangentOf(spine, 0);

  const knotStep = KNOT_MM * k;
  const perKnot = KNOT_MM / U_STEP_MM;
  const firstKnot = -Math.floor(spine.back / perKnot);
  const lastKnot = Math.floor(spine.ahead / perKnot);
  const planes: { origin: Vec3; normal: Vec3 }[] = [];
  for (let j = firstKnot; j <= lastKnot; j += 1) {
    const origin = curvePoint(spine, j * perKnot);
    planes.push({ origin, normal: normalize(mix(tangentAtCentre, tangentOf(spine, j * perKnot), PLANE_TURN)) });
  }
  const nearHair = (point: Vec3) => hairBearing(point, head.locate(point)) > -OUTSIDE_MM * k;
  const curves: (SectionCurve | undefined)[] = planes.map(() => undefined);
  const curveAt = (j: number): SectionCurve => {
    const known = curves[j];
    if (known) return known;
    const plane = planes[j];
    const made = traceSection(k, plane.origin, plane.normal, parting, U_STEP_MM * k, PARTING_REACH_MM * k, nearHair);
    curves[j] = made;
    return made;
  };
  const sOf = (position: number) => (position + firstKnot) * knotStep;

  const sAt = (point: Vec3): number => {
    let before = Number.NaN;
    for (let j = 0; j < planes.length; j += 1) {
      const beyond = dot(subtract(point, planes[j].origin), planes[j].normal);
      if (before >= 0 && beyond < 0) return sOf(refine(planes, j - 1, point, before, beyond));
      before = beyond;
    }
    return Number.NaN;
  };

  const partingAt = (s: number): Parting | undefined => {
    const position = s / knotStep - firstKnot;
    if (!(position >= -1e-9 && position <= planes.length - 1 + 1e-9)) return undefined;
    const j = Math.min(planes.length - 2, Math.max(0, Math.floor(position)));
    const outer = [Math.max(0, j - 1), Math.min(planes.length - 1, j + 2)];
    return interpolatedParting([curveAt(outer[0]), curveAt(j), curveAt(j + 1), curveAt(outer[1])], position - j, k);
  };

  return { centre, sRange: [sOf(0), sOf(planes.length - 1)], sAt, partingAt };
}

/**
 * The parting a fraction f of the way from curves[1] to curves[2]: Catmull–Rom across the four neighbours at equal u
 * (straight where an outer one is too short), then back to the surface.
 */
function interpolatedParting(curves: readonly SectionCurve[], f: number, k: number): Parting | undefined {
  const [a, b, c, d] = curves;
  const back = Math.min(b.back, c.back);
  const ahead = Math.min(b.ahead, c.ahead);
  if (back + ahead === 0) return undefined;
  const cubic = catmullRom(f);
  const straight = [0, 1 - f, f, 0];
  const step = b.step;
  const at = (u: number): Vec3 => {
    const index = Math.min(ahead, Math.max(-back, u / step));
    const i = Math.min(ahead - 1, Math.floor(index));
    const smooth = -i <= a.back && i + 1 <= a.ahead && -i <= d.back && i + 1 <= d.ahead;
    const weights = smooth ? cubic : straight;
    let x = 0;
    let y = 0;
    let z = 0;
    for (let n = 0; n < 4; n += 1) {
      const w = weights[n];
      if (w === 0) continue;
      const { xyz } = curves[n];
      const p = 3 * (i + curves[n].back);
      const near = w * (1 - (index - i));
      const far = w * (index - i);
      x += near * xyz[p] + far * xyz[p + 3];
      y += near * xyz[p + 1] + far * xyz[p + 4];
      z += near * xyz[p + 2] + far * xyz[p + 5];
    }
    const lift = k / gauge(x, y, z);
    return { x: x * lift, y: y * lift, z: z * lift };
  };
  return { uRange: [-back * step, ahead * step], at };
}

/** Catmull–Rom weights of four equally spaced values at a fraction f between the middle two. */
function catmullRom(f: number): readonly [number, number, number, number] {
  const f2 = f * f;
  const f3 = f2 * f;
  return [(-f3 + 2 * f2 - f) / 2, (3 * f3 - 5 * f2 + 2) / 2, (-3 * f3 + 4 * f2 + f) / 2, (f3 - f2) / 2];
}

/** Field seen in the mirror: the client's right, computed on the left. */
export function mirrorField(field: Field): Field {
  return {
    centre: mirrored(field.centre),
    sRange: field.sRange,
    sAt: (point) => field.sAt(mirrored(point)),
    partingAt: (s) => {
      const parting = field.partingAt(s);
      return parting && { uRange: parting.uRange, at: (u) => mirrored(parting.at(u)) };
    },
  };
}

/** Surface point above the centroid of a region. */
export function regionCentre(grid: ScalpGrid, depths: Float64Array): Vec3 {
  let sum = vec(0, 0, 0);
  grid.points.forEach((point, i) => {
    if (point && depths[i] > 0) sum = addScaled(sum, point, grid.area[i]);
  });
  return surfaceAlong(normalize(sum), grid.scalp.head.k);
}

/**
 * Tangent at a point along which hair is parted: cos φ · (towards the back) − sin φ · (up).
 * Where up has no meaning (the apex), towards the back is taken from −z.
 */
function partingDirection(point: Vec3, angleDeg: number): Vec3 {
  const normal = surfaceNormal(point);
  const upward = subtract(vec(0, 1, 0), scale(normal, normal.y));
  const up = length(upward) > 1e-6 ? normalize(upward) : vec(0, 0, 1);
  const horizontal = cross(normal, up);
  // On the left side "towards the back" is −z; behind the head it is towards the middle.
  const back = horizontal.z <= 0 ? horizontal : scale(horizontal, -1);
  const phi = (angleDeg * Math.PI) / 180;
  return addScaled(scale(back, Math.cos(phi)), up, -Math.sin(phi));
}

function tangentOf(curve: SectionCurve, i: number): Vec3 {
  const from = Math.max(-curve.back, i - 1);
  const to = Math.min(curve.ahead, i + 1);
  return normalize(subtract(curvePoint(curve, to), curvePoint(curve, from)));
}

/** Knot position (with fraction) at which the plane passes the point: linear first, then one step with the plane there. */
function refine(
  planes: readonly { origin: Vec3; normal: Vec3 }[], j: number, point: Vec3, before: number, beyond: number,
): number {
  const f = before / (before - beyond);
  const weights = catmullRom(f);
  let origin = vec(0, 0, 0);
  weights.forEach((weight, n) => {
    const neighbour = planes[Math.min(planes.length - 1, Math.max(0, j - 1 + n))];
    origin = addScaled(origin, neighbour.origin, weight);
  });
  const normal = normalize(mix(planes[j].normal, planes[j + 1].normal, f));
  const left = dot(subtract(point, origin), normal);
  return j + Math.min(1, Math.max(0, f + left / (before - beyond)));
}

/** Extent of a region along the field, mm, from the points of its outline. */
export function extentAlong(field: Field, edge: readonly Vec3[]): readonly [number, number] | undefined {
  let low = Infinity;
  let high = -Infinity;
  for (const point of edge) {
    const s = field.sAt(point);
    if (Number.isNaN(s)) continue;
    low = Math.min(low, s);
    high = Math.max(high, s);
  }
  return low < high ? [low, high] : undefined;
}
