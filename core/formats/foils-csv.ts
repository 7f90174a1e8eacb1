import { zoneName } from '../head';
import { dropFoil, GATHER_PRESETS, retypeFoil, type Foil, type GatherKind, type Plan, type Sheet, type SingleGather } from '../pattern';
import { cellText, csvTable, readCsvTable, textCell, type CsvRead, type RowProblem } from './csv-table';
import { MOST_EDITS } from './plan-document';

const COLUMNS = ['number', 'id', 'panel', 'side', 'row', 'column', 'zone', 'formula', 'gather', 'width mm', 'thickness mm', 'drop-out mm', 'angle', 'stitches', 'picked', 'start mm', 'leave out'] as const;
type Column = (typeof COLUMNS)[number];
/** What a table may set of a foil; everything else is measured from the pattern. */
const SETTABLE: readonly Column[] = ['formula', 'gather', 'thickness mm', 'leave out'];

const tenth = (value: number) => String(Math.round(value * 10) / 10);

/** A foil's cells with a decimal point. */
function cellsOf(plan: Plan, foil: Foil): Record<Column, string> {
  const panel = plan.panels.find(({ id }) => id === foil.panel);
  return {
    number: String(foil.order), id: foil.id, panel: panel?.name ?? foil.panel, side: foil.side, row: String(foil.row), column: String(foil.column), zone: zoneName(foil.zone), formula: foil.formula, gather: foil.gather,
    'width mm': tenth(foil.widthMm), 'thickness mm': tenth(foil.thicknessMm), 'drop-out mm': tenth(foil.dropoutMm), angle: tenth(foil.angleDeg).replace(/^-/, '−'), stitches: String(foil.stitches),
    picked: `${Math.round(foil.pickedShare * 100)} %`, 'start mm': tenth(panel?.start.distanceMm ?? 0), 'leave out': '',
  };
}

const inOrder = ({ foils }: Pick<Sheet, 'foils'>) => [...foils].sort((a, b) => a.order - b.order);

/** The foils of a pattern in the order of work, as a table that spreadsheets open. */
export function foilsCsv(plan: Plan, sheet: Pick<Sheet, 'foils'>, { separator, decimalComma }: { separator: string; decimalComma: boolean }): string {
  const figure = (text: string) => (decimalComma ? text.replace('.', ',') : text);
  const rows = inOrder(sheet).map((foil) => {
    const cells = cellsOf(plan, foil);
    return COLUMNS.map((column) => (column.endsWith(' mm') || column === 'angle' ? figure(cells[column]) : textCell(cells[column])));
  });
  return csvTable(COLUMNS, rows, separator);
}

/** What a table would change of one foil. */
export interface FoilChange {
  readonly id: string;
  readonly order: number;
  /** As it is said: `formula A → B`. */
  readonly words: readonly string[];
}

/** What a table of foils would do to a pattern. Foils that it does not name stay. */
export interface FoilsImport {
  readonly plan: Plan;
  readonly changes: readonly FoilChange[];
  readonly same: number;
  readonly problems: readonly RowProblem[];
  readonly separator: string;
}

const GATHERS: readonly { readonly name: string; readonly gather: SingleGather }[] = Object.values(GATHER_PRESETS);

/** A gather by its name; undefined for a name that is none. */
function gatherNamed(words: string, own: GatherKind): SingleGather | 'as it is' | undefined {
  const said = words.toLowerCase();
  return said === own ? 'as it is' : GATHERS.find(({ name }) => name === said)?.gather;
}

/** Two cells say the same: figures whichever way they are written, words in any case. */
function alike(a: string, b: string): boolean {
  const plain = (text: string) => text.trim().toLowerCase().replace('−', '-').replace(',', '.').replace(/\s*%$/, '').replace(/^(-?\d+)\.0$/, '$1');
  return plain(a) === plain(b);
}

/**
 * Reads a table of foils against a pattern: formula, gather and thickness of single foils, and foils left out, as edits by hand. What is
 * measured cannot be set: a row in which it differs belongs to another pattern, or to this one before it was changed.
 */
