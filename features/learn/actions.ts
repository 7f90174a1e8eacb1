'use server';

import type { Result } from '@/core/units';
import { revalidatePath } from 'next/cache';
import { parseProducts } from '@/core/formats';
import { forgetLearnt, forgetProduct } from '@/data/learnt';
import { readProducts, saveProducts } from '@/data/products';
import { refusedFor, signedIn } from '../session/signed-in';
import { isId } from '../shared';

/** Forgets what was learnt of somebody: of oneself, or as the owner of anybody. */
export const forget = signedIn('forget', async (person, personId: string): Promise<Result> => {
  const refused = refusedFor('forget', person, personId);
  if (refused) return refused;
  if (!isId(personId) || !(await forgetLearnt(person, personId)))
    return { ok: false, problem: 'Nobody of that name works here.' };
  revalidatePath('/house/learnt');
  return { ok: true };
});

/** Forgets what was learnt of a lightener; only the owner does. */
export const forgetLightener = signedIn(
  'forgetLightener',
  async (person, productId: string): Promise<Result> => {
    const product = (await readProducts(person)).document.products.find(({ id }) => id === productId);
    if (!product) return { ok: false, problem: 'The house has no such product any more.' };
    await forgetProduct(person, product);
    revalidatePath('/house/learnt');
    return { ok: true };
  },
);

/**
 * Takes a learnt speed over into the house’s product, for visits that are mixed from now on; only the owner
 * does.
 */
export const takeSpeed = signedIn(
  'takeSpeed',
  async (person, productId: string, speed: number): Promise<Result> => {
    const { document, revision } = await readProducts(person);
    if (!document.products.some(({ id }) => id === productId))
      return { ok: false, problem: 'The house has no such product any more.' };
    const read = parseProducts({
      ...document,
      products: document.products.map((product) =>
        product.id === productId && 'speed' in product ? { ...product, speed } : product,
      ),
    });
    if (!read.ok) return read;
    const saved = await saveProducts(person, revision, read.value);
    if (!saved.ok)
      return {
        ok: false,
        problem: 'Somebody saved other products meanwhile. Nothing was overwritten; try again.',
      };
    revalidatePath('/house/learnt');
    return { ok: true };
  },
);
