import {
  COARSE,
  distance,
  distanceRaster,
  fromOpened,
  makeScalp,
  makeScalpGrid,
  mirrorHead,
  mix,
  openedHairline,
  sagittalPoint,
  sampleRaster,
  type DistanceRaster,
  type Head,
  type OpenedPoint,
  type ScalpGrid,
  type Vec3,
} from '../head';
import { openedFromDisk } from './disk';
import type { DiskPoint, PlanHead } from './types';

/**
 * A head as one computation sees it: the client's own, or its mirror image. The client's right is computed as
 * the left of
 * the mirror image, so that both sides of a plan agree to the last digit.
 */
export interface Frame {
  readonly head: Head;
  readonly grid: ScalpGrid;
  /** Whether all panels are sectioned off on its raster, or one thin panel on one of its own. */
  readonly shared: boolean;
  /** Distance of the part from the middle, mm; 0 where the hair is worn without one. */
  readonly partOffsetMm: number;
  /** Arc from the front hairline to the end of the part, mm; null to the crown. */
  readonly partLengthMm: number | null;
  /** Distance over the skin to the hairline, < 0 outside it; by node, mm. */
  readonly hairlineDistance: () => Float64Array;
  /**
   * Distance over the skin to the line of the part, drawn on over the whole head, < 0 on its right; position
   * in mm behind the front hairline.
   */
  readonly partDistance: () => DistanceRaster;
  /** Point of the disk on the opened head. */
  readonly open: (point: DiskPoint) => OpenedPoint;
}

/** Fine enough that the hairline before the ear, where it is steepest, is followed to 0.1 mm. */
const HAIRLINE_SAMPLES = 2880;
const HAIRLINE_STEP_MM = 1;
const PART_STEP_MM = 2;

/** What is the same for every part that a head can have: its raster and that of its mirror image. */
export interface HeadGrids {
  readonly head: Head;
  readonly own: RasteredHead;
  readonly mirror: RasteredHead;
}

interface RasteredHead {
  readonly grid: ScalpGrid;
  readonly hairlineDistance: () => Float64Array;
}

export function headGrids(head: Head): HeadGrids {
  const rasteredHead = rastered(makeScalpGrid(makeScalp(head)));
  return {
    head,
    own: rasteredHead,
    mirror: head.symmetric ? rasteredHead : rastered(makeScalpGrid(makeScalp(mirrorHead(head)))),
  };
}

function rastered(grid: ScalpGrid): RasteredHead {
  let known: Float64Array | undefined;
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
  const frame = makeFrame(grids.own, offset, part.lengthMm);
  const alike = grids.mirror === grids.own && offset === 0;
  return { own: frame, mirror: alike ? frame : makeFrame(grids.mirror, 0 - offset, part.lengthMm) };
}

function makeFrame(
  { grid, hairlineDistance }: RasteredHead,
  partOffsetMm: number,
  partLengthMm: number | null,
): Frame {
  const { head } = grid.scalp;
  let toPart: DistanceRaster | undefined;
  return {
    head,
    grid,
    shared: true,
    partOffsetMm,
    partLengthMm,
    hairlineDistance,
    partDistance: () => {
      toPart ??= distanceToPart(grid, partOffsetMm);
      return toPart;
    },
    open: (point) => openedFromDisk(head, point),
  };
}

/** A frame on another raster of the same head: its distances are read from those of the frame's own. */
export function onGrid(frame: Frame, grid: ScalpGrid): Frame {
  const read = (values: Float64Array) => {
    const out = new Float64Array(grid.points.length).fill(Number.NaN);
    grid.points.forEach((point, i) => {
      if (point)
        out[i] = sampleRaster(
          frame.grid,
          values,
          grid.x0 + (i % grid.columns) * grid.step,
          grid.y0 + Math.floor(i / grid.columns) * grid.step,
        );
    });
    return out;
  };
  const kept: { hairline?: Float64Array; part?: DistanceRaster } = {};
  return {
    ...frame,
    grid,
    shared: false,
    hairlineDistance: () => (kept.hairline ??= read(frame.hairlineDistance())),
    partDistance: () => {
      const { distance: mm, along } = frame.partDistance();
      return (kept.part ??= { distance: read(mm), along: read(along) });
    },
  };
}

function distanceToHairline(grid: ScalpGrid): Float64Array {
  const { head } = grid.scalp;
  // Before the ear a degree of azimuth is many millimetres of hairline: even steps of arc, not of azimuth.
  const dense = openedHairline(head, HAIRLINE_SAMPLES).map((point) => fromOpened(head, point));
  const round = [...dense, dense[0]];
  const length = lengthOf(round);
  // A whole number of coarse steps, so that a mirrored head is sampled at the mirrored points.
  const count = COARSE * Math.round(length / (COARSE * HAIRLINE_STEP_MM * head.k));
  const line = evenly(round, length / count).slice(0, count);
  const { distance: mm } = distanceRaster(grid, line, true);
  grid.places.forEach((place, i) => {
    if (place && place.arc > place.hairArc) mm[i] = -mm[i];
  });
  return mm;
}

function lengthOf(line: readonly Vec3[]): number {
  return line.slice(1).reduce((sum, p, i) => sum + distance(line[i], p), 0);
}

/** The same line in even steps of arc from its first point; what is left at the end is less than a step. */
function evenly(line: readonly Vec3[], stepMm: number): Vec3[] {
  const points: Vec3[] = [line[0]];
  let left = stepMm;
  for (let i = 1; i < line.length; i += 1) {
    const a = line[i - 1];
    const b = line[i];
    const length = distance(a, b);
    let done = 0;
    while (length - done >= left) {
      done += left;
      points.push(mix(a, b, done / length));
      left = stepMm;
    }
    left -= length - done;
  }
  return points;
}

function distanceToPart(grid: ScalpGrid, offsetMm: number): DistanceRaster {
  const { head } = grid.scalp;
  const line = partLine(head, offsetMm);
  const raster = distanceRaster(grid, line.points, false);
  grid.points.forEach((point, i) => {
    if (point && point.x < offsetMm) raster.distance[i] = -raster.distance[i];
  });
  return { distance: raster.distance, along: raster.along.map((i) => (i - line.hairline) * PART_STEP_MM) };
}

/**
 * The section of the head at x = offset from under the forehead over the top to the neck, about every 2 mm.
 */
function partLine(head: Head, offsetMm: number): { points: Vec3[]; hairline: number } {
  const raw: Vec3[] = [];
  const steps = 720;
  for (let i = 0; i <= steps; i += 1) {
    const angle = (-0.35 + (1.7 * i) / steps) * Math.PI;
    raw.push(sagittalPoint(head, offsetMm, angle));
  }
  const points = evenly(raw, PART_STEP_MM);
  const inside = (p: Vec3) => {
    const { arc, hairArc } = head.locate(p);
    return hairArc - arc;
  };
  const first = points.findIndex((p) => inside(p) > 0);
  if (first <= 0) return { points, hairline: 0 };
  const before = inside(points[first - 1]);
  return { points, hairline: first - 1 + before / (before - inside(points[first])) };
}
