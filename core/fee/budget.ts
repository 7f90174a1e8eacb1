import { itemise, type PricedVisit, type VisitPrices } from './itemise';

export type FoilsWithin =
  | { readonly ok: true; readonly foils: number; readonly all: boolean }
  | { readonly ok: false; readonly leastMinor: number };

/** A head is never foiled with more than so many. */
const MOST_FOILS = 400;

/** The visit with another number of foils: bowls, time and materials are taken to go with them. */
export function withFoils(visit: PricedVisit, foils: number): PricedVisit {
  const share = visit.foils > 0 ? foils / visit.foils : 1;
  return {
    ...visit,
    foils,
    foilingMinutes: visit.foilingMinutes * share,
    bowls: Math.ceil(visit.bowls * share - 1e-9),
    sessions: Math.ceil(visit.sessions * share - 1e-9),
    mixGrams: visit.mixGrams * share,
    materialsMinor: Math.round(visit.materialsMinor * share),
  };
}

/**
 * As many foils as a budget pays for, everything else of the visit as it is; bowls, time and materials are
 * taken to go with
 * the foils. The least price where it pays for none.
 * @param all in the answer: even the most foils cost no more than that
 */
export function foilsWithin(amountMinor: number, visit: PricedVisit, prices: VisitPrices): FoilsWithin {
  const price = (foils: number) => itemise(withFoils(visit, foils), prices).totalMinor;
  if (price(1) > amountMinor) return { ok: false, leastMinor: price(1) };
  if (price(MOST_FOILS) <= amountMinor) return { ok: true, foils: MOST_FOILS, all: true };
  let [fits, over] = [1, MOST_FOILS];
  while (over - fits > 1) {
    const middle = (fits + over) >> 1;
    if (price(middle) <= amountMinor) fits = middle;
    else over = middle;
  }
  return { ok: true, foils: fits, all: false };
}
