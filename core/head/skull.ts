import { scale, type Vec3 } from './vector';

// Taken once: these run millions of times, and looking Math up each time costs more than the call.
const { abs, cos, pow, sign, sin, sqrt } = Math;

/**
 * The smooth skull, a superellipsoid of two exponents:
 * g(P) = [ (|x/ax|^p + |z/c|^p)^(q/p) + |y/b|^q ]^(1/q) = 1, scaled by k = circumference / 550 mm.
 * g is homogeneous of degree 1, so the surface point along a direction d is d/g(d).
 * Half axes and exponents were fitted to average adult anthropometry (circumference 550, length 187, breadth
 * 145,
 * vertex above the ear canal 128, ear-to-ear arc 340, glabella–inion arc 340 mm).
 */
export const SKULL = {
  circumferenceMm: 550,
  halfBreadth: 72.5,
  halfLengthFront: 96,
  halfLengthBack: 91,
  horizontalExponent: 2.64,
  top: { halfHeight: 89.8, exponent: 2.4 },
  bottom: { halfHeight: 150, exponent: 2.3 },
  earCanalY: -38.2,
  glabellaY: -8,
  inionY: -34,
} as const;

/** Scale of a head against the average one along each axis. */
export interface SkullScale {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

export const evenScale = (k: number): SkullScale => ({ x: k, y: k, z: k });

const P = SKULL.horizontalExponent;

/** g of the average skull (k = 1) at a point in mm: 1 on the surface, above 1 outside. */
export function gauge(x: number, y: number, z: number): number {
  const c = z >= 0 ? SKULL.halfLengthFront : SKULL.halfLengthBack;
  const { halfHeight, exponent } = y >= 0 ? SKULL.top : SKULL.bottom;
  const horizontal = pow(abs(x) / SKULL.halfBreadth, P) + pow(abs(z) / c, P);
  return pow(pow(horizontal, exponent / P) + pow(abs(y) / halfHeight, exponent), 1 / exponent);
}

/** {@link gauge} of a head of any scale: 1 on its surface. */
export function gaugeOn(scaled: SkullScale, x: number, y: number, z: number): number {
  return gauge(x / scaled.x, y / scaled.y, z / scaled.z);
}

/** Point of the surface in the direction (x, y, z), mm. */
export function surfaceAlong(direction: Vec3, scaled: SkullScale): Vec3 {
  return scale(direction, 1 / gaugeOn(scaled, direction.x, direction.y, direction.z));
}

/**
 * Writes the gradient of the scaled g at a point into out[0…2] and returns g there.
 * Continuous across y = 0 and z = 0 since p, q > 2.
 */
export function gaugeWithGradient(
  scaled: SkullScale,
  px: number,
  py: number,
  pz: number,
  out: Float64Array,
): number {
  const x = px / scaled.x;
  const y = py / scaled.y;
  const z = pz / scaled.z;
  const c = z >= 0 ? SKULL.halfLengthFront : SKULL.halfLengthBack;
  const { halfHeight, exponent: q } = y >= 0 ? SKULL.top : SKULL.bottom;
  const u = abs(x) / SKULL.halfBreadth;
  const w = abs(z) / c;
  const v = abs(y) / halfHeight;
  const up = pow(u, P - 1);
  const wp = pow(w, P - 1);
  const vp = pow(v, q - 1);
  const h = up * u + wp * w;
  const hq = h > 0 ? pow(h, q / P) : 0;
  const g = pow(hq + vp * v, 1 / q);
  const outer = pow(g, 1 - q);
  const horizontal = h > 0 ? (outer * hq) / h : 0;
  out[0] = (sign(x) * horizontal * up) / (SKULL.halfBreadth * scaled.x);
  out[1] = (sign(y) * outer * vp) / (halfHeight * scaled.y);
  out[2] = (sign(z) * horizontal * wp) / (c * scaled.z);
  return g;
}

const scratch = new Float64Array(3);

/** Outward unit normal of a head's surface at (or radially under) a point. */
export function surfaceNormal(point: Vec3, scaled: SkullScale = EVEN): Vec3 {
  gaugeWithGradient(scaled, point.x, point.y, point.z, scratch);
  const size = sqrt(scratch[0] ** 2 + scratch[1] ** 2 + scratch[2] ** 2);
  return { x: scratch[0] / size, y: scratch[1] / size, z: scratch[2] / size };
}

const EVEN = evenScale(1);

/**
 * Unit direction from the head's centre at azimuth a (0 front, +90° client's left) and polar angle θ from the
 * apex, radians.
 */
export function directionAt(azimuth: number, polar: number): Vec3 {
  const ring = sin(polar);
  return { x: ring * sin(azimuth), y: cos(polar), z: ring * cos(azimuth) };
}
