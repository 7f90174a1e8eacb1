import { z } from 'zod';
import { phoneKey, type CalendarWriting, type ValueResult } from '../units';
import { cellsOf, cellText, csvTable, textCell, type RowProblem } from './csv-table';

/** A client's fields as a form has them. */
export const CLIENT_FIELDS = ['name', 'phone', 'email', 'bornOn', 'note'] as const;
export type ClientField = (typeof CLIENT_FIELDS)[number];

/** Reads them; `today` is a day, since nobody is born after it. */
export const clientForm = (today: string) =>
  z.object({
    name: z
      .string()
      .trim()
      .normalize('NFC')
      .min(1, 'Name: it is empty.')
      .max(120, 'Name: it is longer than 120 characters.'),
    phone: z
      .string()
      .trim()
      .max(40, 'Phone: it is longer than 40 characters.')
      .regex(/^[\d\s()+/.-]*$/, 'Phone: it holds something other than digits, spaces and + ( ) / . -'),
    email: z
      .string()
      .trim()
      .max(200, 'E-mail: it is longer than 200 characters.')
      .refine(
        (address) => address === '' || z.email().safeParse(address).success,
        'E-mail: write an address such as name@post.example.',
      ),
    bornOn: z
      .string()
      .trim()
      .refine(
        (day) => day === '' || z.iso.date().safeParse(day).success,
        'Birthday: write a day such as 1990-02-28.',
      )
      .refine((day) => day === '' || day <= today, 'Birthday: it lies in the future.')
      .refine((day) => day === '' || day >= '1900-01-01', 'Birthday: it lies before 1900.')
      .transform((day) => day || null),
    note: z.string().trim().max(2000, 'Note: it is longer than 2000 characters.'),
  });

/** A client as the table has them. */
export interface ListedClient {
  readonly id: string;
  readonly revision: number;
  readonly name: string;
  readonly phone: string;
  readonly email: string;
  readonly bornOn: string | null;
  readonly note: string;
}

const COLUMNS = ['id', 'name', 'phone', 'email', 'birthday', 'note'] as const;

/** Clients as a table that spreadsheets open. */
export function clientsCsv(clients: readonly ListedClient[], separator: string): string {
  return csvTable(
    COLUMNS,
    clients.map(({ id, name, phone, email, bornOn, note }) => [
      id,
      textCell(name),
      textCell(phone),
      textCell(email),
      bornOn ?? '',
      textCell(note),
    ]),
    separator,
  );
}

type Fields = Omit<ListedClient, 'id' | 'revision'>;

/** What a column of somebody else's table can hold. */
export const CLIENT_COLUMNS = [
  'name',
  'first name',
  'last name',
  'phone',
  'email',
  'birthday',
  'note',
  'id',
] as const;
export type ClientColumn = (typeof CLIENT_COLUMNS)[number];
/** Which column of a table holds what, by its place; the first is 0. */
export type ClientColumns = Readonly<Partial<Record<ClientColumn, number>>>;

/** How other programs head their columns, without what is no letter. */
const HEADINGS: Readonly<Record<ClientColumn, readonly string[]>> = {
  name: ['name', 'client', 'clientname', 'fullname', 'customer', 'customername', 'contact', 'contactname'],
  'first name': ['firstname', 'forename', 'givenname', 'first'],
  'last name': ['lastname', 'surname', 'familyname', 'last'],
  phone: [
    'phone',
    'phonenumber',
    'mobile',
    'mobilephone',
    'mobilenumber',
    'telephone',
    'tel',
    'cell',
    'cellphone',
  ],
  email: ['email', 'emailaddress', 'mail'],
  birthday: ['birthday', 'birthdate', 'dateofbirth', 'dob', 'born'],
  note: ['note', 'notes', 'comment', 'comments', 'remarks'],
  id: ['id'],
};

/** Which columns hold what, by their headings; the first of two that fit. */
function guessedColumns(heading: readonly string[]): ClientColumns {
  const plain = heading.map((own) => own.toLowerCase().replace(/[^a-z]/g, ''));
  const found: Partial<Record<ClientColumn, number>> = {};
  for (const column of CLIENT_COLUMNS) {
    const at = plain.findIndex((own) => HEADINGS[column].includes(own));
    if (at >= 0) found[column] = at;
  }
  return found;
}

/** How a table is read. */
interface ClientsReading {
  /** YYYY-MM-DD */
  readonly today: string;
  /** Which comes first in a date of figures. */
  readonly dates: CalendarWriting['dates'];
  /** As somebody chose them; by the headings where nobody did. */
  readonly columns?: ClientColumns;
}

/** What a table would do to the clients of a salon. Clients that it does not name stay. */
export interface ClientsImport {
  readonly added: readonly Fields[];
  readonly changed: readonly { readonly before: ListedClient; readonly after: Fields }[];
  readonly same: number;
  readonly problems: readonly RowProblem[];
  readonly separator: string;
  readonly heading: readonly string[];
  /** The first cell of each column that is not empty. */
  readonly samples: readonly string[];
  readonly columns: ClientColumns;
}

