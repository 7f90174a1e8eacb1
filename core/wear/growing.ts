import { ZONES, type Head, type Roots } from '../head';
import type { Plan } from '../pattern';
import { lengths, type Cut } from './cut';
import { noiseOf, seedAt } from './noise';

/**
 * Density at which every root grows its strand; thinner hair leaves some out, so that skin and what lies
 * beneath show through.
 */
const FULL_PER_CM2 = 170;

/** Length of each root's strand, mm: 0 where hair is too thin for one. */
export function growing(
  { hair }: Pick<Plan, 'hair'>,
  roots: Roots,
  head: Head,
  cut: Cut,
): (root: number) => number {
  const lengthOf = lengths({ hair }, roots, head, cut);
  const share = ZONES.map((zone) => (hair.byZone[zone]?.densityPerCm2 ?? hair.densityPerCm2) / FULL_PER_CM2);
  if (share.every((value) => value >= 1)) return lengthOf;
  const { xyz, zone } = roots;
  return (root) =>
    noiseOf(seedAt(xyz[3 * root], xyz[3 * root + 1], xyz[3 * root + 2]), 12) < share[zone[root]]
      ? lengthOf(root)
      : 0;
}
