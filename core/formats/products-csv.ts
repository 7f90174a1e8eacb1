import {
  isStocked,
  PRODUCT_KINDS,
  rangeProblems,
  type Product,
  type ProductKind,
  type RecipePart,
} from '../products';
import { entriesOf, formatStrength, isOneOf, METRIC, type Measures, type Result } from '../units';
import {
  columnName,
  figureIn,
  lengthColumn,
  metricOf,
  strengthColumn,
  temperatureColumn,
} from './csv-measures';
import {
  cellText,
  csvTable,
  readCsvTable,
  textCell,
  type MeasuredColumns,
  type RowProblem,
} from './csv-table';
import { MOST_PRODUCTS, productSchema } from './products-document';
import { sentenceOf } from './problem';
import { amountUnitOf, type TableStyle } from './table-style';

/** Columns of the table, in their order; a product leaves those empty that its kind does not have. */
const COLUMNS = [
  'kind',
  'id',
  'name',
  'line',
  'level',
  'tone',
  'volumes',
  'ratio least',
  'ratio usual',
  'ratio most',
  'volumes least',
  'volumes most',
  'minutes foil',
  'minutes open air',
  'minutes scalp',
  'minutes least',
  'minutes most',
  'speed',
  'levels',
  'top',
  'root natural',
  'root ash',
  'root levels',
  'per gram',
  'weakens',
  'per use',
  'width',
  'length',
  'pack',
  'pack price',
  'stock',
  'note',
  'minutes usual',
  'warmest',
  'drop',
  'barcode',
  'use',
  'parts',
  'per hair gram',
  'price',
  'unit',
] as const;
type Column = (typeof COLUMNS)[number];
const NEEDED: readonly Column[] = ['kind', 'id', 'name'];

/** What a house may write in another unit; amounts stand in the unit of their row. */
const MEASURED: MeasuredColumns<Column> = {
  volumes: strengthColumn('volumes', 'strength %'),
  'volumes least': strengthColumn('volumes least', 'strength least %'),
  'volumes most': strengthColumn('volumes most', 'strength most %'),
  width: lengthColumn('width', 'width'),
  length: lengthColumn('length', 'length'),
  warmest: temperatureColumn('warmest', 'warmest °F'),
};
const AMOUNTS: ReadonlySet<Column> = new Set(['pack', 'stock', 'per use']);
const AMOUNT_UNITS = ['g', 'oz', 'sheets'];

type Row = Partial<Record<Column, string | number | boolean | null>>;

function rowOf(
  product: Product,
  { minorPerUnit, measures }: Pick<TableStyle, 'minorPerUnit' | 'measures'>,
): Row {
  const row: Row = {
    kind: product.kind,
    id: product.id,
    name: product.name,
    note: product.note,
    ...(isStocked(product) && {
      pack: product.pack,
      'pack price': product.packMinor / minorPerUnit,
      stock: product.stock,
      barcode: product.barcode ?? null,
    }),
  };
  if ('ratio' in product)
    Object.assign(row, {
      'ratio least': product.ratio.least,
      'ratio usual': product.ratio.usual,
      'ratio most': product.ratio.most,
      'volumes least': product.volumes.least,
      'volumes most': product.volumes.most,
    });
  switch (product.kind) {
    case 'lightener':
    case 'high-lift':
      return {
        ...row,
        'minutes foil': product.minutes.foil,
        'minutes open air': product.minutes.openAir,
        'minutes scalp': product.minutes.scalp,
        'minutes least': product.leastMinutes ?? null,
        'minutes usual': product.usualMinutes ?? null,
        warmest: product.warmestCelsius ?? null,
        speed: product.speed,
        levels: product.levels,
        top: product.top,
      };
    case 'developer':
      return { ...row, volumes: product.volumes };
    case 'line':
      return {
        ...row,
        'minutes least': product.minutes.least,
        'minutes usual': product.minutes.usual ?? null,
        'minutes most': product.minutes.most,
        'root natural': product.root.natural,
        'root ash': product.root.ash,
        'root levels': product.root.levels,
        ...(product.lifts && { speed: product.lifts.speed, levels: product.lifts.levels }),
      };
    case 'shade':
      return { ...row, line: product.line, level: product.level, tone: product.tone };
    case 'additive':
      return {
        ...row,
        'per gram': product.perGram,
        weakens: product.weakens ? 'yes' : 'no',
        drop: product.dropGrams ?? null,
      };
    case 'treatment':
      return { ...row, 'per use': product.perUse };
    case 'foil':
      return { ...row, width: product.widthMm, length: product.lengthMm };
    case 'recipe':
      return {
        ...row,
        use: product.use,
        parts: partsText(product.parts, measures),
        'per hair gram': product.perHairGram,
        'minutes usual': product.minutes,
        price: product.priceMinor / minorPerUnit,
      };
  }
}

/**
 * Parts of a recipe in one cell: `1 moth-powder + 1 20vol + 1 wash`, of a house that says per cent `1 6%`.
 */
