import type { Knex } from 'knex';

/** The rows that a statement answers with. `Row` is what its columns are: the one who writes the statement says it. */
export async function rawRows<Row>(
  trx: Knex,
  sql: string,
  bindings: readonly Knex.RawBinding[] = [],
): Promise<Row[]> {
  return (await trx.raw<{ rows: Row[] }>(sql, [...bindings])).rows;
}
