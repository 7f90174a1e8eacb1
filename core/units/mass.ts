/** Grams in an avoirdupois ounce, to the precision that scales show (28.349523125 by definition). */
export const GRAMS_PER_OUNCE = 28.349523125;

/** In what amounts are said. Scoops are for powder only; what is poured stays in grams. */
export type AmountUnit = 'g' | 'oz' | 'scoop';

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
 * Whole units for exact shares that add up to a whole total: the largest remainders are rounded up, the first of equal ones.
 * @param exact shares, ≥ 0, not all 0
 */
export function shareOut(exact: readonly number[], total: number): number[] {
  const sum = exact.reduce((a, b) => a + b, 0);
  const scaled = exact.map((own) => (own * total) / sum);
  // A hair's breadth under a whole one is that whole one.
  const whole = scaled.map((own) => Math.floor(own + 1e-9));
  const left = total - whole.reduce((a, b) => a + b, 0);
  const order = scaled.map((own, i) => [own - whole[i], i] as const).sort((x, y) => y[0] - x[0] || x[1] - y[1]);
  for (const [, i] of order.slice(0, left)) whole[i] += 1;
  return whole;
}
