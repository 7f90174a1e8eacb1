import type { PanelField, RowSource } from './panel-field';
import { columnEdges } from './columns';
import { ribbonOf, runsInside, SAMPLE_MM, type Ribbon, type Run, type TracedLine } from './section-line';
import type { SectionedPanel } from './sectioning';
import { nominalDropout, rowOffsets, rowsFromLine } from './spacing';
import type { FoilStock, Panel, PlainSpacing } from './types';

/** One side of a panel, ready to be foiled. */
export interface PanelHalf {
  readonly sectioned: SectionedPanel;
  readonly partings: PanelField;
}

/** A row of sections along one parting. */
export interface PlacedRow {
  /** From 1, counted from the panel's first parting (from the line, where rows are solved backwards from it). */
  readonly row: number;
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

/** Rows of one side of a panel at a spacing that says every drop-out. Rows are in the order of their numbers. */
export function placeRows(half: PanelHalf, panel: Panel, spacing: PlainSpacing, backwardsSliverMm?: number): PlacedRow[] {
  const { partings } = half;
  const { thicknessMm } = panel;
  if (partings.kind === 'laid') return laidRows(partings, thicknessMm, spacing);
  const { field } = partings;
  const [first, last] = field.extent;
  const length = last - first;
  if (!(length > 0)) return [];
  const backwards = backwardsSliverMm !== undefined;
  const rows = backwards
    ? rowsFromLine(length, thicknessMm, spacing, backwardsSliverMm)
    : rowOffsets(length, thicknessMm, spacing, panel.lastRow, field.closed);
  return rows.map(({ offsetMm, dropoutMm }, i): PlacedRow => {
    const s = first + offsetMm + thicknessMm / 2;
    return { row: i + 1, s, thicknessMm, dropoutMm, source: partings.rowAt(s, i + 1), dropoutTowards: backwards ? -1 : 1 };
  });
}

function laidRows(partings: Extract<PanelField, { kind: 'laid' }>, thicknessMm: number, spacing: PlainSpacing): PlacedRow[] {
  const dropoutOf = (row: number): number => {
    const { dropoutsMm } = spacing.kind === 'graded' ? spacing : { dropoutsMm: [nominalDropout(spacing)!] };
    return dropoutsMm[Math.min(row, dropoutsMm.length - 1)];
  };
  return partings
    .lay((row) => ({ thicknessMm, dropoutMm: dropoutOf(row) }))
    .map((source, i): PlacedRow => ({
      row: i + 1, s: source.s, thicknessMm, dropoutMm: source.dropoutMm ?? dropoutOf(i), source, dropoutTowards: 1,
    }));
}

/** The sections of a row: every run of hair along its parting, cut into columns where it is wider than the foil. */
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
      return { line, from: piece[0], to: piece[1], ribbon: edges.length === 2 ? whole : ribbonOf(line, piece, stepMm) };
    });
  });
}

/** Foils that a row at s would come to; remembered by whole millimetres of s, since solving asks again and again. */
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
