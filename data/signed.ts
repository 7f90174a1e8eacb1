import type { Transaction } from './database';

/** Whether the record of a visit is signed off; waits for whoever is just signing it. */
export async function isSigned(trx: Transaction, visitId: string): Promise<boolean> {
  const row = await trx('outcome').where({ visit_id: visitId }).forShare().select('signed_at').first();
  return Boolean(row?.signed_at);
}
