import { productSchema } from '@/core/formats';
import { PRODUCT_KINDS, rangeProblems, USUAL_RANGE, type Product } from '@/core/products';
import { emptyProduct } from './empty-product';
import { factsOf } from './facts';

const nameOf = (id: string) => USUAL_RANGE.find((product) => product.id === id)?.name ?? id;
const said = (id: string) =>
  factsOf(
    USUAL_RANGE.find((product) => product.id === id)!,
    nameOf,
  );

test.each([
  ['moth-powder', '1:2 (1:1–3), 5–40 vol; 45 min in foil, 50 min in the open air; lifts 7 levels, to 10'],
  ['moth-clay', '1:1.5 (1:1–2), 10–40 vol; 50 min in the open air; lifts 7 levels, to 9.5'],
  ['moth-dev-20', '20 vol, 6%'],
  ['sedge', '1:2 (1:1–2), 5–10 vol; 5–20 min, usually 15 min; root 3 natural : 1 ash'],
  ['sedge-9-violet', 'Sedge demi, level 9, violet'],
  ['sedge-clear', 'Sedge demi, clear'],
  ['water', '0.1 g for 1 g of lightener, weakens the mix'],
  ['foil-120', '120 × 300 mm'],
])('%s is %s', (id, words) => expect(said(id)).toBe(words));

test.each(PRODUCT_KINDS)('a new %s is sound but for its name, and has an id of its own', (kind) => {
  const fresh = emptyProduct(kind, USUAL_RANGE);
  const named = { ...fresh, name: 'New' } as Product;
  expect(productSchema.safeParse(named)).toMatchObject({ success: true });
  expect(productSchema.safeParse(fresh).success).toBe(false);
  expect(rangeProblems([...USUAL_RANGE, named])).toEqual([]);
  expect(emptyProduct(kind, [...USUAL_RANGE, named]).id).not.toBe(fresh.id);
});
