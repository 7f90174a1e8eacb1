'use server';

import { parseProducts } from '@/core/formats';
import { saveProducts } from '@/data/products';
import { currentPerson } from '../session/current';

export type Saved = { readonly ok: true; readonly revision: number } | { readonly ok: false; readonly problem: string };

/** Saves the products of the house as a whole; only its owner may. */
export async function saveRange(baseRevision: number, document: unknown): Promise<Saved> {
  const person = await currentPerson();
  if (!person) return { ok: false, problem: 'You are signed out. Sign in again.' };
  if (person.role !== 'owner') return { ok: false, problem: 'Only the owner sets this for the house.' };
  if (!Number.isInteger(baseRevision) || baseRevision < 0) return { ok: false, problem: 'baseRevision: must be a whole number.' };
  const read = parseProducts(document);
  if (!read.ok) return read;
  const saved = await saveProducts(person, baseRevision, read.value);
  return saved.ok ? saved : { ok: false, problem: 'Somebody saved other products meanwhile. Nothing was overwritten; load the page again to see theirs.' };
}
