import { seeded } from './seeded';
import type { Direction, Panel, PlainSpacing, Side, SingleGather, Variation } from './types';

/** Rows of a varied panel are drawn one by one up to this many; the last drop-out then repeats. */
const VARIED_ROWS = 200;
/** Figures that are drawn for one row: drop-out, stitch, gap, start. */
const PER_ROW = 4;
const NARROWEST_MM = 0.5;

/** What has been drawn for one side of a panel: by how much its angle and each of its rows differ. */
export interface Differences {
  readonly angleDeg: number;
  /** By row from 0; in mm. */
  dropoutMm(row: number): number;
  stitchMm(row: number): number;
  gapMm(row: number): number;
  startMm(row: number): number;
}

/**
 * The differences of one side of a panel; undefined where it is as its recipe says. The same seed draws the
 * same.
 */
export function differencesOf({ variation, side }: Panel, of: Side | 'across'): Differences | undefined {
  if (!variation) return undefined;
  const own = variation.side ?? 'both';
  if (side === 'both' && own !== 'both' && own !== of) return undefined;
  const { seed, angleDeg, dropoutMm, stitchMm = 0, startMm = 0 }: Variation = variation;
  const next = seeded(seed);
  const share = () => 2 * next() - 1;
  const angle = share() * angleDeg;
  // Drop-outs first, one after the other, as they were drawn before anything else could differ.
  const dropouts = Array.from({ length: VARIED_ROWS }, share);
  const rest = Array.from({ length: (PER_ROW - 1) * VARIED_ROWS }, share);
  const at = (row: number, which: number) => rest[(PER_ROW - 1) * Math.min(row, VARIED_ROWS - 1) + which];
  return {
    angleDeg: angle,
    dropoutMm: (row) => dropouts[Math.min(row, VARIED_ROWS - 1)] * dropoutMm,
    stitchMm: (row) => at(row, 0) * stitchMm,
    gapMm: (row) => at(row, 1) * stitchMm,
    startMm: (row) => at(row, 2) * startMm,
  };
}

/** The panel with the angle of one side. */
export function variedDirection(panel: Panel, differences: Differences | undefined): Panel {
  if (!differences || differences.angleDeg === 0) return panel;
  const turned = turnedBy(panel.direction, differences.angleDeg);
  return turned === panel.direction ? panel : { ...panel, direction: turned };
}

function turnedBy(direction: Direction, deg: number): Direction {
  switch (direction.kind) {
    case 'parallel':
      return { ...direction, angleDeg: direction.angleDeg + deg };
    case 'pivot':
      return {
        ...direction,
        fromDeg: direction.fromDeg + deg,
        toDeg: direction.toDeg === 'part' ? 'part' : direction.toDeg + deg,
      };
    default:
      return direction;
  }
}

/** A spacing with each drop-out moved as it was drawn. */
export function variedSpacing(spacing: PlainSpacing, differences: Differences | undefined): PlainSpacing {
  if (!differences || spacing.kind === 'eased') return spacing;
  const given = spacing.kind === 'constant' ? [spacing.dropoutMm] : spacing.dropoutsMm;
  const dropoutsMm = Array.from({ length: VARIED_ROWS }, (_, i) =>
    Math.max(0, given[Math.min(i, given.length - 1)] + differences.dropoutMm(i)),
  );
  return { kind: 'graded', dropoutsMm };
}

/** A gather with the stitches of its row. */
export function variedGather(
  gather: SingleGather,
  differences: Differences | undefined,
  row: number,
): SingleGather {
  if (!differences || !('stitchMm' in gather)) return gather;
  const [stitch, gap] = [differences.stitchMm(row), differences.gapMm(row)];
  if (stitch === 0 && gap === 0) return gather;
  return {
    ...gather,
    stitchMm: Math.max(NARROWEST_MM, gather.stitchMm + stitch),
    gapMm: Math.max(NARROWEST_MM, gather.gapMm + gap),
  };
}
