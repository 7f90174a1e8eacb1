import type { Knex } from 'knex';
import type { Tables } from 'knex/types/tables';
import type { Transaction } from './database';

type Once = 'client' | 'appointment';
type NewRow<T extends Once> = Knex.ResolveTableType<Tables[T], 'insert'>;

/**
 * Inserts a row that a device has named, so that the same request sent again makes nothing twice.
 * @param id as the device gave it; undefined lets the database choose
 * @returns its id, and whether it was made now
 */
export async function insertOnce<T extends Once>(
  trx: Transaction,
  table: T,
  row: NewRow<T>,
  id?: string,
): Promise<{ readonly id: string; readonly made: boolean }> {
  // Knex cannot tell what the rows of one of two tables have in common: an id of each is a uuid.
  const rows = (): Knex.QueryBuilder<{ id: string }, { id: string }[]> =>
    trx<{ id: string }>(table as string);
  if (id !== undefined) {
    const [made] = await rows()
      .insert({ ...row, id })
      .onConflict('id')
      .ignore()
      .returning('id');
    if (made) return { id, made: true };
    if (await rows().where({ id }).select('id').first()) return { id, made: false };
    // A row of that id that this salon does not see: it is nobody's business whose, and this one gets
    // another.
  }
  const [made] = await rows().insert(row).returning('id');
  return { id: made.id, made: true };
}
