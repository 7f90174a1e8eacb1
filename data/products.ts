import { parseProducts, USUAL_PRODUCTS, type Products } from '../core/formats';
import type { Product } from '../core/products';
import { inSalon, type Actor, type Transaction } from './database';
import { stored } from './documents';
import { saveSalonDocument, type SalonDocument, type SalonDocumentSaved } from './salon-document';
import { countStock, withStock } from './stock';
import { changesBetween } from './trail';
import type { Revised } from './revised';

/**
 * Products of a salon within a transaction: the range that every house begins with until it has set its own.
 */
export async function rangeOf(trx: Transaction, salonId: string): Promise<readonly Product[]> {
  return withStock(trx, (await productRow(trx, salonId)).document.products);
}

const productsIn = (saved: unknown): Products => stored('products of the house', parseProducts(saved));

async function productRow(trx: Transaction, salonId: string): Promise<Revised<Products>> {
  const row = await trx('product_range').select('document', 'revision').where({ salon_id: salonId }).first();
  return row
    ? { revision: row.revision, document: productsIn(row.document) }
    : { revision: 0, document: USUAL_PRODUCTS };
}

/** What the salon has; revision 0 and the usual range where it has set nothing yet. */
export function readProducts(actor: Actor): Promise<Revised<Products>> {
  return inSalon(actor.salonId, async (trx) => {
    const { revision, document } = await productRow(trx, actor.salonId);
    return { revision, document: { ...document, products: [...(await withStock(trx, document.products))] } };
  });
}

const PRODUCTS: SalonDocument<Products> = {
  table: 'product_range',
  act: 'products',
  usual: USUAL_PRODUCTS,
  read: productsIn,
  changes: (before, after) => changesBetween(byId(before), byId(after)),
};

/**
 * Saves the whole range, unless somebody saved another since `baseRevision`: then nothing is written.
 * @param counts amounts of what was counted, by product: all other stock stays as it is, whatever the
 *   document says
 */
export function saveProducts(
  actor: Actor,
  baseRevision: number,
  products: Products,
  counts: Readonly<Record<string, number>> = {},
): Promise<SalonDocumentSaved> {
  return saveSalonDocument({
    actor,
    salonDocument: PRODUCTS,
    baseRevision,
    document: products,
    also: async (trx, before) => {
      if (Object.keys(counts).length > 0)
        await countStock(trx, actor, await withStock(trx, before.products), counts);
    },
  });
}

/** Changes are told by the id of a product, whatever its place in the list. */
const byId = ({ products }: Products) => Object.fromEntries(products.map((product) => [product.id, product]));
