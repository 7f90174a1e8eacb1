import { zoneName } from '../head';
import {
  dropFoil,
  GATHER_PRESETS,
  retypeFoil,
  type Foil,
  type GatherKind,
  type Plan,
  type Sheet,
  type SingleGather,
} from '../pattern';
import { inMeasures, percent, type ValueResult } from '../units';
import type { WorkUnit } from '../work';
import { amountColumn, columnName, figureIn, lengthColumn } from './csv-measures';
import {
  cellText,
  csvTable,
  readCsvTable,
  textCell,
  type MeasuredColumns,
  type RowProblem,
} from './csv-table';
import type { TableStyle } from './table-style';
import { MOST_EDITS } from './plan-document';

const COLUMNS = [
  'order',
  'number',
  'kind',
  'id',
  'panel',
  'side',
  'row',
  'column',
  'zone',
  'formula',
  'gather',
  'width mm',
  'thickness mm',
  'drop-out mm',
  'angle',
  'stitches',
  'picked',
  'start mm',
  'to mm',
  'foiled',
  'lightened',
  'deepened',
  'mix',
  'ends mix',
  'grams',
  'leave out',
] as const;
type Column = (typeof COLUMNS)[number];
/** What a table may set of a foil; everything else is measured from the pattern. */
const SETTABLE: readonly Column[] = ['formula', 'gather', 'thickness mm', 'leave out'];

/** What follows from the mix or from other rows: read over, since formulas may have been chosen since. */
const FOLLOWS: ReadonlySet<Column> = new Set([
  'order',
  'foiled',
  'lightened',
  'deepened',
  'mix',
  'ends mix',
  'grams',
  'to mm',
]);

/** What a house may write in another unit. */
const MEASURED: MeasuredColumns<Column> = {
  'width mm': lengthColumn('width'),
  'thickness mm': lengthColumn('thickness'),
  'drop-out mm': lengthColumn('drop-out'),
  'start mm': lengthColumn('start'),
  'to mm': lengthColumn('to'),
  grams: amountColumn('grams', 'ounces'),
};

const tenth = (value: number) => String(Math.round(value * 10) / 10);

/** What of the sheet stands in a table beside the work. */
type Sections = Pick<Sheet, 'foils' | 'painted' | 'dropouts' | 'zones'>;

/** A unit's cells with a decimal point. */
function cellsOf({ foils, painted, dropouts, zones }: Sections, unit: WorkUnit): Record<Column, string> {
  const foil = unit.kind === 'foil' ? foils[unit.index] : undefined;
  const section = foil ?? (unit.kind === 'open-air' ? painted[unit.index] : undefined);
  // Of all hair, so that the rows add up to the pattern's shares: tips of drop-outs are not in them.
  const of =
    (section ?? dropouts[unit.index]).areaMm2 / zones.reduce((sum, { areaCm2 }) => sum + 100 * areaCm2, 0);
  const picked = percent(of * (section?.pickedShare ?? 1), 2);
  const shares = {
    foiled: foil ? percent(of, 2) : '',
    lightened: unit.lifts && section ? picked : '',
    deepened: unit.lifts ? '' : picked,
  };
  return {
    order: String(unit.order),
    number: String(unit.number),
    kind: unit.kind,
    id: unit.id,
    panel: unit.panelName,
    side: unit.side,
    row: String(unit.row),
    column: String(unit.column),
    zone: zoneName(unit.zone),
    formula: unit.letter,
    gather: unit.gather.kind,
    'width mm': tenth(unit.widthMm),
    'thickness mm': tenth(unit.thicknessMm),
    'drop-out mm': foil ? tenth(foil.dropoutMm) : '',
    angle: tenth(unit.angleDeg).replace(/^-/, '−'),
    stitches: foil ? String(foil.stitches) : '',
    picked: section ? percent(section.pickedShare) : '',
    'start mm': tenth(unit.startMm),
    'to mm': tenth(unit.reachMm[1]),
    ...shares,
    mix: unit.mix,
    'ends mix': unit.endsMix ?? '',
    grams: tenth(unit.grams + unit.endsGrams),
    'leave out': '',
  };
}

const isFigure = (column: Column) => column.endsWith(' mm') || column === 'angle' || column === 'grams';

/**
 * Everything that product is put on, in the order of work, as a table that spreadsheets open, in the units of
 * the house.
 */
export function foilsCsv(
  sheet: Sections,
  units: readonly WorkUnit[],
  { separator, decimalComma, measures }: Omit<TableStyle, 'minorPerUnit'>,
): string {
  const figure = (column: Column, text: string) => {
    const said =
      text === '' || !MEASURED[column]
        ? text
        : String(figureIn(Number(text), MEASURED[column].quantity, measures));
    return decimalComma ? said.replace('.', ',') : said;
  };
  const rows = units.map((unit) => {
    const cells = cellsOf(sheet, unit);
    return COLUMNS.map((column) => {
      if (isFigure(column)) return figure(column, cells[column]);
      return textCell(
        column === 'mix' || column === 'ends mix' ? inMeasures(cells[column], measures) : cells[column],
      );
    });
  });
  return csvTable(
    COLUMNS.map((column) => columnName(column, MEASURED[column], measures)),
    rows,
    separator,
  );
}

