import { paintedWidth, type SingleGather } from '../pattern';

/**
 * Product on a painted face, mm thick and g/mm³; how much of the face it covers; and g of product that each g
 * of hair takes up. Working assumptions.
 */
const COVER = { share: 0.85, thickMm: 0.12, gramsPerMm3: 1.1e-3, perHairGram: 1.2 } as const;
/** A foil takes at least so much, g. */
const LEAST_GRAMS = 0.6;
/** What is scraped out of a bowl of what was mixed. */
export const USED_SHARE = 0.9;

/** What is painted in one foil. */
export interface Painted {
  readonly widthMm: number;
  /**
   * Share of the width that is painted: 1 for slices and teased foils, stitch ÷ (stitch + gap) for weaves.
   */
  readonly share: number;
  /** Length of hair that is painted, mm. */
  readonly lengthMm: number;
  /** Hair in the foil, over the length that is painted, g. */
  readonly hairGrams: number;
  /** Faces that are painted: both in a foil, one where product stays on the surface. */
  readonly faces?: 1 | 2;
}

/**
 * Grams of product that a foil takes (estimate): on its faces, and into the hair; 0 where nothing is painted.
 */
export function netGrams({ widthMm, share, lengthMm, hairGrams, faces = 2 }: Painted): number {
  if (!(lengthMm > 0)) return 0;
  return Math.max(
    LEAST_GRAMS,
    faces * widthMm * share * lengthMm * COVER.share * COVER.thickMm * COVER.gramsPerMm3 +
      COVER.perHairGram * hairGrams,
  );
}

/** Grams to be mixed for so many that are used. */
export const mixedGrams = (net: number): number => net / USED_SHARE;

/** Share of a section's width that is painted: as the gather lies in its foil; all of it where it is teased. */
export const paintedShare = (gather: SingleGather, teasing: number): number =>
  teasing > 0 ? 1 : paintedWidth(gather);

/**
 * A person's own use against the estimate: the median of the last ten visits, drawn to the usual one while
 * they are few.
 */
export function personalFactor(usedAgainstPredicted: readonly number[]): number {
  const last = usedAgainstPredicted.slice(-10).sort((a, b) => a - b);
  if (last.length === 0) return 1;
  const half = last.length >> 1;
  const median = last.length % 2 === 1 ? last[half] : (last[half - 1] + last[half]) / 2;
  const trust = last.length / (last.length + 1);
  return 1 + (median - 1) * trust;
}
