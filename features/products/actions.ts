'use server';

import { parseCounts, parseProducts } from '@/core/formats';
import { saveProducts } from '@/data/products';
import { stockMoves, type StockMove } from '@/data/stock';
import { currentPerson } from '../session/current';
import { isRevision } from '../shared';

export type Saved =
  { readonly ok: true; readonly revision: number } | { readonly ok: false; readonly problem: string };

/** What happened to the stock of a product; nothing for who is signed out. */
export async function movesOf(product: string): Promise<readonly StockMove[]> {
  const person = await currentPerson();
  return person && /^[a-z0-9-]{1,60}$/.test(product) ? stockMoves(person, product) : [];
}

/** Saves the products of the house as a whole; only its owner may. @param counted amounts of what was counted, by product */
export async function saveRange(
  baseRevision: number,
  document: unknown,
  counted: unknown = {},
): Promise<Saved> {
  const person = await currentPerson();
  if (!person) return { ok: false, problem: 'You are signed out. Sign in again.' };
  if (person.role !== 'owner') return { ok: false, problem: 'Only the owner can change this.' };
  if (!isRevision(baseRevision)) return { ok: false, problem: 'baseRevision: must be a whole number.' };
  const read = parseProducts(document);
  if (!read.ok) return read;
  const counts = parseCounts(counted);
  if (!counts.ok) return counts;
  const saved = await saveProducts(person, baseRevision, read.value, counts.value);
  return saved.ok
    ? saved
    : {
        ok: false,
        problem:
          'Somebody saved other products meanwhile. Nothing was overwritten; load the page again to see theirs.',
      };
}
