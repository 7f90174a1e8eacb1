import { fitSkull, type Measures } from './fit';
import { hairlineCurve, hairlineProblem, type HairlineSide } from './hairline';
import { meridiansOf, type Meridians } from './meridian';
import { directionAt, gauge, SKULL, surfaceAlong, type SkullScale } from './skull';
import type { Vec3 } from './vector';

/** Where hair grows from at the crown. */
export interface CrownSpec {
  /** Arc behind the apex, mm on the average head. */
  readonly behindApexMm: number;
  /** Arc from the middle, + the client's left, mm on the average head. */
  readonly leftMm: number;
  /** Turn of the whorl as seen from above. */
  readonly whorl: 'none' | 'clockwise' | 'anticlockwise';
}

/** What is known of a client's head. */
export interface HeadSpec {
  /** Largest circumference over forehead and back, mm. */
  readonly circumferenceMm: number;
  /** Ear canal over the apex to ear canal, mm; null or left out when it was not measured. */
  readonly earToEarMm?: number | null;
  /** Hairline over the apex to the nape hairline, mm; null or left out when it was not measured. */
  readonly frontToNapeMm?: number | null;
  readonly hairline: { readonly left: HairlineSide; readonly right: HairlineSide };
  readonly crown?: CrownSpec;
}

export const USUAL_CROWN: CrownSpec = { behindApexMm: 50, leftMm: 0, whorl: 'none' };

/**
 * A point of the scalp by its meridian: azimuth (radians, 0 front, + the client's left) and arcs from the
 * apex in mm.
 */
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
  /** Scale of the circumference against the average head: the size of bands and steps goes by it. */
  readonly k: number;
  /** Scale along each axis. */
  readonly skull: SkullScale;
  /** Centre of the crown on the scalp. */
  readonly crown: Vec3;
  /** Whether left and right are mirror images. */
  readonly symmetric: boolean;
  /** The skull by azimuth and polar angle, tabulated. */
  readonly meridians: Meridians;
  /** Arc apex–hairline in mm at an azimuth in radians. */
  readonly hairArc: (azimuth: number) => number;
  /** Point of the hairline at an azimuth in radians. */
  readonly hairlinePoint: (azimuth: number) => Vec3;
  /** Meridian coordinates of a surface point. */
  locate(point: Vec3): ScalpPlace;
  /** Surface point at an azimuth (radians) and an arc (mm) from the apex. Inverse of {@link locate}. */
  pointAt(azimuth: number, arc: number): Vec3;
}

const { abs, atan2, floor, hypot, min, pow, sin, cos } = Math;
const TURN = 2 * Math.PI;
const TABLE_SIZE = 1440;

/**
 * Fits a head.
 * @throws RangeError with a sentence when the measures or the hairline are not those of a head
 */
export function makeHead(spec: HeadSpec): Head {
  for (const side of ['left', 'right'] as const) {
    const hairlineSide = spec.hairline[side];
    const problem = typeof hairlineSide === 'string' ? undefined : hairlineProblem(hairlineSide.landmarks);
    if (problem) throw new RangeError(`Hairline, ${side}: ${problem}.`);
  }
  const heightAt = hairlineCurve(spec.hairline.left, spec.hairline.right);
  const measures: Measures = {
    circumferenceMm: spec.circumferenceMm,
    earToEarMm: spec.earToEarMm ?? null,
    frontToNapeMm: spec.frontToNapeMm ?? null,
  };
  const skull = fitSkull(measures, heightAt(0), heightAt(180));
  const k = spec.circumferenceMm / SKULL.circumferenceMm;
  const meridians = meridiansOf(skull);
  const { arcAtPolar, polarAtArc } = meridians;
  const polarOf = (p: Vec3) => atan2(hypot(p.x, p.z), p.y);
  const hairArcs = new Float64Array(TABLE_SIZE + 1);
  for (let i = 0; i <= TABLE_SIZE; i += 1) {
    const azimuth = (i / TABLE_SIZE) * TURN;
    const folded = azimuth > Math.PI ? azimuth - TURN : azimuth;
    const point = hairlinePointAt(folded, heightAt, skull);
    hairArcs[i] = arcAtPolar(folded, polarOf(point));
  }
  const hairArc = (azimuth: number): number => {
    const turns = azimuth / TURN;
    const position = (turns - floor(turns)) * TABLE_SIZE;
    // An azimuth a rounding error under a whole turn comes out as a whole turn.
    const i = min(TABLE_SIZE - 1, floor(position));
    return hairArcs[i] + (hairArcs[i + 1] - hairArcs[i]) * (position - i);
  };
  const pointAt = (azimuth: number, arc: number) =>
    surfaceAlong(directionAt(azimuth, polarAtArc(azimuth, arc)), skull);
  const { behindApexMm, leftMm } = spec.crown ?? USUAL_CROWN;
  return {
    spec,
    k,
    skull,
    meridians,
    crown: pointAt(atan2(leftMm, -behindApexMm), hypot(leftMm, behindApexMm) * k),
    symmetric: leftMm === 0 && sameSide(spec.hairline.left, spec.hairline.right),
    hairArc,
    hairlinePoint: (azimuth) => hairlinePointAt(azimuth, heightAt, skull),
    locate: (point) => {
      const azimuth = atan2(point.x, point.z);
      return { azimuth, arc: arcAtPolar(azimuth, polarOf(point)), hairArc: hairArc(azimuth) };
    },
    pointAt,
  };
}

/** What is known of a head, seen in a mirror. */
export function mirrorHeadSpec<T extends HeadSpec>(spec: T): T {
  const { left, right } = spec.hairline;
  const turned = { none: 'none', clockwise: 'anticlockwise', anticlockwise: 'clockwise' } as const;
  const crown = spec.crown && {
    ...spec.crown,
    leftMm: 0 - spec.crown.leftMm,
    whorl: turned[spec.crown.whorl],
  };
  return { ...spec, hairline: { left: right, right: left }, ...(crown && { crown }) };
}

/** The head seen in a mirror: left and right hairline exchanged, the crown on the other side. */
export function mirrorHead(head: Head): Head {
  return head.symmetric ? head : makeHead(mirrorHeadSpec(head.spec));
}

function sameSide(left: HairlineSide, right: HairlineSide): boolean {
  return left === right || JSON.stringify(left) === JSON.stringify(right);
}

/**
 * Landmarks are given on the average head and move with the skin: the azimuth is taken back to that head
 * first.
 */
function hairlinePointAt(ownAzimuth: number, heightAt: (deg: number) => number, skull: SkullScale): Vec3 {
  const azimuth =
    skull.x === skull.z ? ownAzimuth : atan2(sin(ownAzimuth) / skull.x, cos(ownAzimuth) / skull.z);
  const y = heightAt((azimuth * 180) / Math.PI);
  const { halfHeight, exponent } = y >= 0 ? SKULL.top : SKULL.bottom;
  // At height y the horizontal section is the outline of y = 0 shrunk by the vertical superellipse.
  const shrink = pow(1 - pow(abs(y) / halfHeight, exponent), 1 / exponent);
  const radius = shrink / gauge(sin(azimuth), 0, cos(azimuth));
  return { x: skull.x * radius * sin(azimuth), y: skull.y * y, z: skull.z * radius * cos(azimuth) };
}
