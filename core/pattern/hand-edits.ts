import type { EditNote } from './sheet';
import { cellsOf, type Cell, type PanelHalf, type PlacedRow } from './rows';
import { ribbonOf, SAMPLE_MM } from './section-line';
import type { FoilStock, HandEdit, Panel, Side, SingleGather } from './types';

/** A foil before its figures: a cell of a row with what a hand edit changed. */
export interface DraftFoil {
  readonly id: string;
  readonly row: PlacedRow;
  readonly column: number;
  readonly cell: Cell;
  readonly gather?: SingleGather;
  readonly formula?: string;
  readonly startMm?: number;
  readonly byHand: boolean;
}

/**
 * Rows of foils added by hand are counted from here, so that they never take the number of a computed one.
 */
const FIRST_ADDED_ROW = 1001;
/** Sections may touch; closer than this they lie over each other, mm. */
const OVER_MM = 0.5;

export interface HalfContext {
  readonly half: PanelHalf;
  readonly panel: Panel;
  readonly side: Side | 'across';
  readonly stock: FoilStock;
  /** Makes the drafts of a row: columns counted outwards and named. */
  readonly draftsOf: (row: PlacedRow) => DraftFoil[];
}

/**
 * Applies the hand edits that concern one side of a panel, in their order. What no longer has its foil is
 * noted and
 * changes nothing; what now lies over a neighbour is applied and noted.
 * @param seen marks the edits that found their place
 */
export function applyEdits({
  drafts,
  edits,
  context,
  seen,
  notes,
}: {
  readonly drafts: readonly DraftFoil[];
  readonly edits: readonly HandEdit[];
  readonly context: HalfContext;
  readonly seen: Set<number>;
  readonly notes: EditNote[];
}): DraftFoil[] {
  let foils = [...drafts];
  edits.forEach((edit, i) => {
    if (edit.kind === 'add') {
      if (edit.panel !== context.panel.id || edit.side !== context.side) return;
      seen.add(i);
      const added = addedRow(edit, i, edits, context);
      if (typeof added === 'string') notes.push({ edit: i, applied: false, note: added });
      else foils = [...foils, ...added];
      return;
    }
    const at = foils.findIndex((foil) => foil.id === edit.foil);
    if (at < 0) return;
    seen.add(i);
    const foil = foils[at];
    if (edit.kind === 'delete') {
      foils = foils.filter((other) => other !== foil);
      return;
    }
    const next = changed(foil, edit, context);
    if (typeof next === 'string') {
      notes.push({ edit: i, applied: false, note: next });
      return;
    }
    foils = foils.map((other) => (other === foil ? next : other));
    const over = foils.find((other) => other !== next && liesOver(next, other));
    if (over) notes.push({ edit: i, applied: true, note: `${foil.id} now lies over ${over.id}.` });
  });
  return foils;
}

function changed(
  foil: DraftFoil,
  edit: Exclude<HandEdit, { kind: 'add' | 'delete' }>,
  context: HalfContext,
): DraftFoil | string {
  switch (edit.kind) {
    case 'move': {
      const { half } = context;
      const s = foil.row.s + edit.byMm;
      const source =
        half.partings.kind === 'even' ? half.partings.rowAt(s, foil.row.row) : beside(foil.row, edit.byMm);
      const moved = context.draftsOf({ ...foil.row, s, source }).find(({ column }) => column === foil.column);
      return moved
        ? { ...foil, row: moved.row, cell: moved.cell, byHand: true }
        : `${foil.id} cannot be moved by ${edit.byMm} mm: no hair of the panel lies there.`;
    }
    case 'widen': {
      const { cell } = foil;
      const { k } = context.half.sectioned.frame.head;
      const step = cell.ribbon.widthMm / (cell.to - cell.from);
      const from = Math.max(0, cell.from - edit.startMm / step);
      const to = Math.min(cell.line.count - 1, cell.to + edit.endMm / step);
      if (!((to - from) * step >= 5)) return `${foil.id} would be narrower than 5 mm.`;
      return {
        ...foil,
        cell: { ...cell, from, to, ribbon: ribbonOf(cell.line, [from, to], SAMPLE_MM * k) },
        byHand: true,
      };
    }
    case 'retype': {
      const retyped = {
        ...foil,
        gather: edit.gather ?? foil.gather,
        formula: edit.formula ?? foil.formula,
        startMm: edit.startMm ?? foil.startMm,
        byHand: true,
      };
      if (edit.thicknessMm === undefined) return retyped;
      const row = { ...foil.row, thicknessMm: edit.thicknessMm };
      const thick = context.draftsOf(row).find(({ column }) => column === foil.column);
      return thick
        ? { ...retyped, row, cell: thick.cell }
        : `${foil.id} cannot be ${edit.thicknessMm} mm thick where it lies.`;
    }
  }
}

