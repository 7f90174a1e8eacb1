/** A share, 0–1, as it is said: `11%`; with so many decimals, trailing zeros left out. */
export const percent = (share: number, decimals = 0): string => `${Number((share * 100).toFixed(decimals))}%`;
