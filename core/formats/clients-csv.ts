import { z } from 'zod';
import { phoneKey } from '../units';
import { cellText, csvTable, readCsvTable, textCell, type CsvRead, type RowProblem } from './csv-table';

/** A client's fields as a form has them. */
export const CLIENT_FIELDS = ['name', 'phone', 'email', 'bornOn', 'note'] as const;
export type ClientField = (typeof CLIENT_FIELDS)[number];

/** Reads them; `today` is a day, since nobody is born after it. */
export const clientForm = (today: string) =>
  z.object({
    name: z.string().trim().normalize('NFC').min(1, 'Name: it is empty.').max(120, 'Name: it is longer than 120 characters.'),
    phone: z
      .string()
      .trim()
      .max(40, 'Phone: it is longer than 40 characters.')
      .regex(/^[\d\s()+/.-]*$/, 'Phone: it holds something other than digits, spaces and + ( ) / . -'),
    email: z
      .string()
      .trim()
      .max(200, 'E-mail: it is longer than 200 characters.')
      .refine((address) => address === '' || z.email().safeParse(address).success, 'E-mail: write an address such as name@post.example.'),
    bornOn: z
      .string()
      .trim()
      .refine((day) => day === '' || z.iso.date().safeParse(day).success, 'Birthday: write a day such as 1990-02-28.')
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
  return csvTable(COLUMNS, clients.map(({ id, name, phone, email, bornOn, note }) => [id, textCell(name), textCell(phone), textCell(email), bornOn ?? '', textCell(note)]), separator);
}

type Fields = Omit<ListedClient, 'id' | 'revision'>;

/** What a table would do to the clients of a salon. Clients that it does not name stay. */
export interface ClientsImport {
  readonly added: readonly Fields[];
  readonly changed: readonly { readonly before: ListedClient; readonly after: Fields }[];
  readonly same: number;
  readonly problems: readonly RowProblem[];
  readonly separator: string;
}

/** Two records are of one person, as far as a table can tell: the same name and phone, however they are written. */
const personKey = (name: string, phone: string) => `${name.normalize('NFC').toLowerCase().replace(/\s+/g, ' ')} ${phoneKey(phone) ?? phone.replace(/\D/g, '')}`;

/**
 * Reads a table of clients against those that a salon has. A row with an id is that client; one without is whoever has the same
 * name and phone, or a new client. A cell left empty keeps what is known. Doubles are named and nothing is taken.
 * @param today YYYY-MM-DD
 */
export function readClientsCsv(text: string, known: readonly ListedClient[], today: string): CsvRead<ClientsImport> {
  const table = readCsvTable(text, COLUMNS, ['name'], 'clients');
  if (!table.ok) return table;
  const form = clientForm(today);
  const byId = new Map(known.map((own) => [own.id, own]));
  const byPerson = new Map<string, ListedClient[]>();
  for (const own of known) byPerson.set(personKey(own.name, own.phone), [...(byPerson.get(personKey(own.name, own.phone)) ?? []), own]);
  const problems: RowProblem[] = [...table.value.problems];
  const rowOf = new Map<string, number>();
  const added: Fields[] = [];
  const changed: { before: ListedClient; after: Fields }[] = [];
  let same = 0;
  for (const { row, cells } of table.value.rows) {
    const problem = (words: string) => void problems.push({ row, problem: words });
    const cell = (column: (typeof COLUMNS)[number]) => (cells[column] === undefined ? undefined : cellText(cells[column]));
    const id = cell('id');
    if (id !== undefined && !byId.has(id)) {
      problem(`id: no client here has “${id}”. Leave it empty for a new client.`);
      continue;
    }
    const alike = id === undefined ? byPerson.get(personKey(cell('name') ?? '', cell('phone') ?? '')) ?? [] : [];
    if (alike.length > 1) {
      problem(`name: ${alike.length} clients here are “${cell('name')}” with that phone. Write the id of the one that is meant.`);
      continue;
    }
    const before = id === undefined ? alike[0] : byId.get(id);
    const read = form.safeParse({ name: cell('name') ?? before?.name ?? '', phone: cell('phone') ?? before?.phone ?? '', email: cell('email') ?? before?.email ?? '', bornOn: cell('birthday') ?? before?.bornOn ?? '', note: cell('note') ?? before?.note ?? '' });
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
  return { ok: true, value: { added, changed, same, problems, separator: table.value.separator } };
}
