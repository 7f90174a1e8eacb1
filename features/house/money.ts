/** Money of a currency as it is said; amounts in minor units. */
export function moneyIn(currency: string): (minor: number) => string {
  const format = new Intl.NumberFormat('en-GB', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' });
  const digits = format.resolvedOptions().maximumFractionDigits ?? 2;
  return (minor) => format.format(minor / 10 ** digits);
}
