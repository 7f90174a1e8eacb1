import {
  distance,
  fromOpened,
  sagittalPoint,
  surfaceDistance,
  toOpened,
  type Head,
  type OpenedPoint,
  type Vec3,
} from '../head';
import { diskPointOf, openedFromDisk } from './disk';
import { frontHairlineAt } from './place';
import type { DiskPoint, Panel, Place, PlanHead } from './types';

/** A point of a panel's edge that can be taken and moved on the opened head. */
export interface Grip {
  readonly id: string;
  /** What it sets: `width of the band`. */
  readonly label: string;
  /** Its figure as it stands: `12 mm`. */
  readonly said: string;
  readonly at: OpenedPoint;
  /**
   * The panel once the grip has been moved to a point. Figures are rounded to what can be measured, and kept
   * in range.
   */
  readonly moved: (to: OpenedPoint) => Panel;
}

const { abs, atan2, cos, max, min, round, sin, PI } = Math;
const DEG = PI / 180;
const HAIRLINE_SAMPLES = 720;

/**
 * Grips on the edges of a panel's place, on the side that it is drawn on: the left where it works on both.
 * Places with a
 * fixed edge (the line behind the ear, zones) have none until they are turned into an outline.
 */
export function placeGrips(panel: Panel, head: Head, part: PlanHead['part']): Grip[] {
  const flip =
    panel.side === 'right' && panel.place.kind !== 'triangle' && panel.place.kind !== 'outline' ? -1 : 1;
  const offset = flip * (part.none ? 0 : part.offsetMm);
  const turn = ({ x, y }: OpenedPoint): OpenedPoint => ({ x: flip * x, y });
  return [
    ...gripsOf(panel.place, head, offset).map(({ moved, at, ...grip }): Grip => ({
      ...grip,
      at: turn(at),
      moved: (to) => ({ ...panel, place: moved(turn(to)) }),
    })),
    ...panel.leaveOut.flatMap((corners, n) =>
      corners.map((corner, i): Grip => ({
        id: `leave-out ${n} ${i}`,
        label: `corner ${i + 1} of what is left out`,
        said: '',
        at: openedFromDisk(head, corner),
        moved: (to) => ({
          ...panel,
          leaveOut: panel.leaveOut.map((points, m) =>
            m === n ? replaced(points, i, diskPointOf(head, to)) : points,
          ),
        }),
      })),
    ),
  ];
}

type PlaceGrip = Omit<Grip, 'moved'> & { readonly moved: (to: OpenedPoint) => Place };

function gripsOf(place: Place, head: Head, offset: number): PlaceGrip[] {
  const figure = (
    id: string,
    label: string,
    value: number,
    unit: 'mm' | '°',
    at: OpenedPoint,
    [least, most]: readonly [number, number],
    moved: (to: OpenedPoint) => number,
    next: (value: number) => Place,
  ): PlaceGrip => ({
    id,
    label,
    said: unit === 'mm' ? `${value} mm` : `${value}°`,
    at,
    moved: (to) => next(min(most, max(least, round(moved(to))))),
  });
  switch (place.kind) {
    case 'hairline-band': {
      const { widthMm } = place;
      const middle = ((place.fromDeg + place.toDeg) / 2) * DEG;
      const gap = hairlineGap(head);
      const edge = (label: string, deg: number, next: (deg: number) => Place) =>
        figure(label, label, deg, '°', hairlineAt(head, deg), [0, 180], (to) => azimuthDeg(to), next);
      return [
        ...(typeof widthMm === 'number'
          ? [
              figure(
                'width',
                'width of the band',
                widthMm,
                'mm',
                inward(head, middle, widthMm, gap),
                [1, 120],
                (to) => gap(fromOpened(head, to)),
                (mm) => ({ ...place, widthMm: mm }),
              ),
            ]
          : []),
        ...(place.fromDeg > 0
          ? [
              edge('front end of the band', place.fromDeg, (deg) => ({
                ...place,
                fromDeg: min(deg, place.toDeg - 5),
              })),
            ]
          : []),
        ...(place.toDeg < 180
          ? [
              edge('back end of the band', place.toDeg, (deg) => ({
                ...place,
                toDeg: max(deg, place.fromDeg + 5),
              })),
            ]
          : []),
      ];
    }
    case 'face-frame':
      return [
        figure(
          'depth',
          'depth behind the hairline',
          place.depthMm,
          'mm',
          { x: offset, y: frontHairlineAt(head, offset) - place.depthMm },
          [5, 150],
          ({ y }) => frontHairlineAt(head, offset) - y,
          (depthMm) => ({ ...place, depthMm }),
        ),
        figure(
          'reach',
          'reach of the face frame',
          place.reachDeg,
          '°',
          hairlineAt(head, place.reachDeg),
          [10, 110],
          (to) => azimuthDeg(to),
          (reachDeg) => ({ ...place, reachDeg }),
        ),
      ];
    case 'part-strip': {
      const y = head.hairArc(0) - place.fromMm - min(60, ((place.toMm ?? 140) - place.fromMm) / 2);
      const side = (sign: 1 | -1, mm: number): PlaceGrip => {
        const key = sign === 1 ? 'leftMm' : 'rightMm';
        const label = sign === 1 ? 'width, left of the part' : 'width, right of the part';
        return figure(
          key,
          label,
          mm,
          'mm',
          besidePart(head, offset, sign * mm, y),
          [0, 120],
          (to) => max(0, sign * fromPart(head, offset, to)),
          (value) => ({ ...place, [key]: value }),
        );
      };
      return [side(1, place.leftMm), side(-1, place.rightMm)];
    }
    case 'wheel': {
      const crown = toOpened(head, head.crown);
      const radius = (to: OpenedPoint) => surfaceDistance(fromOpened(head, to), head.crown, head.skull);
      const at = along((s) => ({ x: crown.x + s, y: crown.y }), place.radiusMm, radius);
      return [
        figure('radius', 'radius of the disc', place.radiusMm, 'mm', at, [15, 140], radius, (radiusMm) => ({
          ...place,
          radiusMm,
        })),
      ];
    }
    case 'crown-triangle': {
      const { k } = head;
      const at = { x: place.halfWidthMm * k, y: -place.behindApexMm * k };
      return [
        {
          id: 'corner',
          label: 'upper corner of the triangle',
          said: `${place.halfWidthMm} mm to each side`,
          at,
          moved: ({ x, y }) => ({
            ...place,
            halfWidthMm: min(140, max(10, round(abs(x) / k))),
            behindApexMm: min(120, max(-60, round(-y / k))),
          }),
        },
      ];
    }
    case 'triangle':
      return cornerGrips(place.corners, head, (corners) => ({ ...place, corners }));
    case 'outline':
      return cornerGrips(place.points, head, (points) => ({ ...place, points }));
    case 'except':
      return gripsOf(place.place, head, offset).map((grip) => ({
        ...grip,
        moved: (to) => ({ ...place, place: grip.moved(to) }),
      }));
    default:
      return [];
  }
}

