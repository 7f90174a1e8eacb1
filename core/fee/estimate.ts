/** How a house prices foils, until mixes are known. Money in minor units of the currency, whole numbers. */
export interface FoilPrices {
  /** Flat: base with so many foils in it, and each more; or by the hour of foiling. */
  readonly way: 'flat' | 'hourly';
  readonly baseMinor: number;
  readonly includedFoils: number;
  readonly perFoilMinor: number;
  readonly perHourMinor: number;
}

/** What a price goes by. */
export interface Priced {
  readonly foils: number;
  readonly foilingMinutes: number;
}

/** Estimate of the price, minor units: the base, and what comes on top by foils or by time. */
export function priceOf({ foils, foilingMinutes }: Priced, prices: FoilPrices): number {
  if (foils === 0) return 0;
  const { way, baseMinor, includedFoils, perFoilMinor, perHourMinor } = prices;
  if (way === 'flat') return baseMinor + Math.max(0, foils - includedFoils) * perFoilMinor;
  return baseMinor + Math.ceil((foilingMinutes / 60) * perHourMinor);
}

export type WithinBudget =
  | { readonly ok: true; readonly kind: 'foils'; readonly foils: number }
  | { readonly ok: true; readonly kind: 'minutes'; readonly minutes: number }
  /** As many foils as one likes: more of them cost no more. */
  | { readonly ok: true; readonly kind: 'all' }
  | { readonly ok: false; readonly leastMinor: number };

/** What a budget pays for, as a limit of foils or of minutes; the least price where it pays for nothing. */
export function withinBudget(amountMinor: number, prices: FoilPrices): WithinBudget {
  const { way, baseMinor, includedFoils, perFoilMinor, perHourMinor } = prices;
  const left = amountMinor - baseMinor;
  if (left < 0) return { ok: false, leastMinor: baseMinor };
  if (way === 'hourly') {
    if (perHourMinor === 0) return { ok: true, kind: 'all' };
    const minutes = Math.floor((left * 60) / perHourMinor);
    return minutes >= 1 ? { ok: true, kind: 'minutes', minutes } : { ok: false, leastMinor: baseMinor + Math.ceil(perHourMinor / 60) };
  }
  if (perFoilMinor === 0) return { ok: true, kind: 'all' };
  const foils = includedFoils + Math.floor(left / perFoilMinor);
  return foils >= 1 ? { ok: true, kind: 'foils', foils } : { ok: false, leastMinor: baseMinor + perFoilMinor };
}
