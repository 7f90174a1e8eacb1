/** How a house prices foils. Money in minor units of the currency, whole numbers. */
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