function cornerGrips(
  corners: readonly DiskPoint[],
  head: Head,
  next: (corners: readonly DiskPoint[]) => Place,
): PlaceGrip[] {
  return corners.map((corner, i) => ({
    id: `corner ${i}`,
    label: `corner ${i + 1}`,
    said: '',
    at: openedFromDisk(head, corner),
    moved: (to) => next(replaced(corners, i, diskPointOf(head, to))),
  }));
}

const replaced = (corners: readonly DiskPoint[], at: number, by: DiskPoint): DiskPoint[] =>
  corners.map((corner, i) => (i === at ? by : corner));

const azimuthDeg = ({ x, y }: OpenedPoint) => abs(atan2(x, y)) / DEG;

function hairlineAt(head: Head, deg: number): OpenedPoint {
  const arc = head.hairArc(deg * DEG);
  return { x: arc * sin(deg * DEG), y: arc * cos(deg * DEG) };
}

/** Distance (chord) from a point to the hairline, mm. */
function hairlineGap(head: Head): (point: Vec3) => number {
  const line = Array.from({ length: HAIRLINE_SAMPLES }, (_, i) =>
    head.hairlinePoint((i / HAIRLINE_SAMPLES) * 2 * PI - PI),
  );
  return (point) => line.reduce((least, own) => min(least, distance(own, point)), Infinity);
}

/** Point on the meridian at an azimuth that lies this far from the hairline. */
function inward(head: Head, azimuth: number, mm: number, gap: (point: Vec3) => number): OpenedPoint {
  const hairArc = head.hairArc(azimuth);
  const at = (s: number): OpenedPoint => ({
    x: (hairArc - s) * sin(azimuth),
    y: (hairArc - s) * cos(azimuth),
  });
  return along(at, mm, (point) => gap(fromOpened(head, point)), hairArc);
}

/** Distance over the skin from the line of the part, mm, > 0 on the client's left of it. */
function fromPart(head: Head, offset: number, point: OpenedPoint): number {
  const at = fromOpened(head, point);
  return (
    (at.x >= offset ? 1 : -1) *
    surfaceDistance(at, sagittalPoint(head, offset, atan2(at.y, at.z)), head.skull)
  );
}

function besidePart(head: Head, offset: number, mm: number, y: number): OpenedPoint {
  const sign = mm < 0 ? -1 : 1;
  return along(
    (s) => ({ x: offset + sign * s, y }),
    abs(mm),
    (point) => abs(fromPart(head, offset, point)),
  );
}

/**
 * The point of a line (by mm along it) at which a growing length has come to a value; by halving, to 0.01 mm.
 */
function along(
  at: (s: number) => OpenedPoint,
  value: number,
  length: (point: OpenedPoint) => number,
  most = 200,
): OpenedPoint {
  let low = 0;
  let high = most;
  while (high - low > 0.01) {
    const middle = (low + high) / 2;
    if (length(at(middle)) < value) low = middle;
    else high = middle;
  }
  return at(low);
}
