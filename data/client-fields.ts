import type { Transaction } from './database';

/** What is written down of a client. */
export interface ClientFields {
  readonly name: string;
  readonly phone: string;
  readonly email: string;
  readonly note: string;
  /** Birthday, YYYY-MM-DD; null when it is not known. */
  readonly bornOn: string | null;
}

export interface Client extends ClientFields {
  readonly id: string;
  readonly revision: number;
  readonly archived: boolean;
}

const COLUMNS = ['id', 'name', 'phone', 'email', 'note', 'born_on', 'revision', 'archived_at'] as const;

const unmerged = (trx: Transaction) => trx('client').whereNull('merged_into');
type ClientQuery = ReturnType<typeof unmerged>;

/** Clients that were not merged into another. */
export async function clientRows(
  trx: Transaction,
  narrow: (query: ClientQuery) => ClientQuery,
): Promise<Client[]> {
  const rows = await narrow(unmerged(trx)).select(...COLUMNS);
  return rows.map(({ id, name, phone, email, note, born_on, revision, archived_at }) => ({
    id,
    name,
    phone,
    email,
    note,
    bornOn: born_on,
    revision,
    archived: archived_at !== null,
  }));
}

/** Whether the salon has this client, as a record of their own. */
export async function hasClient(trx: Transaction, clientId: string): Promise<boolean> {
  return (
    (await trx('client').where({ id: clientId }).whereNull('merged_into').select('id').first()) !== undefined
  );
}

/** A client's fields as a row to write. */
export const asRow = ({ name, phone, email, note, bornOn }: ClientFields) => ({
  name,
  phone,
  email,
  note,
  born_on: bornOn,
});