export function readFoilsCsv(text: string, plan: Plan, sheet: Pick<Sheet, 'foils'>): CsvRead<FoilsImport> {
  const table = readCsvTable(text, COLUMNS, ['id'], 'foils');
  if (!table.ok) return table;
  const foils = new Map(sheet.foils.map((foil) => [foil.id, foil]));
  const problems: RowProblem[] = [...table.value.problems];
  const changes: FoilChange[] = [];
  const rowOf = new Map<string, number>();
  let next = plan;
  let same = 0;
  for (const { row, cells } of table.value.rows) {
    const read = readFoil(plan, foils, rowOf, row, Object.fromEntries(Object.entries(cells).map(([column, cell]) => [column, cellText(cell!)])));
    if (typeof read === 'string') problems.push({ row, problem: read });
    else if (read.words.length === 0) same += 1;
    else {
      changes.push({ id: read.foil.id, order: read.foil.order, words: read.words });
      next = read.leaveOut ? dropFoil(next, read.foil.id) : retypeFoil(next, read.foil.id, read.to);
    }
  }
  if (next.edits.length > MOST_EDITS) return { ok: false, problem: `That would be ${next.edits.length} edits of single foils by hand, and a pattern holds at most ${MOST_EDITS}: change the panels’ recipes instead.` };
  problems.sort((a, b) => a.row - b.row);
  return { ok: true, value: { plan: next, changes, same, problems, separator: table.value.separator } };
}

interface ReadFoil {
  readonly foil: Foil;
  readonly words: readonly string[];
  readonly leaveOut: boolean;
  readonly to: Parameters<typeof retypeFoil>[2];
}

/** One row; a sentence for what cannot be taken. */
function readFoil(plan: Plan, foils: ReadonlyMap<string, Foil>, rowOf: Map<string, number>, row: number, cells: Partial<Record<Column, string>>): ReadFoil | string {
  const foil = foils.get(cells.id ?? '');
  if (!foil) return cells.id === undefined ? 'id: it is empty.' : `id: this pattern has no foil “${cells.id}”.`;
  const first = rowOf.get(foil.id);
  if (first !== undefined) return `id: “${foil.id}” stands in row ${first} already.`;
  rowOf.set(foil.id, row);
  const own = cellsOf(plan, foil);
  const differs = COLUMNS.find((column) => !SETTABLE.includes(column) && cells[column] !== undefined && !alike(cells[column], own[column]));
  if (differs) return `${differs}: it is ${own[differs]} here and “${cells[differs]}” in the table. It is measured and cannot be set; if the pattern was changed since, export the list anew.`;
  const leave = cells['leave out']?.toLowerCase();
  if (leave !== undefined && leave !== 'yes' && leave !== 'no') return `leave out: write yes, or leave it empty; it says “${cells['leave out']}”.`;
  if (leave === 'yes') return { foil, words: ['left out'], leaveOut: true, to: {} };
  const words: string[] = [];
  const to: { formula?: string; gather?: SingleGather; thicknessMm?: number } = {};
  if (cells.formula !== undefined && cells.formula.toUpperCase() !== foil.formula) {
    if (!/^[A-Za-z]$/.test(cells.formula)) return `formula: it must be one letter; it says “${cells.formula}”.`;
    to.formula = cells.formula.toUpperCase();
    words.push(`formula ${foil.formula} → ${to.formula}`);
  }
  if (cells.gather !== undefined) {
    const gather = gatherNamed(cells.gather, foil.gather);
    if (gather === undefined) return `gather: “${cells.gather}” is none of ${GATHERS.map(({ name }) => name).join(', ')}.`;
    if (gather !== 'as it is') {
      to.gather = gather;
      words.push(`${foil.gather} → ${cells.gather.toLowerCase()}`);
    }
  }
  if (cells['thickness mm'] !== undefined && !alike(cells['thickness mm'], own['thickness mm'])) {
    const mm = Number(cells['thickness mm'].replace(',', '.'));
    if (!(mm >= 0.5 && mm <= 40)) return `thickness mm: it must be a number from 0.5 to 40; it says “${cells['thickness mm']}”.`;
    to.thicknessMm = Math.round(mm * 10) / 10;
    words.push(`${own['thickness mm']} mm → ${tenth(mm)} mm thick`);
  }
  return { foil, words, leaveOut: false, to };
}
