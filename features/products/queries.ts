import 'server-only';
import { productsCsv, type Products } from '@/core/formats';
import { readHouse } from '@/data/house';
import { readProducts } from '@/data/products';
import type { Revised } from '@/data/revised';
import { minorPerUnit } from '../house/money';
import { currentPerson, requirePerson } from '../session/current';

/** The products of the signed-in person's salon, and whether she may change them. */
export async function loadProducts(): Promise<Revised<Products> & { mayChange: boolean }> {
  const person = await requirePerson();
  return { ...(await readProducts(person)), mayChange: person.role === 'owner' };
}

/** The products as a table, written as the house writes figures; undefined when nobody is signed in. */
export async function productsTable(): Promise<string | undefined> {
  const person = await currentPerson();
  if (!person) return undefined;
  const [{ document }, { document: house }] = await Promise.all([readProducts(person), readHouse(person)]);
  const { decimalComma, prices } = house;
  return productsCsv(document.products, { separator: decimalComma ? ';' : ',', decimalComma, minorPerUnit: minorPerUnit(prices.currency) });
}
