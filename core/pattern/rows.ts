import type { PanelField, RowSource } from './panel-field';
import { columnEdges } from './columns';
import {
  fitEnds,
  ribbonOf,
  runsInside,
  SAMPLE_MM,
  type Ribbon,
  type Run,
  type TracedLine,
} from './section-line';
import type { SectionedPanel } from './sectioning';
import { turnOf } from './gather';
import { nominalDropout, rowOffsets, rowsFromLine, type RowSizes } from './spacing';
import type { FoilStock, Panel, PlainSpacing } from './types';

/** One side of a panel, ready to be foiled. */
export interface PanelHalf {
  readonly sectioned: SectionedPanel;
  readonly partings: PanelField;
}

/** A row of sections along one parting. */
export interface PlacedRow {
  /**
   * From 1, counted from the panel's first parting (from the line, where rows are solved backwards from it).
   */
  readonly row: number;
  /**
   * Its place among the rows from the first that holds a foil, from 0: gathers in turn and eased starts are
   * counted by it.
   */
  readonly turn: number;
  readonly s: number;
  readonly thicknessMm: number;
  readonly dropoutMm: number;
  readonly source: RowSource;
  /** +1 where the drop-out lies towards growing s, −1 where towards the panel's first edge. */
  readonly dropoutTowards: 1 | -1;
}

/** A piece of a row that goes into one foil: where it lies on the traced line. */
export interface Cell {
  readonly line: TracedLine;
  /** Positions of its ends along the line, in samples with fraction. */
  readonly from: number;
  readonly to: number;
  readonly ribbon: Ribbon;
}

/**
 * Thickness and drop-out of each row (from 0) by the gathers in turn; a spacing that is solved for a target
 * keeps its own drop-outs.
 */
function sizesOf({ gather, thicknessMm, spacing }: Panel): RowSizes {
  const solved =
    spacing.kind === 'count' ||
    spacing.kind === 'share' ||
    spacing.kind === 'minutes' ||
    spacing.kind === 'budget';
  return (row) => {
    const turn = turnOf(gather, row + 1);
    return {
      thicknessMm: turn?.thicknessMm ?? thicknessMm,
      dropoutMm: solved ? null : (turn?.dropoutMm ?? null),
    };
  };
}

/**
 * Rows of one side of a panel at a spacing that says every drop-out. Rows are in the order of their numbers.
 */
export function placeRows(
  half: PanelHalf,
  panel: Panel,
  spacing: PlainSpacing,
  backwardsSliverMm?: number,
): PlacedRow[] {
  const { partings } = half;
  const sizes = sizesOf(panel);
  if (partings.kind === 'laid') return laidRows(partings, sizes, spacing);
  const { field } = partings;
  const [first, last] = field.extent;
  const length = last - first;
  if (!(length > 0)) return [];
  const backwards = backwardsSliverMm !== undefined;
  /** @param bare rows before the first that holds a foil */
  const laid = (bare: number): PlacedRow[] => {
    const rowSizes: RowSizes = (row) => sizes(Math.max(0, row - bare));
    const listed: PlainSpacing =
      spacing.kind === 'graded'
        ? {
            ...spacing,
            dropoutsMm: [...Array<number>(bare).fill(spacing.dropoutsMm[0]), ...spacing.dropoutsMm],
          }
        : spacing;
    const rows = backwards
      ? rowsFromLine(length, rowSizes, listed, backwardsSliverMm)
      : rowOffsets(length, rowSizes, listed, panel.lastRow, field.closed);
    return rows.map(({ offsetMm, thicknessMm, dropoutMm }, i): PlacedRow => {
      const s = first + offsetMm + thicknessMm / 2;
      return {
        row: i + 1,
        turn: Math.max(0, i - bare),
        s,
        thicknessMm,
        dropoutMm,
        source: partings.rowAt(s, i + 1),
        dropoutTowards: backwards ? -1 : 1,
      };
    });
  };
  const rows = laid(0);
  if (
    panel.gather.kind !== 'alternate' &&
    typeof panel.start.lastMm !== 'number' &&
    spacing.kind !== 'graded'
  )
    return rows;
  // The corner of a panel may be too narrow for a foil: turns and listed drop-outs are counted from the first
  // foil.
  const bare = rows.findIndex((row) => runsOf(half, row).length > 0);
  return bare > 0 ? laid(bare) : rows;
}

/** Runs of hair along a row. */
function runsOf({ sectioned: { frame, depths } }: PanelHalf, row: PlacedRow): Run[] {
  const line = row.source.trace(row.thicknessMm, 0);
  return line ? runsInside(line, frame, depths) : [];
}

function laidRows(
  partings: Extract<PanelField, { kind: 'laid' }>,
  sizes: RowSizes,
  spacing: PlainSpacing,
): PlacedRow[] {
  const dropoutOf = (row: number): number => {
    const given = sizes(row).dropoutMm;
    if (given !== null) return given;
    const { dropoutsMm } = spacing.kind === 'graded' ? spacing : { dropoutsMm: [nominalDropout(spacing)!] };
    return dropoutsMm[Math.min(row, dropoutsMm.length - 1)];
  };
  return partings
    .lay((row) => ({ thicknessMm: sizes(row).thicknessMm, dropoutMm: dropoutOf(row) }))
    .map((source, i): PlacedRow => ({
      row: i + 1,
      turn: i,
      s: source.s,
      thicknessMm: sizes(i).thicknessMm,
      dropoutMm: source.dropoutMm ?? dropoutOf(i),
      source,
      dropoutTowards: 1,
    }));
}

/**
 * The sections of a row: every run of hair along its parting, cut into columns where it is wider than the
 * foil.
 */
export function cellsOf(half: PanelHalf, row: PlacedRow, panel: Panel, stock: FoilStock): Cell[] {
  const { frame, depths } = half.sectioned;
  const line = row.source.trace(row.thicknessMm, 0);
  if (!line) return [];
  const stepMm = SAMPLE_MM * frame.head.k;
  return runsInside(line, frame, depths).flatMap((run) => {
    const whole = ribbonOf(line, run, stepMm);
    const edges = columnEdges(whole.widthMm, row.row, stock, panel.columns);
    const at = (share: number) => run[0] + (run[1] - run[0]) * share;
    return edges.slice(1).map((edge, i): Cell => {
      const piece: Run = [at(edges[i]), at(edge)];
      const ribbon = edges.length === 2 ? whole : ribbonOf(line, piece, stepMm);
      fitEnds(ribbon, frame, depths, { first: i === 0, last: i === edges.length - 2 });
      return { line, from: piece[0], to: piece[1], ribbon };
    });
  });
}

/**
 * Foils that a row at s would come to; remembered by whole millimetres of s, since solving asks again and
 * again.
 */
export function foilCounter(half: PanelHalf, panel: Panel, stock: FoilStock): (row: PlacedRow) => number {
  const known = new Map<number, number>();
  return (row) => {
    if (half.partings.kind === 'laid') return cellsOf(half, row, panel, stock).length;
    const key = Math.round(row.s) * 2 + (row.row % 2);
    let count = known.get(key);
    if (count === undefined) {
      count = cellsOf(half, row, panel, stock).length;
      known.set(key, count);
    }
    return count;
  };
}
