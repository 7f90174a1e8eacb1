import { carriesOldLight } from '../growth';
import type { Zone } from '../head';
import { ZONES } from '../head';
import type { Consult, RegrowthByZone } from '../visit';
import type { PlacedUnit } from './unit';

/** Lightened hair is at least so much lighter than it grew, levels. */
const LIGHTENED = 1;
/** Lightener swells: so far past the regrowth is no overlap yet, mm. Working assumption. */
const SPARE_MM = 3;

/** Zones with hair lightened before: lighter in the lengths or at the ends than it grew. */
export function lightenedIn({ map, naturalLevel }: Pick<Consult, 'map' | 'naturalLevel'>): Zone[] {
  return ZONES.filter((zone) => {
    const seen = map[zone];
    if (!seen) return false;
    const natural = seen.naturalLevel ?? naturalLevel;
    return Math.max(seen.midsLevel ?? natural, seen.endsLevel ?? natural) - natural >= LIGHTENED;
  });
}

/**
 * Units that carry what lifts over hair that was lightened before.
 * @param regrowthMm by zone, measured or expected
 */
export function overlapping<T extends PlacedUnit>(
  units: readonly T[],
  regrowthMm: Readonly<RegrowthByZone>,
  lightenedZones: readonly Zone[],
): T[] {
  return units.filter(({ lifts, zone, reach, reachMm, hairMm }) => {
    if (!lifts || reachMm[1] <= reachMm[0]) return false;
    const grown = regrowthMm[zone];
    if (grown !== undefined && carriesOldLight(grown, hairMm)) return reachMm[1] > grown + SPARE_MM;
    return reach !== 'regrowth' && lightenedZones.includes(zone);
  });
}
