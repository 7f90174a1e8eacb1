import {
  addScaled,
  cross,
  length,
  normalize,
  scale,
  subtract,
  surfaceNormal,
  vec,
  type Head,
  type Vec3,
} from '../head';
import { smoothstep } from './smoothstep';

const { abs, cos, max, min, sin } = Math;
const DEG = Math.PI / 180;

/** Horizontal and upward tangents at a point, from which angles of partings are measured. */
export interface PartingAxes {
  /** Towards the back; across the middle towards the client's left. */
  readonly level: Vec3;
  readonly up: Vec3;
  /** 1 where a growing angle turns the parting counter-clockwise seen from outside, −1 where clockwise. */
  readonly handed: 1 | -1;
}

/**
 * Where the way to the client's left runs steeply into the head (far down the sides), horizontal is taken
 * instead.
 */
const LEAST_LEVEL = 0.35;

/**
 * On the top up loses its meaning: nearer to the apex than the first, level is straight back; further than
 * the second, horizontal. Shares of the arc apex–hairline.
 */
const TOP = [0.12, 0.32] as const;

/**
 * See {@link PartingAxes}. Across the middle, level is straight across the head, so that partings over the
 * top do not
 * turn with the slope under them. Else it is horizontal, and on the top straight back: the axes never turn
 * over there.
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
  const steep = length(upward) > 1e-6 ? normalize(upward) : vec(0, 0, 1);
  const { level, up } = across
    ? { level: cross(normal, steep), up: steep }
    : straightOnTop(head, point, normal, steep);
  // On the left side "towards the back" is −z; behind the head it is towards the middle.
  const asWanted = across ? level.x >= 0 : level.z <= 0;
  return { level: asWanted ? level : scale(level, -1), up, handed: asWanted ? 1 : -1 };
}

/** Horizontal and up, turned on the top until they are straight back and towards the middle. */
function straightOnTop(head: Head, point: Vec3, normal: Vec3, steep: Vec3): { level: Vec3; up: Vec3 } {
  const level = cross(normal, steep);
  const { azimuth, arc, hairArc } = head.locate(point);
  const [near, far] = TOP;
  const f = min(1, max(0, (arc / hairArc - near) / (far - near)));
  const straight = 1 - smoothstep(f);
  if (straight === 0) return { level, up: steep };
  // At the side of the head horizontal is straight back already; before and behind it there is a quarter turn
  // to go.
  const from = azimuth < -Math.PI / 2 ? azimuth + 2 * Math.PI : azimuth;
  const turn = -(from - Math.PI / 2) * straight;
  const around = (own: Vec3) => addScaled(scale(own, cos(turn)), cross(normal, own), sin(turn));
  return { level: around(level), up: around(steep) };
}

/** Tangent along which hair is parted at an angle: cos φ · level − sin φ · up. */
export function directionAtAngle({ level, up }: PartingAxes, angleDeg: number): Vec3 {
  const phi = angleDeg * DEG;
  return addScaled(scale(level, cos(phi)), up, -sin(phi));
}
