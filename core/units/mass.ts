/** Grams in an avoirdupois ounce, to the precision that scales show (28.349523125 by definition). */
export const GRAMS_PER_OUNCE = 28.349523125;

/** In what amounts are said. Scoops are for powder only; what is poured stays in grams. */
export const AMOUNT_UNITS = ['g', 'oz', 'scoop'] as const;
export type AmountUnit = (typeof AMOUNT_UNITS)[number];

/**
 * An amount as it is said: `30 g`, `1.06 oz`, `2 scoops`.
 * @param scoopGrams what a scoop of this powder holds, g; null for what is poured
 */
export function formatAmount(grams: number, unit: AmountUnit, scoopGrams: number | null = null): string {
  if (unit === 'oz') return `${(grams / GRAMS_PER_OUNCE).toFixed(2)} oz`;
  if (unit === 'scoop' && scoopGrams !== null && scoopGrams > 0) {
    const quarters = Math.round((4 * grams) / scoopGrams);
    const whole = Math.floor(quarters / 4);
    const part = ['', '¼', '½', '¾'][quarters % 4];
    const said = whole === 0 ? part || '0' : `${whole}${part ? ` ${part}` : ''}`;
    return `${said} ${quarters > 4 || quarters === 0 ? 'scoops' : 'scoop'}`;
  }
  return `${Math.round(grams * 10) / 10} g`;
}

/**
 * Whole units for exact shares that add up to a whole total: the largest remainders are rounded up, the first
 * of equal ones.
 * @param exact shares, ≥ 0, not all 0
 */
export function shareOut(exact: readonly number[], total: number): number[] {
  const sum = exact.reduce((a, b) => a + b, 0);
  const scaled = exact.map((value) => (value * total) / sum);
  // A hair's breadth under a whole one is that whole one.
  const whole = scaled.map((value) => Math.floor(value + 1e-9));
  const left = total - whole.reduce((a, b) => a + b, 0);
  const order = scaled
    .map((value, i) => [value - whole[i], i] as const)
    .sort((x, y) => y[0] - x[0] || x[1] - y[1]);
  for (const [, i] of order.slice(0, left)) whole[i] += 1;
  return whole;
}

/**
 * Amounts that stand in one bowl, as they are said, so that they add up to the total as it is said:
 * hundredths of an ounce
 * are shared out like the grams are.
 */
export function formatAmounts(
  items: readonly { readonly grams: number; readonly powder: boolean }[],
  unit: AmountUnit,
  scoopGrams: number,
): string[] {
  if (unit !== 'oz')
    return items.map(({ grams, powder }) => formatAmount(grams, unit, powder ? scoopGrams : null));
  const all = items.reduce((sum, { grams }) => sum + grams, 0);
  if (!(all > 0)) return items.map(({ grams }) => formatAmount(grams, unit));
  return shareOut(
    items.map(({ grams }) => grams),
    Math.round((100 * all) / GRAMS_PER_OUNCE),
  ).map((value) => `${(value / 100).toFixed(2)} oz`);
}
