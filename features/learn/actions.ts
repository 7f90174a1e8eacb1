'use server';

import { revalidatePath } from 'next/cache';
import { parseProducts } from '@/core/formats';
import { forgetLearnt, forgetProduct } from '@/data/learnt';
import { readProducts, saveProducts } from '@/data/products';
import { currentOwner, currentPerson } from '../session/current';
import { isId } from '../shared';

export type LearnAnswer = { readonly ok: true } | { readonly ok: false; readonly problem: string };

/** Forgets what was learnt of somebody: of oneself, or as the owner of anybody. */
export async function forget(personId: string): Promise<LearnAnswer> {
  const person = await currentPerson();
  if (!person) return { ok: false, problem: 'You are signed out. Sign in again.' };
  if (person.role !== 'owner' && person.personId !== personId)
    return { ok: false, problem: 'Only the owner can reset what was learnt about others.' };
  if (!isId(personId) || !(await forgetLearnt(person, personId)))
    return { ok: false, problem: 'Nobody of that name works here.' };
  revalidatePath('/house/learnt');
  return { ok: true };
}

const ONLY_OWNER = { ok: false, problem: 'Only the owner can change this.' } as const;

/** Forgets what was learnt of a lightener; only the owner does. */
export async function forgetLightener(productId: string): Promise<LearnAnswer> {
  const person = await currentOwner();
  if (!person) return ONLY_OWNER;
  const product = (await readProducts(person)).document.products.find(({ id }) => id === productId);
  if (!product) return { ok: false, problem: 'The house has no such product any more.' };
  await forgetProduct(person, product);
  revalidatePath('/house/learnt');
  return { ok: true };
}

/** Takes a learnt speed over into the house’s product, for visits that are mixed from now on; only the owner does. */
export async function takeSpeed(productId: string, speed: number): Promise<LearnAnswer> {
  const person = await currentOwner();
  if (!person) return ONLY_OWNER;
  const { document, revision } = await readProducts(person);
  if (!document.products.some(({ id }) => id === productId))
    return { ok: false, problem: 'The house has no such product any more.' };
  const read = parseProducts({
    ...document,
    products: document.products.map((own) =>
      own.id === productId && 'speed' in own ? { ...own, speed } : own,
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
}
