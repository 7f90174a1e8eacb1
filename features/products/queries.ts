import 'server-only';
import { productsCsv, type Products } from '@/core/formats';
import { readHouse } from '@/data/house';
import { readProducts } from '@/data/products';
import type { Revised } from '@/data/revised';
import { minorPerUnit } from '../house/money';
import type { Need } from '@/core/mix';
import { currentPerson, requirePerson } from '../session/current';
import { loadToBuy } from './to-buy';

/** The products of the signed-in person's salon, whether they may change them, and what is to be bought for the bookings of the next days. */
export async function loadProducts(): Promise<Revised<Products> & { mayChange: boolean; toBuy: readonly Need[] }> {
  const person = await requirePerson();
  const [products, toBuy] = await Promise.all([readProducts(person), loadToBuy(person)]);
  return { ...products, mayChange: person.role === 'owner', toBuy };
}

/** The products as a table, written as the house writes figures; undefined when nobody is signed in. */
export async function productsTable(): Promise<string | undefined> {
  const person = await currentPerson();
  if (!person) return undefined;
  const [{ document }, { document: house }] = await Promise.all([readProducts(person), readHouse(person)]);
  const { decimalComma, prices } = house;
  return productsCsv(document.products, { separator: decimalComma ? ';' : ',', decimalComma, minorPerUnit: minorPerUnit(prices.currency) });
}
