/** Minor units in one unit of a currency: 100 cents, 1 yen. */
export function minorPerUnit(currency: string): number {
  return 10 ** (formatOf(currency).resolvedOptions().maximumFractionDigits ?? 2);
}

/** Money of a currency as it is said; amounts in minor units. */
export function moneyIn(currency: string): (minor: number) => string {
  const format = formatOf(currency);
  const per = minorPerUnit(currency);
  return (minor) => format.format(minor / per);
}

function formatOf(currency: string): Intl.NumberFormat {
  return new Intl.NumberFormat('en-GB', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' });
}