/**
 * Two records are of one person, as far as a table can tell: the same name and phone, however they are
 * written.
 */
const personKey = (name: string, phone: string) =>
  `${name.normalize('NFC').toLowerCase().replace(/\s+/g, ' ')} ${phoneKey(phone) ?? phone.replace(/\D/g, '')}`;

/**
 * A day in figures as YYYY-MM-DD: `28.2.1990`, `2/28/1990`. What is none stays, for whoever reads it to
 * refuse.
 */
function dayOf(cell: string, dates: ClientsReading['dates']): string {
  const read = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4})$/.exec(cell);
  if (!read) return cell;
  const [, first, second, year] = read;
  // No month is later than the twelfth, whatever the house writes.
  const monthFirst = Number(first) > 12 ? false : Number(second) > 12 ? true : dates === 'month-day';
  const [month, day] = monthFirst ? [first, second] : [second, first];
  return `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
}

/**
 * Reads a table of clients, from here or from another program, against those that a salon has. A row with an
 * id is that client;
 * one without is whoever has the same name and phone, or a new client. A cell left empty keeps what is known.
 * Doubles are named
 * and nothing is taken.
 */
export function readClientsCsv(
  text: string,
  known: readonly ListedClient[],
  { today, dates, columns: chosen }: ClientsReading,
): ValueResult<ClientsImport> {
  const table = cellsOf(text);
  if (!table) return { ok: false, problem: 'The table is empty.' };
  if (table.rows.length + table.problems.length === 0)
    return { ok: false, problem: 'The table has a heading and no clients.' };
  const { heading, separator } = table;
  const columns = chosen ?? guessedColumns(heading);
  const samples = heading.map(
    (_, at) => table.rows.map(({ cells }) => cells[at] ?? '').find((cell) => cell !== '') ?? '',
  );
  const looked = { separator, heading, samples, columns };
  if (
    columns.name === undefined &&
    columns['first name'] === undefined &&
    columns['last name'] === undefined
  ) {
    return {
      ok: true,
      value: {
        ...looked,
        added: [],
        changed: [],
        same: 0,
        problems: [{ row: 1, problem: 'No column is the name: choose which one is.' }],
      },
    };
  }
  const form = clientForm(today);
  const byId = new Map(known.map((listedClient) => [listedClient.id, listedClient]));
  const byPerson = new Map<string, ListedClient[]>();
  for (const listedClient of known)
    byPerson.set(personKey(listedClient.name, listedClient.phone), [
      ...(byPerson.get(personKey(listedClient.name, listedClient.phone)) ?? []),
      listedClient,
    ]);
  const problems: RowProblem[] = [...table.problems];
  const rowOf = new Map<string, number>();
  const added: Fields[] = [];
  const changed: { before: ListedClient; after: Fields }[] = [];
  let same = 0;
  for (const { row, cells } of table.rows) {
    const problem = (words: string) => void problems.push({ row, problem: words });
    const cell = (column: ClientColumn) => {
      const at = columns[column];
      const own = at === undefined ? '' : cellText(cells[at] ?? '');
      return own === '' ? undefined : own;
    };
    const name =
      cell('name') ?? ([cell('first name'), cell('last name')].filter(Boolean).join(' ') || undefined);
    const id = cell('id');
    if (id !== undefined && !byId.has(id)) {
      problem(`id: no client here has “${id}”. Leave it empty for a new client.`);
      continue;
    }
    const alike = id === undefined ? (byPerson.get(personKey(name ?? '', cell('phone') ?? '')) ?? []) : [];
    if (alike.length > 1) {
      problem(
        `name: ${alike.length} clients here are “${name}” with that phone. Write the id of the one that is meant.`,
      );
      continue;
    }
    const before = id === undefined ? alike[0] : byId.get(id);
    const born = cell('birthday');
    const read = form.safeParse({
      name: name ?? before?.name ?? '',
      phone: cell('phone') ?? before?.phone ?? '',
      email: cell('email') ?? before?.email ?? '',
      bornOn: born === undefined ? (before?.bornOn ?? '') : dayOf(born, dates),
      note: cell('note') ?? before?.note ?? '',
    });
    if (!read.success) {
      problem(read.error.issues[0].message);
      continue;
    }
    const key = before?.id ?? personKey(read.data.name, read.data.phone);
    const first = rowOf.get(key);
    if (first !== undefined) {
      problem(`name: “${read.data.name}” stands in row ${first} already.`);
      continue;
    }
    rowOf.set(key, row);
    if (!before) added.push(read.data);
    else if (CLIENT_FIELDS.every((field) => before[field] === read.data[field])) same += 1;
    else changed.push({ before, after: read.data });
  }
  problems.sort((a, b) => a.row - b.row);
  return { ok: true, value: { ...looked, added, changed, same, problems } };
}
