import type { Result } from '../units';
import type { Additive, Shelf } from '../products';
import type { Added } from '../visit';

/** Drops are counted for so many grams of lightener or colour. */
export const DROPS_FOR_GRAMS = 10;

export type AddedRead = Result<{ readonly product: Additive; readonly grams: number }>;

/**
 * Grams of an additive for one gram of lightener or colour.
 * @param ratio grams of developer beside that gram
 */
export function addedGrams({ product: id, amount, unit }: Added, ratio: number, shelf: Shelf): AddedRead {
  const product = shelf.find(id);
  if (product?.kind !== 'additive') return { ok: false, problem: `the additive “${id}” is not in the house` };
  switch (unit) {
    case 'g':
      return { ok: true, product, grams: amount };
    case '%':
      return { ok: true, product, grams: (amount / 100) * (1 + ratio) };
    case 'drops':
      return product.dropGrams === undefined
        ? {
            ok: false,
            problem: `${product.name} is added in drops, and nobody has said what a drop of it weighs: write it under House, Products`,
          }
        : { ok: true, product, grams: (amount * product.dropGrams) / DROPS_FOR_GRAMS };
  }
}
