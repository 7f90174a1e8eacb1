import { isOneOf, type ValueResult } from '../units';
import Papa from 'papaparse';
import { metricOf, type MeasuredColumn } from './csv-measures';

export interface RowProblem {
  /** Line of the table as a spreadsheet counts it; the heading is 1. */
  readonly row: number;
  readonly problem: string;
}

/** A table as it was read: the cells of each row that are not empty, by column. */
export interface CsvTable<Column extends string> {
  readonly separator: string;
  readonly rows: readonly {
    readonly row: number;
    readonly cells: Readonly<Partial<Record<Column, string>>>;
  }[];
  /** Rows that have more cells than the heading names. */
  readonly problems: readonly RowProblem[];
}

const SEPARATORS = [',', ';', '\t', '|'];
const SEPARATOR_WORDS: Readonly<Record<string, string>> = {
  ',': 'comma',
  ';': 'semicolon',
  '\t': 'tab',
  '|': 'bar',
};

/** Columns whose figures may be written in another unit. */
export type MeasuredColumns<Column extends string> = Readonly<Partial<Record<Column, MeasuredColumn>>>;

/** A table as its cells, trimmed. */
interface Cells {
  readonly separator: string;
  readonly heading: readonly string[];
  readonly rows: readonly { readonly row: number; readonly cells: readonly string[] }[];
  /** Rows that have more cells than the heading. */
  readonly problems: readonly RowProblem[];
}

/**
 * Reads the cells of a table whose first row is its heading; the separator is found out.
 * @returns undefined where it is empty
 */
export function cellsOf(text: string): Cells | undefined {
  const table = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    delimitersToGuess: SEPARATORS,
    skipEmptyLines: 'greedy',
  });
  const [head, ...body] = table.data.map((cells) => cells.map((cell) => cell.trim()));
  if (!head) return undefined;
  const problems: RowProblem[] = [];
  const rows = body.flatMap((cells, i) => {
    const row = i + 2;
    if (cells.slice(head.length).every((cell) => cell === '')) return [{ row, cells }];
    problems.push({
      row,
      problem: `It has ${cells.length} cells where the heading has ${head.length}: a figure with a comma needs another separator, or quotation marks.`,
    });
    return [];
  });
  return { separator: table.meta.delimiter, heading: head, rows, problems };
}

/**
 * Reads a table whose first row names its columns; the separator is found out. A column that is named by
 * another unit
 * (`thickness in`) comes as the metric one, its figures with the decimal sign of the table.
 * @param what what the rows are, as it is said: `products`
 */
export function readCsvTable<Column extends string>({
  text,
  columns,
  needed,
  what,
  measured,
}: {
  readonly text: string;
  readonly columns: readonly Column[];
  readonly needed: readonly Column[];
  readonly what: string;
  readonly measured?: MeasuredColumns<Column>;
}): ValueResult<CsvTable<Column>> {
  const table = cellsOf(text);
  if (!table) return { ok: false, problem: 'The table is empty.' };
  const { separator, rows, problems } = table;
  const columnOf = new Map(
    columns.flatMap((column) =>
      Object.entries(measured?.[column]?.names ?? {}).map(
        ([unit, name]) => [name.toLowerCase(), { column, unit }] as const,
      ),
    ),
  );
  const heading = table.heading.map((name) => name.toLowerCase());
  const named: string[] = heading.map((name) => columnOf.get(name)?.column ?? name);
  const units = heading.map((name) => columnOf.get(name)?.unit);
  const decimalComma = rows.some(({ cells }) => cells.some((cell) => /^-?\d+,\d+$/.test(cell)));
  const missing = needed.filter((name) => !named.includes(name));
  if (missing.length > 0) {
    return {
      ok: false,
      problem: `The first row must name the columns; ${missing.map((name) => `“${name}”`).join(', ')} ${missing.length === 1 ? 'is' : 'are'} missing. Read with ${SEPARATOR_WORDS[separator] ?? separator} as the separator.`,
    };
  }
  const unknown = named.filter((name) => name !== '' && !isOneOf(columns, name));
  if (unknown.length > 0) return { ok: false, problem: `“${unknown[0]}” is no column that is known here.` };
  const twice = named.find((name, i) => name !== '' && named.indexOf(name) !== i);
  if (twice !== undefined) return { ok: false, problem: `The column “${twice}” stands there twice.` };
  if (rows.length + problems.length === 0)
    return { ok: false, problem: `The table has a heading and no ${what}.` };
  const read = rows.map(({ row, cells }) => {
    const given: Partial<Record<Column, string>> = {};
    named.forEach((column, at) => {
      const cell = cells[at] ?? '';
      if (cell !== '' && isOneOf(columns, column)) given[column] = metricCell(cell, units[at], decimalComma);
    });
    return { row, cells: given };
  });
  return { ok: true, value: { separator, rows: read, problems } };
}

/** A figure in another unit as the metric one; what is no figure stays, for whoever reads it to refuse. */
function metricCell(cell: string, unit: string | undefined, decimalComma: boolean): string {
  if (unit === undefined || !/^-?\d+([.,]\d+)?$/.test(cell)) return cell;
  const figure = Number(cell.replace(',', '.'));
  const metric = metricOf(figure, unit);
  return metric === figure ? cell : String(metric).replace('.', decimalComma ? ',' : '.');
}

/**
 * Text as a cell: what begins a formula in a spreadsheet would be run there, and has an apostrophe before it.
 * Within the text too, after
 * whatever another spreadsheet takes for the end of a cell.
 */
export const textCell = (text: string): string => text.replace(/(^|[,;|\t\r\n])(?=[=+@\t-])/g, "$1'");
/** The same back. */
export const cellText = (cell: string): string => cell.replace(/(^|[,;|\t\r\n])'(?=[=+@\t-])/g, '$1');

/** Rows as a table that spreadsheets open. */
export function csvTable(
  columns: readonly string[],
  rows: readonly (readonly string[])[],
  separator: string,
): string {
  return (
    Papa.unparse(
      { fields: [...columns], data: rows.map((row) => [...row]) },
      { delimiter: separator, newline: '\r\n' },
    ) + '\r\n'
  );
}
