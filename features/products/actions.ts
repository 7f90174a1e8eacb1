'use server';

import type { Result } from '@/core/units';
import { parseCounts, parseProducts } from '@/core/formats';
import { saveProducts } from '@/data/products';
import { stockMoves, type StockMove } from '@/data/stock';
import { signedIn } from '../session/signed-in';
import { isRevision } from '../shared';

export type Saved = Result<{ readonly revision: number }>;

/** What happened to the stock of a product; nothing for who is signed out. */
export const movesOf = signedIn(
  'movesOf',
  async (person, product: string): Promise<readonly StockMove[]> =>
    /^[a-z0-9-]{1,60}$/.test(product) ? stockMoves(person, product) : [],
  () => [],
);

/**
 * Saves the products of the house as a whole; only its owner may.
 * @param counted amounts of what was counted, by product
 */
export const saveRange = signedIn(
  'saveRange',
  async (person, baseRevision: number, document: unknown, counted: unknown = {}): Promise<Saved> => {
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
  },
);
