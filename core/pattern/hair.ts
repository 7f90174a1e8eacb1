import type { Zone } from '../head';
import type { HairFigures, PlanHair, Strand } from './types';

/** Diameter of a hair, mm (working assumption: middle of the fine, medium and coarse ranges). */
const DIAMETER_MM: Record<Strand, number> = { fine: 0.055, medium: 0.07, coarse: 0.09 };
/** Density of hair, g/mm³ (1.3 g/cm³, keratin). */
const GRAMS_PER_MM3 = 1.3e-3;

/** Hairs growing on an area of skin. */
export function hairsOn(areaMm2: number, densityPerCm2: number): number {
  return (areaMm2 / 100) * densityPerCm2;
}

/** Weight in g of a number of hairs of one length. */
export function hairGrams(hairs: number, strand: Strand, lengthMm: number): number {
  const diameter = DIAMETER_MM[strand];
  return hairs * (Math.PI / 4) * diameter * diameter * GRAMS_PER_MM3 * lengthMm;
}

/** Hair of one zone: the head's, but for what was noted there. */
export function hairIn(zone: Zone, hair: PlanHair): HairFigures {
  const own = hair.byZone[zone];
  if (!own) return hair;
  return {
    densityPerCm2: own.densityPerCm2 ?? hair.densityPerCm2,
    strand: own.strand ?? hair.strand,
    lengthMm: own.lengthMm ?? hair.lengthMm,
  };
}
