import {
  add, addScaled, dot, fromOpened, length, makeScalp, makeScalpGrid, mirrorHead, normalize, scale,
  subtract, toOpened, traceOutlines, type Head, type OpenedPoint, type Outline, type ScalpGrid, type Vec3, type Zone,
} from '../head';
import { equalColumns } from './columns';
import { extentAlong, planeField, type Field, type Parting } from './field';
import { pick } from './gather';
import { hairGrams, hairsOn } from './hair';
import { regionArea, regionDepths } from './region-raster';
import { leftRegion, type Region } from './region';
import { rowOffsets } from './spacing';
import { runsInside } from './runs';
import type { Foil, FoilStock, Panel, PlanHair, Side } from './types';

/**
 * Everything about one half of a panel that does not change when its recipe does. Computed on the left; for the client's
 * right, on the mirrored head, and reflected when foils and outlines are given out, so both sides agree to the last digit.
 */
export interface HalfGeometry {
  readonly grid: ScalpGrid;
  readonly region: Region;
  readonly field: Field;
  readonly extent: readonly [number, number];
  readonly areaMm2: number;
  readonly outlines: readonly Outline[];
}

/** The line of a foil on the opened head, with what a drawing needs to show its gather. */
export interface FoilPath {
  readonly id: string;
  readonly points: readonly OpenedPoint[];
}

/** Skin of a zone that a foil's section covers. */
export interface ZonePatch {
  readonly zone: Zone;
  readonly areaMm2: number;
}

export interface ComputedFoil {
  readonly foil: Omit<Foil, 'order'>;
  readonly path: FoilPath;
  readonly patches: readonly ZonePatch[];
}

/** Distance between the samples along a section from which its skin is integrated, mm on the average head. */
const SAMPLE_MM = 4;

/** Sides that a panel works on, in the order of work. */
export function sidesOf(panel: Panel): readonly Side[] {
  return panel.place.kind === 'back' ? ['left', 'right'] : [panel.place.side];
}

/** Grids of a head and of its mirror image. */
export function gridsOf(head: Head): Record<Side, ScalpGrid> {
  const left = makeScalpGrid(makeScalp(head));
  const other = mirrorHead(head);
  return { left, right: other === head ? left : makeScalpGrid(makeScalp(other)) };
}

/**
 * Sections one half of a panel off: its region, field and outlines.
 * @param grid of the client's head for the left, of its mirror image for the right
 * @param partOffsetMm towards the side that is computed as the left
 * @returns undefined when nothing of the head is left for it (a part at the ear, for instance)
 */
export function halfGeometry(grid: ScalpGrid, panel: Panel, partOffsetMm: number): HalfGeometry | undefined {
  const region = leftRegion(panel.place, partOffsetMm);
  const depths = regionDepths(grid, region);
  const outlines = traceOutlines(grid, depths);
  if (outlines.length === 0) return undefined;
  const field = planeField(grid, depths, panel.direction);
  const { head } = grid.scalp;
  const edge = outlines.flatMap((outline) => outline.map((point) => fromOpened(head, point)));
  const extent = extentAlong(field, edge);
  if (!extent) return undefined;
  return { grid, region, field, extent, areaMm2: regionArea(grid, depths), outlines };
}

/** What {@link halfGeometry} depends on beside the head: two halves with one key are the same half. */
export function halfKey(panel: Panel, partOffsetMm: number): string {
  const { kind } = panel.place;
  return JSON.stringify([kind, panel.direction, kind === 'side' ? partOffsetMm : 0]);
}

/** Points of the opened head as they lie on the client: reflected for the right side. */
export function ownPoints(points: readonly OpenedPoint[], side: Side): readonly OpenedPoint[] {
  return side === 'left' ? points : points.map(({ x, y }) => ({ x: -x, y }));
}

