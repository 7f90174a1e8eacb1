import { smoothstep } from './smoothstep';
import type { PlainSpacing, Spacing } from './types';

/** Neighbouring drop-outs of an eased spacing differ by no more than this factor. */
const LARGEST_JUMP = 1.5;
/** Below this a drop-out counts as back to back and jumps are not measured against it, mm. */
const NEARLY_NONE_MM = 1;

/**
 * A row of a panel: its first edge from the panel's first edge along the spine, its thickness, and the hair
 * left out behind it, mm.
 */
export interface Row {
  readonly offsetMm: number;
  readonly thicknessMm: number;
  readonly dropoutMm: number;
}

/** Thickness of a row (from 0), and a drop-out of its own where the row has one, mm. */
export type RowSizes = (row: number) => { readonly thicknessMm: number; readonly dropoutMm: number | null };

const alike =
  (thicknessMm: number): RowSizes =>
  () => ({ thicknessMm, dropoutMm: null });

/** Pitch: distance from one parting to the same edge of the next row, mm. */
export function pitchOf(thicknessMm: number, dropoutMm: number): number {
  return thicknessMm + dropoutMm;
}

/**
 * The one rule for counts: rows of thickness T at an even pitch in a length L, mm; none where not even one
 * fits.
 */
export function rowCount(lengthMm: number, thicknessMm: number, pitchMm: number, lastRow = false): number {
  if (lengthMm < thicknessMm - 1e-9) return 0;
  const fitting = (lengthMm - thicknessMm) / pitchMm;
  const whole = Math.floor(fitting + 1e-9);
  return whole + 1 + (lastRow && fitting - whole >= 0.5 ? 1 : 0);
}

/**
 * Rows in a length L along the spine, from its first edge, mm.
 * @param sizes thickness of all rows, mm, or row by row
 * @param lastRow a remainder of half a pitch or more earns a last row, which then reaches beyond the edge
 * @param closed the length closes on itself: the last drop-out must fit before the first row
 */
export function rowOffsets(
  lengthMm: number,
  sizes: number | RowSizes,
  spacing: PlainSpacing,
  lastRow = false,
  closed = false,
): Row[] {
  const sizesOf = typeof sizes === 'number' ? alike(sizes) : sizes;
  const dropouts = dropoutSeries(lengthMm, sizesOf, spacing);
  const rows: Row[] = [];
  let offset = 0;
  for (let i = 0; i < MOST_ROWS; i += 1) {
    const { thicknessMm } = sizesOf(i);
    const dropoutMm = dropouts(i);
    const left = lengthMm - offset - thicknessMm - (closed ? dropoutMm : 0);
    if (left < -1e-9 * thicknessMm - 1e-9) {
      const pitch = pitchOf(thicknessMm, i > 0 ? dropouts(i - 1) : dropoutMm);
      if (!(lastRow && i > 0 && left + pitch >= pitch / 2 && left > -pitch / 2 - 1e-9)) break;
      rows.push({ offsetMm: offset, thicknessMm, dropoutMm });
      break;
    }
    rows.push({ offsetMm: offset, thicknessMm, dropoutMm });
    offset += pitchOf(thicknessMm, dropoutMm);
  }
  return rows;
}

/** More rows than this are never placed; the engine reports such a panel. */
const MOST_ROWS = 12_000;

/** Drop-outs by row: its own where a row has one, else what the spacing says. */
function dropoutSeries(lengthMm: number, sizes: RowSizes, spacing: PlainSpacing): (row: number) => number {
  const given = givenSeries(lengthMm, sizes, spacing);
  return (row) => sizes(row).dropoutMm ?? given(row);
}

function givenSeries(lengthMm: number, sizes: RowSizes, spacing: PlainSpacing): (row: number) => number {
  switch (spacing.kind) {
    case 'constant':
      return () => spacing.dropoutMm;
    case 'graded':
      return (i) => spacing.dropoutsMm[Math.min(i, spacing.dropoutsMm.length - 1)];
    case 'eased':
      return easedSeries(lengthMm, sizes, spacing.fromMm, spacing.toMm);
  }
}

