import { addScaled, cross, length, normalize, scale, subtract, surfaceNormal, vec, type Head, type Vec3 } from '../head';

const { abs, cos, sin } = Math;
const DEG = Math.PI / 180;

/** Horizontal and upward tangents at a point, from which angles of partings are measured. */
export interface PartingAxes {
  /** Towards the back; across the middle towards the client's left. */
  readonly level: Vec3;
  readonly up: Vec3;
  /** 1 where a growing angle turns the parting counter-clockwise seen from outside, −1 where clockwise. */
  readonly handed: 1 | -1;
}

/** Where the way to the client's left runs steeply into the head (far down the sides), horizontal is taken instead. */
const LEAST_LEVEL = 0.35;

/**
 * See {@link PartingAxes}. Across the middle, level is straight across the head, so that partings over the top do not
 * turn with the slope under them. Where up has no meaning (the apex), it is taken as forward.
 */
export function partingAxes(head: Head, point: Vec3, across: boolean): PartingAxes {
  const normal = surfaceNormal(point, head.skull);
  if (across) {
    const straight = subtract(vec(1, 0, 0), scale(normal, normal.x));
    if (length(straight) > LEAST_LEVEL) {
      const level = normalize(straight);
      const around = cross(normal, level);
      const climbs = abs(around.y) > 1e-9 ? around.y > 0 : around.z > 0;
      return { level, up: climbs ? around : scale(around, -1), handed: climbs ? -1 : 1 };
    }
  }
  const upward = subtract(vec(0, 1, 0), scale(normal, normal.y));
  const up = length(upward) > 1e-6 ? normalize(upward) : vec(0, 0, 1);
  const level = cross(normal, up);
  // On the left side "towards the back" is −z; behind the head it is towards the middle.
  const asWanted = across ? level.x >= 0 : level.z <= 0;
  return { level: asWanted ? level : scale(level, -1), up, handed: asWanted ? 1 : -1 };
}

/** Tangent along which hair is parted at an angle: cos φ · level − sin φ · up. */
export function directionAtAngle({ level, up }: PartingAxes, angleDeg: number): Vec3 {
  const phi = angleDeg * DEG;
  return addScaled(scale(level, cos(phi)), up, -sin(phi));
}
