import {
  addScaled,
  cross,
  dot,
  mix,
  normalize,
  sampleRaster,
  scale,
  subtract,
  surfaceNormal,
  vec,
  type Head,
  type Outline,
  type Vec3,
} from '../head';
import { catmullRom } from './catmull-rom';
import type { Field, Sectioned } from './field';
import type { Frame } from './frame';
import { directionAtAngle, partingAxes } from './parting-axes';
import { curvePoint, traceSection, type SectionCurve } from './section-curve';
import { packSample, SAMPLE_MM, STRIDE, type TracedLine } from './section-line';

// Taken once: these run in the hot loops.
const { abs, cos, floor, max, min, sin } = Math;

/**
 * How far a parting's plane turns with the spine: 0 keeps all planes parallel, 1 keeps each perpendicular to
 * it.
 * Measured: 0.25 gives no folds on wide panels and keeps Σ width·pitch/area within 0.97–1.08.
 */
const PLANE_TURN = 0.25;
/** Distance between the partings that are traced; those between are interpolated (p99 error under 0.1 mm). */
const KNOT_MM = 8;
const PER_KNOT = KNOT_MM / SAMPLE_MM;
const SPINE_REACH_MM = 170;
const PARTING_REACH_MM = 230;
/** A parting is followed until it is this far outside the box round the panel (on the average head). */
const OUTSIDE_MM = 40;
/** Samples traced beyond the panel on both sides, so that its edge is met between two of them. */
const BEYOND = 3;

/** A plane field also answers for single points: what slanted lines over it are made of. */
export interface PlaneField extends Field {
  /**
   * Writes x, y, z and opened x, y of the point at (s, u) into out at an offset. Beyond the traced range it
   * stays at the edge.
   */
  pointAt(s: number, u: number, out: Float64Array, offset: number): void;
  /**
   * s of every parting that passes a point: one where all is well, none beyond the spine, more where the
   * field folds.
   */
  partingsThrough(point: Vec3): readonly number[];
  /** Range of u traced at s. */
  uRange(s: number): readonly [number, number] | undefined;
}

/**
 * Plane field: the spine is cut through the panel's centre perpendicular to the wanted parting; the parting
 * at σ lies in
 * the plane through S(σ) with normal normalize((1−λ)·t(C) + λ·t(σ)).
 * @param angleDeg of all partings
 */
