import { hairlineCurve, type HairlineShape } from './hairline';
import { arcAtPolar, polarAtArc } from './meridian';
import { directionAt, gauge, SKULL, skullScale, surfaceAlong } from './skull';
import type { Vec3 } from './vector';

/** What is known of a client's head. */
export interface HeadSpec {
  /** Largest circumference over forehead and back, mm. */
  readonly circumferenceMm: number;
  readonly hairline: { readonly left: HairlineShape; readonly right: HairlineShape };
}

/** A point of the scalp by its meridian: azimuth (radians, 0 front, + the client's left) and arcs from the apex in mm. */
export interface ScalpPlace {
  readonly azimuth: number;
  /** From the apex to the point. */
  readonly arc: number;
  /** From the apex to the hairline on the same meridian; beyond it there is no hair. */
  readonly hairArc: number;
}

/** A head fitted to a person. Immutable; every method is pure. */
export interface Head {
  readonly spec: HeadSpec;
  /** Scale against the average head. */
  readonly k: number;
  /** Arc apex–hairline in mm at an azimuth in radians. */
  hairArc(azimuth: number): number;
  /** Point of the hairline at an azimuth in radians. */
  hairlinePoint(azimuth: number): Vec3;
  /** Meridian coordinates of a surface point. */
  locate(point: Vec3): ScalpPlace;
  /** Surface point at an azimuth (radians) and an arc (mm) from the apex. Inverse of {@link locate}. */
  pointAt(azimuth: number, arc: number): Vec3;
}

const { atan2, floor, min, sqrt } = Math;
const TURN = 2 * Math.PI;
const TABLE_SIZE = 1440;

/** Fits a head. @throws RangeError when the circumference is not a positive finite number. */
export function makeHead(spec: HeadSpec): Head {
  const k = skullScale(spec.circumferenceMm);
  if (!(k > 0) || !Number.isFinite(k)) throw new RangeError(`Head circumference ${spec.circumferenceMm} mm is not a length.`);
  const heightAt = hairlineCurve(spec.hairline.left, spec.hairline.right);
  const hairArcs = tabulateHairline(heightAt, k);

  const hairArc = (azimuth: number): number => {
    const turns = azimuth / TURN;
    const position = (turns - floor(turns)) * TABLE_SIZE;
    // An azimuth a rounding error under a whole turn comes out as a whole turn.
    const i = min(TABLE_SIZE - 1, floor(position));
    return hairArcs[i] + (hairArcs[i + 1] - hairArcs[i]) * (position - i);
  };
  return {
    spec,
    k,
    hairArc,
    hairlinePoint: (azimuth) => hairlinePointAt(azimuth, heightAt, k),
    locate: (point) => {
      const azimuth = atan2(point.x, point.z);
      const polar = atan2(sqrt(point.x * point.x + point.z * point.z), point.y);
      return { azimuth, arc: k * arcAtPolar(azimuth, polar), hairArc: hairArc(azimuth) };
    },
    pointAt: (azimuth, arc) => surfaceAlong(directionAt(azimuth, polarAtArc(azimuth, arc / k)), k),
  };
}

/** The head seen in a mirror: left and right hairline exchanged. */
export function mirrorHead(head: Head): Head {
  const { left, right } = head.spec.hairline;
  return left === right ? head : makeHead({ ...head.spec, hairline: { left: right, right: left } });
}

function hairlinePointAt(azimuth: number, heightAt: (deg: number) => number, k: number): Vec3 {
  const y = heightAt((azimuth * 180) / Math.PI);
  const { halfHeight, exponent } = y >= 0 ? SKULL.top : SKULL.bottom;
  // At height y the horizontal section is the outline of y = 0 shrunk by the vertical superellipse.
  const shrink = Math.pow(1 - Math.pow(Math.abs(y) / halfHeight, exponent), 1 / exponent);
  const radius = shrink / gauge(Math.sin(azimuth), 0, Math.cos(azimuth));
  return { x: k * radius * Math.sin(azimuth), y: k * y, z: k * radius * Math.cos(azimuth) };
}

function tabulateHairline(heightAt: (deg: number) => number, k: number): Float64Array {
  const out = new Float64Array(TABLE_SIZE + 1);
  for (let i = 0; i <= TABLE_SIZE; i += 1) {
    const azimuth = (i / TABLE_SIZE) * 2 * Math.PI;
    const folded = azimuth > Math.PI ? azimuth - 2 * Math.PI : azimuth;
    const p = hairlinePointAt(folded, heightAt, k);
    out[i] = k * arcAtPolar(folded, Math.atan2(Math.hypot(p.x, p.z), p.y));
  }
  return out;
}
