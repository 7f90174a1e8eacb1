import type { ServiceState } from '../core/chair';
import { isStocked } from '../core/products';
import { stockUsed, type StockUsed } from '../core/record';
import { factsOf } from '../core/visit/computed';
import { computedOf } from './compute';
import type { Actor, Transaction } from './database';
import { houseOf } from './house-row';
import { documentsOf, visitIn } from './visits';

/**
 * Takes what a visit used out of the stock: once, however often it is asked for. What was taken before is
 * reckoned with, so
 * that a service that is opened again puts back what it took.
 * @param service as it was carried out; null where the visit was recorded by hand; 'open' where it goes on
 */
export async function takeFromStock(
  trx: Transaction,
  actor: Actor,
  visitId: string,
  service: ServiceState | null | 'open',
): Promise<void> {
  // One after the other: two that are done at once each take their own.
  const visit = (await visitIn(trx, actor, visitId))!;
  const used =
    service === 'open' ? {} : await usedAt(actor.salonId, visit, await houseOf(trx, actor.salonId), service);
  const taken: { product: string; change: string }[] = await trx('stock_move')
    .where({ visit_id: visitId })
    .groupBy('product')
    .select('product')
    .sum('change as change');
  const before = new Map(taken.map(({ product, change }) => [product, -Number(change)]));
  for (const product of visit.range) {
    if (!isStocked(product)) continue;
    const more = Math.round(10 * ((used[product.id] ?? 0) - (before.get(product.id) ?? 0))) / 10;
    if (more === 0) continue;
    await trx('stock')
      .insert({ salon_id: actor.salonId, product: product.id, amount: String(product.stock) })
      .onConflict(['salon_id', 'product'])
      .ignore();
    await trx('stock').where({ product: product.id }).decrement('amount', more);
    await trx('stock_move').insert({
      salon_id: actor.salonId,
      product: product.id,
      what: 'used',
      change: String(-more),
      visit_id: visitId,
      person_id: actor.personId,
    });
  }
}

type ReadVisit = NonNullable<Awaited<ReturnType<typeof visitIn>>>;

async function usedAt(
  salonId: string,
  visit: ReadVisit,
  house: Awaited<ReturnType<typeof houseOf>>,
  service: ServiceState | null,
): Promise<StockUsed> {
  const asked = { documents: { ...documentsOf(visit), outcome: null }, facts: factsOf(visit, house) };
  const { work, mix, steps, colours, products, sheets } = await computedOf(salonId, asked, [
    'work',
    'mix',
    'steps',
    'colours',
    'products',
    'sheets',
  ]);
  const foil = products.find(({ kind }) => kind === 'foil');
  return stockUsed({
    work,
    mix,
    steps,
    service,
    before: mix.corrections.flatMap(({ id, use }) =>
      use === 'barrier'
        ? [colours.corrections.find((correction) => correction.id === id)?.result.items ?? null]
        : [],
    ),
    foil: foil ? { product: foil.id, sheets } : null,
  });
}
