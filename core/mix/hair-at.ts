import { isFaceZone, type Zone } from '../head';
import { hairGrams, hairIn, hairsOn, type PlanHair } from '../pattern';
import { reachesZone, type ColourPlace, type ZoneHair } from '../visit';

/** Roots are so long, mm: the middle of the usual 13–38 mm. */
const ROOTS_MM = 25;
/** Ends are the last third of the hair. */
const ENDS_FROM = 2 / 3;
/** Zones of the face reach so far behind the hairline, mm. Working assumption. */
const FACE_MM = 60;

/** What is known of the hair of a head, as amounts go by it. */
export interface HeadHair {
  readonly areas: readonly { readonly zone: Zone; readonly areaCm2: number }[];
  readonly hair: PlanHair;
  readonly map: Readonly<Partial<Record<Zone, ZoneHair>>>;
}

/**
 * Hair at a place, over the stretches that are meant, g (estimate).
 * @param only zones that it is put on within the place; all of them without
 */
export function hairAt(place: ColourPlace, { areas, hair, map }: HeadHair, only?: ReadonlySet<Zone>): number {
  return areas.reduce((sum, { zone, areaCm2 }) => {
    if (!reachesZone(place, zone) || (only && !only.has(zone))) return sum;
    const { densityPerCm2, strand, lengthMm } = hairIn(zone, hair);
    const behind = place.frontMm === null || !isFaceZone(zone) ? 1 : Math.min(1, place.frontMm / FACE_MM);
    const stretch = stretchMm(place, lengthMm, map[zone]?.band);
    return sum + behind * hairGrams(hairsOn(areaCm2 * 100, densityPerCm2), strand, stretch);
  }, 0);
}

/** Length of the stretches that a place names, mm; the whole hair where it names none. */
function stretchMm({ lengths }: ColourPlace, lengthMm: number, band: ZoneHair['band']): number {
  if (lengths.length === 0) return lengthMm;
  const roots = Math.min(ROOTS_MM, lengthMm);
  const endsFrom = Math.max(roots, ENDS_FROM * lengthMm);
  const own = {
    roots,
    mids: endsFrom - roots,
    ends: lengthMm - endsFrom,
    band: band ? Math.max(0, Math.min(band.toMm, lengthMm) - band.fromMm) : 0,
  };
  return lengths.reduce((sum, length) => sum + own[length], 0);
}