function beside(row: PlacedRow, byMm: number): PlacedRow['source'] {
  return {
    ...row.source,
    s: row.s + byMm,
    trace: (thicknessMm, besideMm) => row.source.trace(thicknessMm, besideMm + byMm),
  };
}

function addedRow(
  edit: Extract<HandEdit, { kind: 'add' }>,
  index: number,
  edits: readonly HandEdit[],
  context: HalfContext,
): DraftFoil[] | string {
  const { half, panel } = context;
  if (half.partings.kind !== 'even')
    return `A foil cannot be added to ${panel.name}: its partings follow one from the other.`;
  const [first, last] = half.partings.field.extent;
  const s = first + edit.atMm + panel.thicknessMm / 2;
  if (!(s >= first && s <= last))
    return `A foil cannot be added ${edit.atMm} mm into ${panel.name}: it is ${Math.round(last - first)} mm long.`;
  // Numbered among the foils added to the same panel, whatever side they are on.
  const nth = edits
    .slice(0, index)
    .filter((other) => other.kind === 'add' && other.panel === edit.panel).length;
  const row: PlacedRow = {
    row: FIRST_ADDED_ROW + nth,
    turn: 0,
    s,
    thicknessMm: panel.thicknessMm,
    dropoutMm: 0,
    source: half.partings.rowAt(s, 1),
    dropoutTowards: 1,
  };
  const drafts = context.draftsOf(row);
  return drafts.length > 0
    ? drafts.map((draft) => ({ ...draft, byHand: true }))
    : `No hair of ${panel.name} lies ${edit.atMm} mm into it.`;
}

/**
 * Whether two foils of one side of a panel share hair: nearer along the spine than their thickness, and along
 * the parting too.
 */
function liesOver(a: DraftFoil, b: DraftFoil): boolean {
  if (Math.abs(a.row.s - b.row.s) >= (a.row.thicknessMm + b.row.thicknessMm) / 2 - OVER_MM) return false;
  const start = (foil: DraftFoil) => (foil.cell.line.firstU ?? 0) + foil.cell.from * stepOf(foil);
  const end = (foil: DraftFoil) => (foil.cell.line.firstU ?? 0) + foil.cell.to * stepOf(foil);
  return start(a) < end(b) - OVER_MM && start(b) < end(a) - OVER_MM;
}

function stepOf({ cell }: DraftFoil): number {
  return cell.ribbon.widthMm / (cell.to - cell.from);
}

/**
 * The cells of a row as drafts: columns counted outwards from the middle of the head, named panel/row/column.
 */
export function draftRow({
  half,
  row,
  panel,
  side,
  stock,
}: {
  readonly half: PanelHalf;
  readonly row: PlacedRow;
  readonly panel: Panel;
  readonly side: Side | 'across';
  readonly stock: FoilStock;
}): DraftFoil[] {
  const cells = cellsOf(half, row, panel, stock).map((cell) => {
    const { xyz, count } = cell.ribbon;
    const x = (xyz[3 * ((count - 1) >> 1)] + xyz[3 * (count >> 1)]) / 2;
    return { cell, x, off: Math.abs(x) };
  });
  cells.sort((a, b) => a.off - b.off || b.x - a.x);
  let left = 0;
  let right = 0;
  return cells.map(({ cell, x, off }, i): DraftFoil => {
    let column: number;
    if (side === 'left') column = i + 1;
    else if (side === 'right') column = -(i + 1);
    // Across the middle: the one on it is 0, the others count outwards on their own sides.
    else if (off < Math.max(1, cell.ribbon.widthMm / 4)) column = 0;
    else column = x > 0 ? (left += 1) : -(right += 1);
    return { id: `${panel.id}/${row.row}/${column}`, row, column, cell, byHand: false };
  });
}
