import { isStocked, type Product } from '../core/products';
import { inSalon, type Actor, type Transaction } from './database';
import type { StockMoveRow } from './tables';

/**
 * A range with its stock as it is now.
 * @param range as it was saved: what nobody has moved yet has the amount that it was saved with
 */
export async function withStock(trx: Transaction, range: readonly Product[]): Promise<readonly Product[]> {
  const rows = await trx('stock').select('product', 'amount');
  if (rows.length === 0) return range;
  const amounts = new Map(rows.map(({ product, amount }) => [product, Math.max(0, Number(amount))]));
  return range.map((product) =>
    isStocked(product) && amounts.has(product.id) ? { ...product, stock: amounts.get(product.id)! } : product,
  );
}

/** Writes what was counted, each with its change. @param before the range with its stock until now */
export async function countStock(
  trx: Transaction,
  actor: Actor,
  before: readonly Product[],
  counts: Readonly<Record<string, number>>,
): Promise<void> {
  for (const [product, counted] of Object.entries(counts)) {
    const was = before.find(({ id }) => id === product);
    const amount = String(counted);
    const change = String(counted - (was && isStocked(was) ? was.stock : 0));
    await trx('stock')
      .insert({ salon_id: actor.salonId, product, amount })
      .onConflict(['salon_id', 'product'])
      .merge({ amount });
    await trx('stock_move').insert({
      salon_id: actor.salonId,
      product,
      what: 'counted',
      change,
      person_id: actor.personId,
    });
  }
}

/** A movement of the stock, as it is shown. */
export interface StockMove {
  readonly at: string;
  readonly what: 'used' | 'counted';
  readonly change: number;
  readonly person: string;
  readonly visitId: string | null;
  readonly client: string | null;
}

const MOST_MOVES = 40;

/** What happened to the stock of a product, newest first. */
export function stockMoves(actor: Actor, product: string): Promise<StockMove[]> {
  return inSalon(actor.salonId, async (trx) => {
    type Row = Pick<StockMoveRow, 'at' | 'what' | 'change' | 'visit_id'> & {
      person: string;
      client: string | null;
    };
    const rows = await trx('stock_move as m')
      .join('person as p', 'p.id', 'm.person_id')
      .leftJoin('visit as v', 'v.id', 'm.visit_id')
      .leftJoin('client as c', 'c.id', 'v.client_id')
      .where('m.product', product)
      .orderBy('m.at', 'desc')
      .limit(MOST_MOVES)
      .select<Row[]>('m.at', 'm.what', 'm.change', 'm.visit_id', 'p.name as person', 'c.name as client');
    return rows.map(({ at, what, change, visit_id: visitId, person, client }) => ({
      at: at.toISOString(),
      what,
      change: Number(change),
      person,
      visitId,
      client,
    }));
  });
}
