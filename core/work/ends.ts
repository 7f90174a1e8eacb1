import type { Zone } from '../head';
import type { Consult } from '../visit';

/** Ends are lighter than the hair grew by so many levels at least, or they are taken as the length. */
const LIGHTER = 1;
/** So near to a target is there, levels: less is not seen. */
const NEAR = 0.25;
/**
 * Light ends as they are usually drawn out of a foil, mm; of short hair the last third. Working assumption.
 */
const LIGHT_ENDS_MM = 80;

/**
 * What the hair map says of the ends of a zone: as dark as the hair grew (they take the length's mix),
 * lighter (they take the
 * ends' own), or where they are to come to already (they are drawn out of the foil, or take the ends' own).
 * @param target level that is to be reached; null for the one wished for
 */
export type EndsSeen = (zone: Zone, target: number | null) => 'dark' | 'lighter' | 'there' | 'unknown';

export const endsSeenIn =
  ({ map, naturalLevel, goalLevel }: Pick<Consult, 'map' | 'naturalLevel' | 'goalLevel'>): EndsSeen =>
  (zone, target) => {
    const level = map[zone]?.endsLevel;
    if (level === undefined) return 'unknown';
    const natural = map[zone]?.naturalLevel ?? naturalLevel;
    if (level < natural + LIGHTER) return 'dark';
    return level >= (target ?? goalLevel) - NEAR ? 'there' : 'lighter';
  };

/** How much of the hair its light ends are, mm. */
export const lightEndsMm = (hairMm: number): number => Math.min(LIGHT_ENDS_MM, hairMm / 3);
