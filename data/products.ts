import { parseProducts, USUAL_PRODUCTS, type Products } from '../core/formats';
import type { Product } from '../core/products';
import { inSalon, type Actor, type Transaction } from './database';
import { stored } from './documents';
import { saveSalonDocument, type SalonDocument, type SalonDocumentSaved } from './salon-document';
import { changesBetween } from './trail';
import type { Revised } from './revised';

/** Products of a salon within a transaction: the range that every house begins with until it has set its own. */
export async function rangeOf(trx: Transaction, salonId: string): Promise<readonly Product[]> {
  return (await productRow(trx, salonId)).document.products;
}

async function productRow(trx: Transaction, salonId: string): Promise<Revised<Products>> {
  const row = await trx('product_range').select('document', 'revision').where({ salon_id: salonId }).first();
  return row ? { revision: row.revision, document: stored('products of the house', parseProducts(row.document)) } : { revision: 0, document: USUAL_PRODUCTS };
}

/** What the salon has; revision 0 and the usual range where it has set nothing yet. */
export function readProducts(actor: Actor): Promise<Revised<Products>> {
  return inSalon(actor.salonId, (trx) => productRow(trx, actor.salonId));
}

const PRODUCTS: SalonDocument<Products> = { table: 'product_range', act: 'products', usual: USUAL_PRODUCTS, changes: (before, after) => changesBetween(byId(before), byId(after)) };

/** Saves the whole range, unless somebody saved another since `baseRevision`: then nothing is written. */
export function saveProducts(actor: Actor, baseRevision: number, products: Products): Promise<SalonDocumentSaved> {
  return saveSalonDocument(actor, PRODUCTS, baseRevision, products);
}

/** Changes are told by the id of a product, whatever its place in the list. */
const byId = ({ products }: Products) => Object.fromEntries(products.map((own) => [own.id, own]));
