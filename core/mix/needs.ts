import type { BowlItem } from '../bowl';
import { isStocked, type Product, type StockedProduct } from '../products';

/** What a visit takes of one product, and whether the house has it. */
export interface Need {
  readonly product: StockedProduct;
  /** Grams (foils: sheets). */
  readonly needed: number;
  /** What is missing; 0 where there is enough. */
  readonly short: number;
  /** Packs to buy for what is missing. */
  readonly packs: number;
  /** What the amount costs the house, minor units. */
  readonly costMinor: number;
}

/** Needs of a visit, what is missing first, then in the order of the range. */
export function needsOf(
  items: readonly Pick<BowlItem, 'product' | 'grams'>[],
  range: readonly Product[],
): Need[] {
  const grams = new Map<string, number>();
  for (const { product, grams: value } of items) grams.set(product, (grams.get(product) ?? 0) + value);
  const out = range.filter(isStocked).flatMap((product): Need[] => {
    const needed = Math.round(10 * (grams.get(product.id) ?? 0)) / 10;
    if (needed <= 0) return [];
    const short = Math.max(0, Math.round(10 * (needed - product.stock)) / 10);
    return [
      {
        product,
        needed,
        short,
        packs: Math.ceil(short / product.pack),
        costMinor: Math.round((product.packMinor * needed) / product.pack),
      },
    ];
  });
  return out.sort((a, b) => Number(b.short > 0) - Number(a.short > 0));
}

/** Needs of several visits together, against the stock as it is. */
export function neededFor(visits: readonly (readonly Need[])[], range: readonly Product[]): Need[] {
  return needsOf(
    visits.flatMap((needs) => needs.map(({ product, needed }) => ({ product: product.id, grams: needed }))),
    range,
  );
}
