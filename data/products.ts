import { parseProducts, USUAL_PRODUCTS, type Products } from '../core/formats';
import type { Product } from '../core/products';
import { inSalon, type Actor, type Transaction } from './database';
import { stored } from './documents';
import { changesBetween, leaveTrail } from './trail';
import type { Revised } from './visits';

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

export type ProductsSaved = { readonly ok: true; readonly revision: number } | { readonly ok: false; readonly revision: number };

/** Saves the whole range, unless somebody saved another since `baseRevision`: then nothing is written. */
export function saveProducts(actor: Actor, baseRevision: number, products: Products): Promise<ProductsSaved> {
  return inSalon(actor.salonId, async (trx) => {
    const written = { document: JSON.stringify(products), updated_by: actor.personId };
    if (baseRevision === 0) {
      const made = await trx('product_range').insert({ salon_id: actor.salonId, ...written }).onConflict('salon_id').ignore().returning('revision');
      if (made.length > 0) {
        await leaveTrail(trx, actor, 'products', { changes: told(USUAL_PRODUCTS, products) });
        return { ok: true, revision: made[0].revision };
      }
    }
    const row = await trx('product_range').select('revision', 'document').where({ salon_id: actor.salonId }).forUpdate().first();
    if (!row || row.revision !== baseRevision) return { ok: false, revision: row?.revision ?? 0 };
    const revision = baseRevision + 1;
    await trx('product_range').where({ salon_id: actor.salonId }).update({ ...written, revision, updated_at: trx.fn.now() });
    await leaveTrail(trx, actor, 'products', { changes: told(row.document, products) });
    return { ok: true, revision };
  });
}

/** Changes by the id of a product, whatever its place in the list. */
function told(before: Products, after: Products) {
  const byId = ({ products }: Products) => Object.fromEntries(products.map((own) => [own.id, own]));
  return changesBetween(byId(before), byId(after));
}
