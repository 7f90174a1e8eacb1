import { parseHouse, USUAL_HOUSE } from '../core/formats';
import type { House } from '../core/visit';
import type { Transaction } from './database';
import { stored } from './documents';

/** What a salon has set, as it was saved. */
export const houseIn = (saved: unknown): House => stored('settings of the house', parseHouse(saved));

/** What a salon has set, within a transaction; the usual figures where it has set nothing. */
export async function houseOf(trx: Transaction, salonId: string): Promise<House> {
  return (await houseRow(trx, salonId))?.document ?? USUAL_HOUSE;
}

/** The row with its revision; undefined where the salon has set nothing. */
export async function houseRow(
  trx: Transaction,
  salonId: string,
): Promise<{ revision: number; document: House } | undefined> {
  const row = await trx('house').select('document', 'revision').where({ salon_id: salonId }).first();
  return row && { revision: row.revision, document: houseIn(row.document) };
}