/**
 * Drop-outs eased from one value to another over the length: each depends on where its row lies (smoothstep),
 * and no two
 * neighbours differ by more than a factor of 1.5.
 */
function easedSeries(
  lengthMm: number,
  sizes: RowSizes,
  fromMm: number,
  toMm: number,
): (row: number) => number {
  const dropouts: number[] = [];
  let offset = 0;
  for (let i = 0; i < MOST_ROWS && offset <= lengthMm; i += 1) {
    const { thicknessMm } = sizes(i);
    const f = Math.min(1, offset / Math.max(1e-9, lengthMm - thicknessMm));
    const wanted = fromMm + (toMm - fromMm) * smoothstep(f);
    const before = dropouts[i - 1];
    const allowed =
      before === undefined
        ? wanted
        : Math.min(Math.max(before, NEARLY_NONE_MM) * LARGEST_JUMP, Math.max(wanted, before / LARGEST_JUMP));
    dropouts.push(allowed);
    offset += pitchOf(thicknessMm, allowed);
    if (pitchOf(thicknessMm, allowed) <= 0) break;
  }
  return (i) => dropouts[Math.min(i, dropouts.length - 1)] ?? toMm;
}

/**
 * Rows solved backwards from a line at the end of the panel: the first leaves its share of the sliver there,
 * the others
 * follow at the spacing away from it, up to the panel's first edge. Row 1 is the one at the line.
 *
 * @param sliverMm hair left between this side's first foil and the line
 */
export function rowsFromLine(
  lengthMm: number,
  sizes: number | RowSizes,
  spacing: PlainSpacing,
  sliverMm: number,
): Row[] {
  return rowOffsets(lengthMm - sliverMm, sizes, spacing).map(({ offsetMm, thicknessMm, dropoutMm }) => ({
    offsetMm: lengthMm - sliverMm - offsetMm - thicknessMm,
    thicknessMm,
    dropoutMm,
  }));
}

/**
 * Even drop-out for a wanted count that falls with it: among the drop-outs that give the most foils not above
 * the wanted
 * count, the one that leaves about as much behind the last row as between the rows.
 * @returns undefined when even the widest gives more
 */
export function dropoutForCount(
  wanted: number,
  thicknessMm: number,
  widestMm: number,
  countAt: (dropoutMm: number) => number,
): number | undefined {
  if (countAt(widestMm) > wanted) return undefined;
  const least = countAt(0) <= wanted ? 0 : leastWith((count) => count <= wanted, widestMm, countAt);
  if (least === 0) return 0;
  const reached = countAt(least);
  const most = leastWith((count) => count < reached, widestMm, countAt);
  return least + ((most - least) * thicknessMm) / (thicknessMm + most);
}

/** Least drop-out from which on the count passes a test, by bisection. */
function leastWith(
  passes: (count: number) => boolean,
  widestMm: number,
  countAt: (dropoutMm: number) => number,
): number {
  let low = 0;
  let high = widestMm;
  for (let i = 0; i < 30; i += 1) {
    const middle = (low + high) / 2;
    if (passes(countAt(middle))) high = middle;
    else low = middle;
  }
  return high;
}

/** The nominal drop-out of a spacing, mm, for a line of text; undefined where it is solved. */
export function nominalDropout(spacing: Spacing): number | undefined {
  switch (spacing.kind) {
    case 'constant':
      return spacing.dropoutMm;
    case 'graded':
      return spacing.dropoutsMm[spacing.dropoutsMm.length - 1];
    case 'eased':
      return spacing.toMm;
    case 'backwards':
      return nominalDropout(spacing.spacing);
    default:
      return undefined;
  }
}