/** What a table would change of one foil. */
interface FoilChange {
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

const GATHERS: readonly { readonly name: string; readonly gather: SingleGather }[] =
  Object.values(GATHER_PRESETS);

/** A gather by its name; undefined for a name that is none. */
function gatherNamed(words: string, own: GatherKind): SingleGather | 'as it is' | undefined {
  const said = words.toLowerCase();
  return said === own ? 'as it is' : GATHERS.find(({ name }) => name === said)?.gather;
}

/** Two cells say the same: figures whichever way they are written, words in any case. */
function alike(a: string, b: string): boolean {
  const plain = (text: string) =>
    text
      .trim()
      .toLowerCase()
      .replace('−', '-')
      .replace(',', '.')
      .replace(/\s*%$/, '')
      .replace(/^(-?\d+)\.0$/, '$1');
  return plain(a) === plain(b);
}

/**
 * Reads a table of foils against a pattern: formula, gather and thickness of single foils, and foils left
 * out, as edits by hand. What is
 * measured cannot be set: a row in which it differs belongs to another pattern, or to this one before it was
 * changed.
 */
export function readFoilsCsv(
  text: string,
  plan: Plan,
  sheet: Sections,
  units: readonly WorkUnit[],
): ValueResult<FoilsImport> {
  const table = readCsvTable({ text, columns: COLUMNS, needed: ['id'], what: 'foils', measured: MEASURED });
  if (!table.ok) return table;
  const known = new Map(units.map((unit) => [unit.id, unit]));
  const problems: RowProblem[] = [...table.value.problems];
  const changes: FoilChange[] = [];
  const rowOf = new Map<string, number>();
  let next = plan;
  let same = 0;
  for (const { row, cells } of table.value.rows) {
    const read = readFoil({
      sheet,
      units: known,
      rowOf,
      row,
      cells: Object.fromEntries(Object.entries(cells).map(([column, cell]) => [column, cellText(cell)])),
    });
    if (typeof read === 'string') problems.push({ row, problem: read });
    else if (read.foil === null || read.words.length === 0) same += 1;
    else {
      changes.push({ id: read.foil.id, order: read.foil.order, words: read.words });
      next = read.leaveOut ? dropFoil(next, read.foil.id) : retypeFoil(next, read.foil.id, read.to);
    }
  }
  if (next.edits.length > MOST_EDITS)
    return {
      ok: false,
      problem: `That would be ${next.edits.length} edits of single foils by hand, and a pattern holds at most ${MOST_EDITS}: change the panels’ recipes instead.`,
    };
  problems.sort((a, b) => a.row - b.row);
  return { ok: true, value: { plan: next, changes, same, problems, separator: table.value.separator } };
}

interface ReadFoil {
  /** null for what is no foil. */
  readonly foil: Foil | null;
  readonly words: readonly string[];
  readonly leaveOut: boolean;
  readonly to: Parameters<typeof retypeFoil>[2];
}

/** One row; a sentence for what cannot be taken. */
function readFoil({
  sheet,
  units,
  rowOf,
  row,
  cells,
}: {
  readonly sheet: Sections;
  readonly units: ReadonlyMap<string, WorkUnit>;
  readonly rowOf: Map<string, number>;
  readonly row: number;
  readonly cells: Partial<Record<Column, string>>;
}): ReadFoil | string {
  const unit = units.get(cells.id ?? '');
  if (!unit)
    return cells.id === undefined ? 'id: it is empty.' : `id: this pattern has no foil “${cells.id}”.`;
  const first = rowOf.get(unit.id);
  if (first !== undefined) return `id: “${unit.id}” stands in row ${first} already.`;
  rowOf.set(unit.id, row);
  const own = cellsOf(sheet, unit);
  // Drop-outs and painted sections follow from their panel: nothing of them is set one by one.
  const foil = unit.kind === 'foil' ? sheet.foils[unit.index] : undefined;
  const settable = foil ? SETTABLE : [];
  const differs = COLUMNS.find(
    (column) =>
      !settable.includes(column) &&
      !FOLLOWS.has(column) &&
      cells[column] !== undefined &&
      !alike(cells[column], own[column]),
  );
  if (differs)
    return `${differs}: it is ${own[differs]} here and “${cells[differs]}” in the table. It is measured and cannot be set; if the pattern was changed since, export the list again.`;
  if (!foil) return { foil: null, words: [], leaveOut: false, to: {} };
  const leave = cells['leave out']?.toLowerCase();
  if (leave !== undefined && leave !== 'yes' && leave !== 'no')
    return `leave out: write yes, or leave it empty; it says “${cells['leave out']}”.`;
  if (leave === 'yes') return { foil, words: ['left out'], leaveOut: true, to: {} };
  const words: string[] = [];
  const to: { formula?: string; gather?: SingleGather; thicknessMm?: number } = {};
  if (cells.formula !== undefined && cells.formula.toUpperCase() !== foil.formula) {
    if (!/^[A-Za-z]$/.test(cells.formula))
      return `formula: it must be one letter; it says “${cells.formula}”.`;
    to.formula = cells.formula.toUpperCase();
    words.push(`formula ${foil.formula} → ${to.formula}`);
  }
  if (cells.gather !== undefined) {
    const gather = gatherNamed(cells.gather, foil.gather);
    if (gather === undefined)
      return `gather: “${cells.gather}” is none of ${GATHERS.map(({ name }) => name).join(', ')}.`;
    if (gather !== 'as it is') {
      to.gather = gather;
      words.push(`${foil.gather} → ${cells.gather.toLowerCase()}`);
    }
  }
  if (cells['thickness mm'] !== undefined && !alike(cells['thickness mm'], own['thickness mm'])) {
    const mm = Number(cells['thickness mm'].replace(',', '.'));
    if (!(mm >= 0.5 && mm <= 40))
      return `thickness mm: it must be a number from 0.5 to 40; it says “${cells['thickness mm']}”.`;
    to.thicknessMm = Math.round(mm * 10) / 10;
    words.push(`${own['thickness mm']} mm → ${tenth(mm)} mm thick`);
  }
  return { foil, words, leaveOut: false, to };
}