const partsText = (parts: readonly RecipePart[], { strengths }: Pick<Measures, 'strengths'>) =>
  parts
    .map(
      (part) =>
        `${part.parts} ${'product' in part ? part.product : formatStrength(part.volumes, strengths).replace(' ', '')}`,
    )
    .join(' + ');

/** Reads them back; what cannot be read is left to the schema to name. */
function partsOf(text: string): unknown[] {
  return text.split('+').map((part) => {
    const [, many = '', what = ''] = /^\s*(\d+(?:[.,]\d+)?)\s+(\S+)\s*$/.exec(part) ?? [];
    const strength = /^(\d+(?:[.,]\d+)?)(vol|%)$/.exec(what);
    const parts = Number(many.replace(',', '.'));
    return strength
      ? { volumes: metricOf(Number(strength[1].replace(',', '.')), strength[2]), parts }
      : { product: what, parts };
  });
}

/** A range as a table that spreadsheets open, in the units of the house. */
export function productsCsv(range: readonly Product[], style: TableStyle): string {
  const { measures, separator, decimalComma } = style;
  const figure = (value: number) => (decimalComma ? String(value).replace('.', ',') : String(value));
  const rows = range.map((product) => {
    const row: Row = {
      ...rowOf(product, style),
      ...(isStocked(product) && { unit: amountUnitOf(product, measures) }),
    };
    const ounces = row.unit === 'oz';
    return COLUMNS.map((column) => {
      const value = row[column];
      if (typeof value !== 'number')
        return value === null || value === undefined ? '' : textCell(String(value));
      return figure(
        figureIn(
          value,
          AMOUNTS.has(column) ? (ounces ? 'amounts' : undefined) : MEASURED[column]?.quantity,
          measures,
        ),
      );
    });
  });
  return csvTable(
    COLUMNS.map((column) => columnName(column, MEASURED[column], measures)),
    rows,
    separator,
  );
}

/** What a table would do to a range. */
export interface Import {
  /** The range as it would be: those of the table changed or added, all others as they are. */
  readonly range: readonly Product[];
  readonly added: readonly Product[];
  readonly changed: readonly { readonly before: Product; readonly after: Product }[];
  readonly same: number;
  readonly problems: readonly RowProblem[];
  /** How the figures were read. */
  readonly separator: string;
  readonly decimalComma: boolean;
}

export type ImportRead = Result<{ readonly value: Import }>;

/**
 * Reads a table of products against the range that a house has. Separator and decimal sign are found out; a
 * row that cannot
 * be read is named with what is wrong, and nothing of it is taken.
 */
export function readProductsCsv(text: string, range: readonly Product[], minorPerUnit: number): ImportRead {
  const table = readCsvTable({
    text,
    columns: COLUMNS,
    needed: NEEDED,
    what: 'products',
    measured: MEASURED,
  });
  if (!table.ok) return table;
  const { separator, rows } = table.value;
  // Said before thousands of rows are read for nothing.
  if (rows.length > MOST_PRODUCTS)
    return {
      ok: false,
      problem: `A house has at most ${MOST_PRODUCTS} products, and the table has ${rows.length}.`,
    };
  // With a comma between columns it cannot be the decimal sign, unless figures are quoted.
  const decimalComma = rows.some(({ cells }) =>
    entriesOf(cells).some(([column, cell]) => FIGURES.has(column) && /^\d+,\d+$/.test(cell)),
  );
  const problems: RowProblem[] = [...table.value.problems];
  const read: { row: number; product: Product }[] = [];
  for (const { row, cells } of rows) {
    const product = productOf(cells, range, { decimalComma, minorPerUnit });
    if (typeof product === 'string') problems.push({ row, problem: product });
    else read.push({ row, product });
  }

  const before = new Map(range.map((product) => [product.id, product]));
  const after = new Map(before);
  const rowOfId = new Map<string, number>();
  const added: Product[] = [];
  const changed: { before: Product; after: Product }[] = [];
  let same = 0;
  for (const { row, product } of read) {
    const first = rowOfId.get(product.id);
    if (first !== undefined) {
      problems.push({ row, problem: `id: “${product.id}” stands in row ${first} already.` });
      continue;
    }
    rowOfId.set(product.id, row);
    const was = before.get(product.id);
    if (was && was.kind !== product.kind) {
      problems.push({
        row,
        problem: `kind: “${product.id}” is a ${was.kind} in this house, not a ${product.kind}.`,
      });
      continue;
    }
    after.set(product.id, product);
    if (!was) added.push(product);
    else if (JSON.stringify(sorted(was)) === JSON.stringify(sorted(product))) same += 1;
    else changed.push({ before: was, after: product });
  }
  const next = [...after.values()];
  for (const { at, field, problem } of rangeProblems(next)) {
    const row = rowOfId.get(next[at].id);
    problems.push({ row: row ?? 1, problem: `${field}: ${problem}.` });
  }
  problems.sort((a, b) => a.row - b.row);
  return { ok: true, value: { range: next, added, changed, same, problems, separator, decimalComma } };
}

