/** How a reading stands to what is wanted. */
export type Against = 'empty' | 'under' | 'near' | 'right' | 'over';

/** Off by no more than this is right: a gram, or two per cent of larger amounts. Working assumption. */
export function toleranceOf(wantedGrams: number): number {
  return Math.max(1, 0.02 * wantedGrams);
}

/** Pour slowly from here on: the last tenth, at least 3 g. */
const nearOf = (wantedGrams: number) => Math.max(3, 0.1 * wantedGrams);
const EMPTY = 0.5;

export function against(grams: number, wantedGrams: number): Against {
  const off = grams - wantedGrams;
  if (Math.abs(off) <= toleranceOf(wantedGrams)) return 'right';
  if (off > 0) return 'over';
  if (grams < EMPTY) return 'empty';
  return -off <= nearOf(wantedGrams) ? 'near' : 'under';
}

/**
 * What everything in a bowl must become when one thing was poured too much, so that the parts keep their
 * proportion; whole
 * grams. Parts already weighed are never less than what is in the bowl.
 * @param wanted grams of each part
 * @param weighed grams of each part so far; null where nothing was weighed yet
 */
export function scaledUp(
  wanted: readonly number[],
  weighed: readonly (number | null)[],
): { readonly factor: number; readonly grams: readonly number[] } {
  const factor = Math.max(
    1,
    ...wanted.map((value, i) =>
      value > 0 && weighed[i] !== null && weighed[i] - value > toleranceOf(value) ? weighed[i] / value : 1,
    ),
  );
  return { factor, grams: wanted.map((value) => Math.round(value * factor)) };
}
