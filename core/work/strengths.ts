import { isHairlineZone, type Zone } from '../head';
import type { Shelf } from '../products';
import type { Formula } from '../visit';

/**
 * What limits strengths: fragile zones, and the strength that asks for a reason there and at the hairline,
 * volumes.
 */
export interface Careful {
  readonly fragileZones: readonly Zone[];
  readonly strongVolumes: number;
}

/**
 * Strengths that a house can mix for a formula in one bottle, weakest first: those that every lightener in it
 * takes.
 */
export function strengthsFor(formula: Formula | undefined, shelf: Shelf): number[] {
  if (formula?.kind !== 'lift') return [];
  const products = formula.lighteners.map(({ product }) => shelf.lightener(product));
  return [...new Set(shelf.developers.map(({ volumes }) => volumes))].filter((volumes) =>
    products.every(
      (product) =>
        product !== undefined && volumes >= product.volumes.least && volumes <= product.volumes.most,
    ),
  );
}

/**
 * The strongest that is suggested near the scalp, and anywhere. On fragile hair and at the hairline the
 * house's cautions decide.
 */
const MOST = { nearScalp: 30, anywhere: 35 } as const;
const NEAR_SCALP_MM = 20;

/** Where cautions ask for a reason: at the hairline, and on fragile hair. */
export const wantsCare = (zone: Zone, { fragileZones }: Pick<Careful, 'fragileZones'>): boolean =>
  isHairlineZone(zone) || fragileZones.includes(zone);

/**
 * The strongest that is suggested or searched for somewhere, volumes: cautions that ask for a reason are
 * limits here.
 */
export function mostVolumes(zones: readonly Zone[], startMm: number, careful: Careful): number {
  if (zones.some((zone) => wantsCare(zone, careful))) return Math.min(careful.strongVolumes, MOST.anywhere);
  return startMm < NEAR_SCALP_MM ? MOST.nearScalp : MOST.anywhere;
}