const FIGURES: ReadonlySet<Column> = new Set(
  COLUMNS.filter(
    (column) =>
      !['kind', 'id', 'name', 'line', 'tone', 'weakens', 'note', 'barcode', 'use', 'parts', 'unit'].includes(
        column,
      ),
  ),
);

function sorted(value: unknown): unknown {
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, own]) => [key, sorted(own)]),
  );
}

/** A row as a product, or what is wrong with it. A cell left empty keeps what the house has. */
function productOf(
  given: Partial<Record<Column, string>>,
  range: readonly Product[],
  { decimalComma, minorPerUnit }: { decimalComma: boolean; minorPerUnit: number },
): Product | string {
  const kind = given.kind?.toLowerCase();
  if (!isOneOf(PRODUCT_KINDS, kind))
    return `kind: must be one of ${PRODUCT_KINDS.join(', ')}${kind ? `, not “${given.kind}”` : ''}.`;
  const was = range.find((product) => product.id === given.id && product.kind === kind);
  const usual = was ? rowOf(was, { minorPerUnit, measures: METRIC }) : {};
  for (const column of FIGURES) {
    const cell = given[column];
    if (cell !== undefined && !/^-?\d+([.,]\d+)?$/.test(cell)) return `${column}: “${cell}” is no figure.`;
    if (cell !== undefined && decimalComma && cell.includes('.'))
      return `${column}: “${cell}” has a point where other figures of the table have a comma.`;
  }
  const unit = given.unit?.toLowerCase() ?? amountUnitOf({ kind }, METRIC);
  if (!AMOUNT_UNITS.includes(unit) || (unit === 'sheets') !== (kind === 'foil'))
    return `unit: must be ${kind === 'foil' ? 'sheets' : 'g or oz'}, not “${given.unit}”.`;
  const text = (column: Column) =>
    given[column] === undefined ? usual[column]?.toString() : cellText(given[column]);
  const figure = (column: Column): number | undefined => {
    const cell = given[column];
    // Rows of our own have figures in these columns.
    if (cell === undefined) return usual[column] as number | undefined;
    const value = Number(cell.replace(',', '.'));
    return AMOUNTS.has(column) ? metricOf(value, unit) : value;
  };
  const orNone = (column: Column) => figure(column) ?? null;
  const minor = (column: Column) => Math.round((figure(column) ?? 0) * minorPerUnit);
  const shared = {
    kind,
    id: given.id,
    name: text('name'),
    note: text('note') ?? '',
    ...(kind !== 'recipe' && {
      pack: figure('pack') ?? 1,
      packMinor: minor('pack price'),
      stock: figure('stock') ?? 0,
      barcode: text('barcode') || undefined,
    }),
  };
  const read = productSchema.safeParse({
    ...shared,
    ...ownFields({ kind, text, figure, orNone, minor }),
  });
  return read.success ? read.data : sentenceOf(read.error);
}

function ownFields({
  kind,
  text,
  figure,
  orNone,
  minor,
}: {
  readonly kind: ProductKind;
  readonly text: (column: Column) => string | undefined;
  readonly figure: (column: Column) => number | undefined;
  readonly orNone: (column: Column) => number | null;
  readonly minor: (column: Column) => number;
}): object {
  const mixed = {
    ratio: { least: figure('ratio least'), usual: figure('ratio usual'), most: figure('ratio most') },
    volumes: { least: figure('volumes least'), most: figure('volumes most') },
  };
  switch (kind) {
    case 'lightener':
    case 'high-lift':
      return {
        ...mixed,
        minutes: {
          foil: orNone('minutes foil'),
          openAir: orNone('minutes open air'),
          scalp: orNone('minutes scalp'),
        },
        leastMinutes: figure('minutes least') ?? undefined,
        usualMinutes: figure('minutes usual') ?? undefined,
        warmestCelsius: figure('warmest') ?? undefined,
        speed: figure('speed'),
        levels: figure('levels'),
        top: figure('top'),
      };
    case 'developer':
      return { volumes: figure('volumes') };
    case 'line':
      return {
        ...mixed,
        minutes: {
          least: figure('minutes least'),
          usual: figure('minutes usual') ?? undefined,
          most: figure('minutes most'),
        },
        root: { natural: figure('root natural'), ash: figure('root ash'), levels: figure('root levels') },
        lifts: figure('levels') === undefined ? null : { levels: figure('levels'), speed: figure('speed') },
      };
    case 'shade':
      return { line: text('line') ?? '', level: figure('level'), tone: text('tone')?.toLowerCase() };
    case 'additive':
      return {
        perGram: figure('per gram'),
        weakens: /^(yes|true|1)$/i.test(text('weakens') ?? ''),
        dropGrams: figure('drop') ?? undefined,
      };
    case 'treatment':
      return { perUse: figure('per use') };
    case 'foil':
      return { widthMm: figure('width'), lengthMm: figure('length') };
    case 'recipe':
      return {
        use: text('use')?.toLowerCase(),
        parts: partsOf(text('parts') ?? ''),
        perHairGram: figure('per hair gram') ?? 1,
        minutes: figure('minutes usual'),
        priceMinor: minor('price'),
      };
  }
}
