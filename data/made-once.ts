import type { Transaction } from './database';

/**
 * Inserts a row that a device has named, so that the same request sent again makes nothing twice.
 * @param id as the device gave it; undefined lets the database choose
 * @returns its id, and whether it was made now
 */
export async function insertOnce(
  trx: Transaction,
  table: 'client' | 'appointment',
  row: Record<string, unknown>,
  id?: string,
): Promise<{ readonly id: string; readonly made: boolean }> {
  if (id !== undefined) {
    const [made] = await trx(table)
      .insert({ ...row, id })
      .onConflict('id')
      .ignore()
      .returning('id');
    if (made) return { id, made: true };
    if (await trx(table).where({ id }).select('id').first()) return { id, made: false };
    // A row of that id that this salon does not see: it is nobody's business whose, and this one gets another.
  }
  const [made] = await trx(table).insert(row).returning('id');
  return { id: made.id, made: true };
}
