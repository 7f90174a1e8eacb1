import type { Consult } from '../formats';
import { zoneName, ZONES } from '../head';
import type { CautionFacts } from './caution';

/** What the consultation says that cautions rest on. */
export function factsIn(consult: Consult): Pick<CautionFacts, 'health' | 'dyeInHistory' | 'fragileZones'> {
  return {
    health: consult.health,
    dyeInHistory: consult.history.some(({ what }) => what === 'metallic' || what === 'plant'),
    fragileZones: ZONES.filter((zone) => {
      const seen = consult.map[zone];
      return seen?.condition === 'fragile' || seen?.flags?.includes('breakage');
    }).map((zone) => zoneName(zone).toLowerCase()),
  };
}
