import {
  distanceRaster, fromOpened, gaugeOn, makeScalp, makeScalpGrid, mirrorHead, openedHairline,
  type DistanceRaster, type Head, type OpenedPoint, type ScalpGrid, type Vec3,
} from '../head';
import type { DiskPoint, PlanHead } from './types';

/**
 * A head as one computation sees it: the client's own, or its mirror image. The client's right is computed as the left of
 * the mirror image, so that both sides of a plan agree to the last digit.
 */
export interface Frame {
  readonly head: Head;
  readonly grid: ScalpGrid;
  /** Distance of the part from the middle, mm; 0 where the hair is worn without one. */
  readonly partOffsetMm: number;
  /** Arc from the front hairline to the end of the part, mm; null to the crown. */
  readonly partLengthMm: number | null;
  /** Distance over the skin to the hairline, < 0 outside it; position in degrees of azimuth. */
  hairlineDistance(): DistanceRaster;
  /** Distance over the skin to the line of the part, drawn on over the whole head, < 0 on its right; position in mm behind the front hairline. */
  partDistance(): DistanceRaster;
  /** Point of the disk on the opened head. */
  open(point: DiskPoint): OpenedPoint;
}

const HAIRLINE_SAMPLES = 720;
const PART_STEP_MM = 2;

/** What is the same for every part that a head can have: its raster and that of its mirror image. */
export interface HeadGrids {
  readonly head: Head;
  readonly own: RasteredHead;
  readonly mirror: RasteredHead;
}

interface RasteredHead {
  readonly grid: ScalpGrid;
  hairlineDistance(): DistanceRaster;
}

export function headGrids(head: Head): HeadGrids {
  const own = rastered(makeScalpGrid(makeScalp(head)));
  return { head, own, mirror: head.symmetric ? own : rastered(makeScalpGrid(makeScalp(mirrorHead(head)))) };
}

function rastered(grid: ScalpGrid): RasteredHead {
  let known: DistanceRaster | undefined;
  return {
    grid,
    hairlineDistance: () => {
      known ??= distanceToHairline(grid);
      return known;
    },
  };
}

/** The client's frame and its mirror image. */
export function framesOf(grids: HeadGrids, part: PlanHead['part']): { own: Frame; mirror: Frame } {
  const offset = part.none ? 0 : part.offsetMm;
  const own = makeFrame(grids.own, offset, part.lengthMm);
  const alike = grids.mirror === grids.own && offset === 0;
  return { own, mirror: alike ? own : makeFrame(grids.mirror, 0 - offset, part.lengthMm) };
}

function makeFrame({ grid, hairlineDistance }: RasteredHead, partOffsetMm: number, partLengthMm: number | null): Frame {
  const { head } = grid.scalp;
  let toPart: DistanceRaster | undefined;
  return {
    head,
    grid,
    partOffsetMm,
    partLengthMm,
    hairlineDistance,
    partDistance: () => {
      toPart ??= distanceToPart(grid, partOffsetMm);
      return toPart;
    },
    open: ([x, y]) => {
      const azimuth = Math.atan2(x, y);
      const arc = Math.hypot(x, y) * head.hairArc(azimuth);
      return { x: arc * Math.sin(azimuth), y: arc * Math.cos(azimuth) };
    },
  };
}

function distanceToHairline(grid: ScalpGrid): DistanceRaster {
  const { head } = grid.scalp;
  const line = openedHairline(head, HAIRLINE_SAMPLES).map((point) => fromOpened(head, point));
  const { distance, along } = distanceRaster(grid, line, true);
  grid.places.forEach((place, i) => {
    if (place && place.arc > place.hairArc) distance[i] = -distance[i];
  });
  return { distance, along: along.map((i) => (i * 360) / HAIRLINE_SAMPLES) };
}

function distanceToPart(grid: ScalpGrid, offsetMm: number): DistanceRaster {
  const { head } = grid.scalp;
  const line = partLine(head, offsetMm);
  const { distance, along } = distanceRaster(grid, line.points, false);
  grid.points.forEach((point, i) => {
    if (point && point.x < offsetMm) distance[i] = -distance[i];
  });
  return { distance, along: along.map((i) => (i - line.hairline) * PART_STEP_MM) };
}

/** The section of the head at x = offset from under the forehead over the top to the neck, about every 2 mm. */
function partLine(head: Head, offsetMm: number): { points: Vec3[]; hairline: number } {
  const raw: Vec3[] = [];
  const steps = 720;
  for (let i = 0; i <= steps; i += 1) {
    const angle = (-0.35 + (1.7 * i) / steps) * Math.PI;
    raw.push(pointInPlane(head, offsetMm, angle));
  }
  // Again in even steps of arc.
  const points: Vec3[] = [raw[0]];
  let left = PART_STEP_MM;
  for (let i = 1; i < raw.length; i += 1) {
    const a = raw[i - 1];
    const b = raw[i];
    const length = Math.hypot(b.x - a.x, b.y - a.y, b.z - a.z);
    let done = 0;
    while (length - done >= left) {
      done += left;
      const f = done / length;
      points.push({ x: a.x + (b.x - a.x) * f, y: a.y + (b.y - a.y) * f, z: a.z + (b.z - a.z) * f });
      left = PART_STEP_MM;
    }
    left -= length - done;
  }
  const inside = (p: Vec3) => {
    const { arc, hairArc } = head.locate(p);
    return hairArc - arc;
  };
  const first = points.findIndex((p) => inside(p) > 0);
  if (first <= 0) return { points, hairline: 0 };
  const before = inside(points[first - 1]);
  return { points, hairline: first - 1 + before / (before - inside(points[first])) };
}

function pointInPlane(head: Head, x: number, angle: number): Vec3 {
  let inside = 0;
  let outside = 400 * head.k;
  for (let i = 0; i < 34; i += 1) {
    const r = (inside + outside) / 2;
    if (gaugeOn(head.skull, x, r * Math.sin(angle), r * Math.cos(angle)) < 1) inside = r;
    else outside = r;
  }
  return { x, y: inside * Math.sin(angle), z: inside * Math.cos(angle) };
}
