import { cross, dot, gaugeWithGradient, normalize, surfaceNormal, type SkullScale, type Vec3 } from '../head';

/**
 * A planar section of the head's surface, traced from a start point both ways in equal steps of arc length.
 * Point i (−back … ahead) lies i·step mm along the curve from the start.
 */
export interface SectionCurve {
  readonly step: number;
  readonly back: number;
  readonly ahead: number;
  /** Packed xyz of points −back … ahead. */
  readonly xyz: Float64Array;
}

/** Coordinates of point i of the curve; the caller checks −back ≤ i ≤ ahead. */
export function curvePoint(curve: SectionCurve, i: number): Vec3 {
  const at = 3 * (i + curve.back);
  return { x: curve.xyz[at], y: curve.xyz[at + 1], z: curve.xyz[at + 2] };
}

const { abs, sqrt } = Math;
const gradient = new Float64Array(3);

/**
 * Traces the section of a skull by the plane through `start` with unit normal `normal`.
 * Each way it ends after `reach` mm, where `keepGoing` says so, or at the far side of the loop, so it never
 * wraps round.
 *
 * @param heading rough direction of increasing arc length; need not be tangent
 * @param step mm; the arc-length error is about step²/(6·radius²) of the length
 */
export function traceSection(
  skull: SkullScale,
  start: Vec3,
  normal: Vec3,
  heading: Vec3,
  step: number,
  reach: number,
  keepGoing: (point: Vec3) => boolean = () => true,
): SectionCurve {
  const along = cross(surfaceNormal(start, skull), normal);
  const turn = dot(along, heading) >= 0 ? 1 : -1;
  const forward = normalize({ x: along.x * turn, y: along.y * turn, z: along.z * turn });
  const limit = Math.floor(reach / step + 1e-9);
  const ahead = march(skull, start, normal, forward, turn, step, limit, keepGoing);
  const backwards = { x: -forward.x, y: -forward.y, z: -forward.z };
  const back = march(skull, start, normal, backwards, -turn, step, limit, keepGoing);
  const xyz = new Float64Array(back.length + 3 + ahead.length);
  for (let i = 0; i < back.length; i += 3) {
    const at = back.length - 3 - i;
    xyz[at] = back[i];
    xyz[at + 1] = back[i + 1];
    xyz[at + 2] = back[i + 2];
  }
  xyz[back.length] = start.x;
  xyz[back.length + 1] = start.y;
  xyz[back.length + 2] = start.z;
  for (let i = 0; i < ahead.length; i += 1) xyz[back.length + 3 + i] = ahead[i];
  return { step, back: back.length / 3, ahead: ahead.length / 3, xyz };
}

function march(
  skull: SkullScale,
  start: Vec3,
  m: Vec3,
  direction: Vec3,
  turn: number,
  step: number,
  limit: number,
  keepGoing: (point: Vec3) => boolean,
): number[] {
  const out: number[] = [];
  let { x, y, z } = start;
  let tx = direction.x;
  let ty = direction.y;
  let tz = direction.z;
  // In-plane axis across the start direction: once the tangent has turned past −direction its sign flips.
  const across = cross(m, direction);
  let turningSign = 0;
  for (let i = 0; i < limit; i += 1) {
    x += tx * step;
    y += ty * step;
    z += tz * step;
    // Back to the surface within the plane. The first Newton step leaves under 1e-3 mm for steps of a few mm;
    // the second
    // uses the gradient that the tangent needs anyway.
    for (let newton = 0; newton < 2; newton += 1) {
      const excess = gaugeWithGradient(skull, x, y, z, gradient) - 1;
      const g = gradient[0] * m.x + gradient[1] * m.y + gradient[2] * m.z;
      const px = gradient[0] - g * m.x;
      const py = gradient[1] - g * m.y;
      const pz = gradient[2] - g * m.z;
      const move = excess / (px * px + py * py + pz * pz);
      x -= px * move;
      y -= py * move;
      z -= pz * move;
    }
    let ax = gradient[1] * m.z - gradient[2] * m.y;
    let ay = gradient[2] * m.x - gradient[0] * m.z;
    let az = gradient[0] * m.y - gradient[1] * m.x;
    const size = turn / sqrt(ax * ax + ay * ay + az * az);
    ax *= size;
    ay *= size;
    az *= size;
    const turned = ax * across.x + ay * across.y + az * across.z;
    if (turningSign === 0 && abs(turned) > 1e-9) turningSign = turned > 0 ? 1 : -1;
    const overHalf = turned * turningSign < 0 && ax * direction.x + ay * direction.y + az * direction.z < 0;
    if (overHalf || !keepGoing({ x, y, z })) break;
    tx = ax;
    ty = ay;
    tz = az;
    out.push(x, y, z);
  }
  return out;
}