/** Places the foils of one side of a panel: rows along s, runs along u, columns where a run is wider than the foil. */
export function foilsOfHalf(half: HalfGeometry, side: Side, panel: Panel, hair: PlanHair, stock: FoilStock): ComputedFoil[] {
  const { head } = half.grid.scalp;
  const [start, end] = half.extent;
  const out: ComputedFoil[] = [];
  rowOffsets(end - start, panel.thicknessMm, panel.spacing).forEach((offset, i) => {
    const s = start + offset + panel.thicknessMm / 2;
    const parting = half.field.partingAt(s);
    if (!parting) return;
    const columns = runsInside(parting, head, half.region).flatMap((run) => equalColumns(run[0], run[1], stock));
    // Columns count outwards from the middle of the head.
    const outwards = columns
      .map((column) => ({ column, reach: Math.abs(parting.at((column[0] + column[1]) / 2).x) }))
      .sort((a, b) => a.reach - b.reach);
    outwards.forEach(({ column }, c) => {
      out.push(foilAt(half, side, panel, hair, { row: i + 1, column: c + 1, s, parting, from: column[0], to: column[1] }));
    });
  });
  return out;
}

interface Cell {
  readonly row: number;
  readonly column: number;
  readonly s: number;
  readonly parting: Parting;
  readonly from: number;
  readonly to: number;
}

function foilAt(half: HalfGeometry, side: Side, panel: Panel, hair: PlanHair, cell: Cell): ComputedFoil {
  const { head } = half.grid.scalp;
  const samples = sampleSection(half.field, cell, panel.thicknessMm, SAMPLE_MM * head.k);
  const patches = new Map<Zone, number>();
  let areaMm2 = 0;
  for (const { middle, areaMm2: area } of samples.pieces) {
    const zone = ownZone(half, side, middle);
    patches.set(zone, (patches.get(zone) ?? 0) + area);
    areaMm2 += area;
  }
  const widthMm = cell.to - cell.from;
  const picked = pick(panel.gather, widthMm);
  const hairs = hairsOn(areaMm2, hair.densityPerCm2) * picked.share;
  const column = side === 'left' ? cell.column : -cell.column;
  const id = `${panel.id}/${cell.row}/${column}`;
  const points = samples.line.map((point) => toOpened(head, point));
  return {
    foil: {
      id,
      panel: panel.id,
      row: cell.row,
      column,
      side,
      widthMm,
      thicknessMm: panel.thicknessMm,
      dropoutMm: panel.spacing.dropoutMm,
      gather: panel.gather.kind,
      stitches: picked.stitches,
      pickedShare: picked.share,
      hairs,
      hairGrams: hairGrams(hairs, hair.strand, hair.lengthMm),
      areaMm2,
      formula: panel.formula,
      zone: ownZone(half, side, samples.line[samples.line.length >> 1]),
    },
    path: { id, points: ownPoints(points, side) },
    patches: [...patches].map(([zone, area]) => ({ zone, areaMm2: area })),
  };
}

/** The client's own zone of a point computed on the left. */
function ownZone(half: HalfGeometry, side: Side, point: Vec3): Zone {
  const zone = half.grid.scalp.zoneAt(point);
  if (side === 'left') return zone;
  return swapSide(zone);
}

function swapSide(zone: Zone): Zone {
  if (zone.endsWith('-l')) return `${zone.slice(0, -2)}-r` as Zone;
  if (zone.endsWith('-r')) return `${zone.slice(0, -2)}-l` as Zone;
  return zone;
}

/**
 * Walks the middle of a section and integrates its skin: area = ∫ T·J du, J = the distance between neighbouring partings
 * per mm of s, measured across the parting.
 */
function sampleSection(field: Field, cell: Cell, thicknessMm: number, step: number) {
  const count = Math.max(2, Math.ceil((cell.to - cell.from) / step));
  const du = (cell.to - cell.from) / count;
  const line = Array.from({ length: count + 1 }, (_, i) => cell.parting.at(cell.from + i * du));
  const before = field.partingAt(cell.s - thicknessMm / 2);
  const after = field.partingAt(cell.s + thicknessMm / 2);
  const pieces = line.slice(0, -1).map((point, i) => {
    const along = subtract(line[i + 1], point);
    const middle = scale(add(point, line[i + 1]), 0.5);
    const u = cell.from + (i + 0.5) * du;
    const across = before && after ? acrossParting(subtract(after.at(u), before.at(u)), along) : thicknessMm;
    return { middle, areaMm2: across * length(along) };
  });
  return { line, pieces };
}

/** Length in mm of a step between two partings, measured at right angles to the parting. */
function acrossParting(step: Vec3, along: Vec3): number {
  const tangent = normalize(along);
  return length(addScaled(step, tangent, -dot(step, tangent)));
}