export function planeField(
  { frame, across, centre, edge, depths, outlines }: Sectioned,
  angleDeg: number,
  planeTurn = PLANE_TURN,
): PlaneField {
  const { head } = frame;
  const { k, skull } = head;
  const axes = partingAxes(head, centre, across);
  const parting = directionAtAngle(axes, angleDeg);
  const climb = climbing(cross(parting, surfaceNormal(centre, skull)));
  const spine = traceSection(skull, centre, parting, climb, SAMPLE_MM * k, SPINE_REACH_MM * k);
  const tangentAtCentre = tangentOf(spine, 0);
  const firstKnot = -floor(spine.back / PER_KNOT);
  const lastKnot = floor(spine.ahead / PER_KNOT);
  const knotStep = KNOT_MM * k;
  const step = SAMPLE_MM * k;
  const planes: { origin: Vec3; normal: Vec3 }[] = [];
  for (let j = firstKnot; j <= lastKnot; j += 1) {
    const origin = curvePoint(spine, j * PER_KNOT);
    const normal = normalize(mix(tangentAtCentre, tangentOf(spine, j * PER_KNOT), planeTurn));
    planes.push({ origin, normal });
  }
  const nearPanel = boundsOf(outlines, OUTSIDE_MM * k, head);
  const curves: (Packed | undefined)[] = planes.map(() => undefined);
  const curveAt = (j: number): Packed => {
    curves[j] ??= packed(
      frame,
      depths,
      traceSection(skull, planes[j].origin, planes[j].normal, parting, step, PARTING_REACH_MM * k, nearPanel),
    );
    return curves[j];
  };
  const sOf = (position: number) => (position + firstKnot) * knotStep;

  /** The four curves round s, the fraction between the middle two, and the range that both have. */
  const around = (s: number) => {
    const position = s / knotStep - firstKnot;
    if (!(position >= -1e-9 && position <= planes.length - 1 + 1e-9)) return undefined;
    const j = min(planes.length - 2, max(0, floor(position)));
    const four = [curveAt(max(0, j - 1)), curveAt(j), curveAt(j + 1), curveAt(min(planes.length - 1, j + 2))];
    return {
      four,
      f: position - j,
      back: min(four[1].back, four[2].back),
      ahead: min(four[1].ahead, four[2].ahead),
    };
  };

  const trace = (s: number, thicknessMm: number): TracedLine | undefined => {
    const middle = around(s);
    if (!middle) return undefined;
    const before = around(clampS(s - thicknessMm / 2))!;
    const after = around(clampS(s + thicknessMm / 2))!;
    // Only where the neighbouring partings lie in the panel, and a little more.
    let from = Infinity;
    let to = -Infinity;
    for (const curve of middle.four) {
      from = min(from, curve.from);
      to = max(to, curve.to);
    }
    from = max(from - BEYOND, -middle.back, -before.back, -after.back);
    to = min(to + BEYOND, middle.ahead, before.ahead, after.ahead);
    const count = to - from + 1;
    if (!(count >= 3)) return undefined;
    return {
      count,
      firstU: from * step,
      middle: interpolated(middle.four, middle.f, from, to),
      edges: (i, j) => ({
        before: interpolated(before.four, before.f, from + i, from + j),
        after: interpolated(after.four, after.f, from + i, from + j),
      }),
    };
  };
  const clampS = (s: number) => min(sOf(planes.length - 1), max(sOf(0), s));

  const pointAt = (s: number, u: number, out: Float64Array, offset: number): void => {
    const at = around(clampS(s))!;
    const index = min(at.ahead, max(-at.back, u / step));
    const i = min(at.ahead - 1, max(-at.back, floor(index)));
    const near = interpolated(at.four, at.f, i, i + 1);
    for (let n = 0; n < STRIDE; n += 1)
      out[offset + n] = near[n] + (near[STRIDE + n] - near[n]) * (index - i);
  };

  const partingsThrough = (point: Vec3): number[] => {
    const found: number[] = [];
    let before = Number.NaN;
    for (let j = 0; j < planes.length; j += 1) {
      const beyond = dot(subtract(point, planes[j].origin), planes[j].normal);
      if (before >= 0 && beyond < 0) found.push(sOf(refine(planes, j - 1, point, before, beyond)));
      before = beyond;
    }
    return found;
  };
  const extent = extentOf(edge, partingsThrough);
  return {
    angleAt: () => angleDeg,
    partingsThrough,
    extent,
    trace,
    pointAt,
    uRange: (s) => {
      const at = around(s);
      return at && [-at.back * step, at.ahead * step];
    },
  };
}

/** A traced curve with its points on the opened head beside those on the head. */
interface Packed {
  readonly back: number;
  readonly ahead: number;
  readonly values: Float64Array;
  /** First and last sample that lie in the panel; Infinity and −Infinity where none does. */
  readonly from: number;
  readonly to: number;
}

function packed({ head, grid }: Frame, depths: Float64Array, curve: SectionCurve): Packed {
  const count = curve.back + curve.ahead + 1;
  const samples = new Float64Array(STRIDE * count);
  let from = Infinity;
  let to = -Infinity;
  for (let i = 0; i < count; i += 1) {
    const point = { x: curve.xyz[3 * i], y: curve.xyz[3 * i + 1], z: curve.xyz[3 * i + 2] };
    packSample(head, point, samples, i);
    const at = STRIDE * i;
    if (sampleRaster(grid, depths, samples[at + 3], samples[at + 4]) > 0) {
      from = min(from, i - curve.back);
      to = i - curve.back;
    }
  }
  return { back: curve.back, ahead: curve.ahead, values: samples, from, to };
}

