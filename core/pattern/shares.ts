import type { Zone } from '../head';
import { percent } from '../units';
import type { Sheet } from './sheet';

/**
 * What becomes of hair, shares of all of it, 0–1: what went through foils, what was picked and is lightened,
 * what is deepened.
 */
export interface Shares {
  readonly foiled: number;
  readonly lightened: number;
  readonly deepened: number;
}

/** The same by zone and for the whole head. */
export interface HairShares {
  readonly total: Shares;
  readonly byZone: Readonly<Record<Zone, Shares>>;
}

/** Shares of a pattern. @param deposits letters whose formulas only deposit: what they pick is deepened */
export function sharesOf(
  { zones }: Pick<Sheet, 'zones'>,
  deposits: ReadonlySet<string> = new Set(),
): HairShares {
  const own = zones.map(({ zone, areaCm2, foiledShare, pickedShare, pickedBy, lowlitShare }) => {
    const dark = Object.entries(pickedBy).reduce(
      (sum, [letter, share]) => (deposits.has(letter) ? sum + share : sum),
      0,
    );
    return {
      zone,
      areaCm2,
      shares: {
        foiled: foiledShare,
        lightened: pickedShare - dark,
        deepened: Math.min(1, dark + lowlitShare),
      },
    };
  });
  const area = own.reduce((sum, { areaCm2 }) => sum + areaCm2, 0);
  const mean = (of: keyof Shares) =>
    own.reduce((sum, { areaCm2, shares }) => sum + areaCm2 * shares[of], 0) / area;
  return {
    total: { foiled: mean('foiled'), lightened: mean('lightened'), deepened: mean('deepened') },
    // A sheet has every zone once.
    byZone: Object.fromEntries(own.map(({ zone, shares }) => [zone, shares])) as Record<Zone, Shares>,
  };
}

/** A share of the hair in words: of a little, that it is a little. */
export const shareWords = (share: number): string =>
  share > 0 && share < 0.005 ? 'under 1%' : percent(share);

/** The shares in words: what is lightened, and deepened where anything is. */
export function sharesWords({ lightened, deepened }: Shares): string {
  return deepened > 0
    ? `${shareWords(lightened)} lightened, ${shareWords(deepened)} deepened`
    : `${shareWords(lightened)} lightened`;
}
