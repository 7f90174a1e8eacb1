import type { Knex } from 'knex';
import { rawRows } from './raw-rows';

/** A column as the server's catalogue has it. */
interface Column {
  readonly table: string;
  readonly column: string;
  readonly type: string;
  readonly nullable: boolean;
  /** It is filled in where an insert leaves it out. */
  readonly filled: boolean;
}

/** What the driver makes of a column (data/database.ts sets the type of days). */
const TYPES: Readonly<Record<string, string>> = {
  uuid: 'string',
  text: 'string',
  varchar: 'string',
  date: 'string',
  int8: 'string',
  numeric: 'string',
  int4: 'number',
  float8: 'number',
  bool: 'boolean',
  timestamptz: 'Date',
  jsonb: 'unknown',
  bytea: 'Buffer',
  _text: 'string[]',
};

const HEAD = `// Generated from the migrations by \`npm run tables\`. data/tables.test.ts fails where it is not what they make.
import type { Knex } from 'knex';

/** What a column takes: moments as text too, and any expression. */
type Given<T> = T | (T extends Date ? string : T extends string[] ? readonly string[] : never) | Knex.Raw;

/** A table by its rows, and the columns that an insert may leave out. */
type Table<Row, Filled extends keyof Row> = Knex.CompositeTableType<
  Row,
  { [C in Exclude<keyof Row, Filled>]: Given<Row[C]> } & { [C in Filled]?: Given<Row[C]> },
  { [C in keyof Row]?: Given<Row[C]> }
>;
`;

/** The tables of the application, in the order of their names: every column with its type. */
export async function describeTables(owner: Knex): Promise<string> {
  const columns = await rawRows<Column>(
    owner,
    `
    select table_name as table, column_name as column, udt_name as type, is_nullable = 'YES' as nullable,
      column_default is not null or is_identity = 'YES' or is_generated = 'ALWAYS' as filled
    from information_schema.columns
    where table_schema = 'public' and table_name not like 'knex_%'
    order by table_name, ordinal_position`,
  );
  const checks = await rawRows<{ table: string; words: string }>(
    owner,
    `
    select t.relname as table, pg_get_constraintdef(c.oid) as words
    from pg_constraint c join pg_class t on t.oid = c.conrelid
    where c.contype = 'c' and c.connamespace = 'public'::regnamespace
    order by t.relname, c.conname`,
  );
  const choices = new Map(checks.flatMap(({ table, words }) => choiceOf(table, words)));
  const tables = [...new Set(columns.map(({ table }) => table))];
  const parts = tables.map((table) => {
    const own = columns.filter((column) => column.table === table);
    const lines = own.map((column) => {
      const type = choices.get(`${table}.${column.column}`) ?? typeOf(column);
      return `  ${column.column}: ${type}${column.nullable && type !== 'unknown' ? ' | null' : ''};`;
    });
    return [`export interface ${rowName(table)} {`, ...lines, '}'].join('\n');
  });
  const names = tables.map((table) => {
    const filled = columns
      .filter((column) => column.table === table && (column.nullable || column.filled))
      .map(({ column }) => `'${column}'`);
    return `${table}: Table<${rowName(table)}, ${filled.join(' | ') || 'never'}>;`;
  });
  const declared = names.map((name) => `    ${name}`).join('\n');
  return `${HEAD}
${parts.join('\n\n')}

declare module 'knex/types/tables' {
  interface Tables {
${declared}
  }
}
`;
}

function typeOf({ table, column, type }: Column): string {
  const own = TYPES[type];
  if (!own) throw new Error(`${table}.${column}: a type for ${type} is missing in data/describe-tables.ts.`);
  return own;
}

/** A check that a column is one of some words, as a type. */
function choiceOf(table: string, words: string): [string, string][] {
  const [, column, list] = /^CHECK \(\((\w+) = ANY \(ARRAY\[([^\]]+)\]\)\)\)$/.exec(words) ?? [];
  if (!column) return [];
  return [
    [`${table}.${column}`, [...list.matchAll(/'([^']+)'::text/g)].map(([, own]) => `'${own}'`).join(' | ')],
  ];
}

/** `service_event` is `ServiceEventRow`. */
const rowName = (table: string): string =>
  `${table.replace(/(?:^|_)(\w)/g, (_, letter: string) => letter.toUpperCase())}Row`;