/** Whether a point lies within a margin of the box round some outlines on the opened head. */
function boundsOf(outlines: readonly Outline[], margin: number, head: Head): (point: Vec3) => boolean {
  let left = Infinity;
  let right = -Infinity;
  let low = Infinity;
  let high = -Infinity;
  for (const { x, y } of outlines.flat()) {
    left = min(left, x - margin);
    right = max(right, x + margin);
    low = min(low, y - margin);
    high = max(high, y + margin);
  }
  return (point) => {
    const { azimuth, arc } = head.locate(point);
    const x = arc * sin(azimuth);
    const y = arc * cos(azimuth);
    return x > left && x < right && y > low && y < high;
  };
}

/**
 * Samples from…to between the middle two of four curves: Catmull–Rom at equal u, straight where an outer one
 * is too short.
 */
function interpolated(four: readonly Packed[], f: number, from: number, to: number): Float64Array {
  const [a, b, c, d] = four;
  const [wa, wb, wc, wd] = catmullRom(f);
  const out = new Float64Array(STRIDE * (to - from + 1));
  const va = a.values;
  const vb = b.values;
  const vc = c.values;
  const vd = d.values;
  let at = 0;
  for (let i = from; i <= to; i += 1) {
    let ib = STRIDE * (i + b.back);
    let ic = STRIDE * (i + c.back);
    const end = at + STRIDE;
    if (-i <= a.back && i <= a.ahead && -i <= d.back && i <= d.ahead) {
      let ia = STRIDE * (i + a.back);
      let id = STRIDE * (i + d.back);
      while (at < end) {
        out[at] = wa * va[ia] + wb * vb[ib] + wc * vc[ic] + wd * vd[id];
        at += 1;
        ia += 1;
        ib += 1;
        ic += 1;
        id += 1;
      }
    } else {
      while (at < end) {
        out[at] = (1 - f) * vb[ib] + f * vc[ic];
        at += 1;
        ib += 1;
        ic += 1;
      }
    }
  }
  return out;
}

/** Extent of a panel along the spine from the points of its outline. */
function extentOf(
  edge: readonly Vec3[],
  partingsThrough: (point: Vec3) => readonly number[],
): readonly [number, number] {
  let low = Infinity;
  let high = -Infinity;
  for (const point of edge) {
    const [s] = partingsThrough(point);
    if (s === undefined) continue;
    low = min(low, s);
    high = max(high, s);
  }
  return [low, high];
}

/**
 * Knot position (with fraction) at which the plane passes the point: linear first, then one step with the
 * plane there.
 */
function refine(
  planes: readonly { origin: Vec3; normal: Vec3 }[],
  j: number,
  point: Vec3,
  before: number,
  beyond: number,
): number {
  const f = before / (before - beyond);
  const weights = catmullRom(f);
  let origin = vec(0, 0, 0);
  weights.forEach((weight, n) => {
    const neighbour = planes[min(planes.length - 1, max(0, j - 1 + n))];
    origin = addScaled(origin, neighbour.origin, weight);
  });
  const normal = normalize(mix(planes[j].normal, planes[j + 1].normal, f));
  const left = dot(subtract(point, origin), normal);
  return j + min(1, max(0, f + left / (before - beyond)));
}

/** Spines climb; one that runs level (vertical partings) goes towards the face. */
function climbing(along: Vec3): Vec3 {
  const rise = abs(along.y) > 0.05 ? along.y : along.z;
  return rise >= 0 ? along : scale(along, -1);
}

function tangentOf(curve: SectionCurve, i: number): Vec3 {
  const from = max(-curve.back, i - 1);
  const to = min(curve.ahead, i + 1);
  return normalize(subtract(curvePoint(curve, to), curvePoint(curve, from)));
}
