import { ZONES, type Zone } from '../head';
import type { Outcome } from '../visit';

/** Levels of a record by zone; where zones were not kept, one for all. */
export const levelsByZone = ({
  zones,
  levelReached,
}: Pick<Outcome, 'zones' | 'levelReached'>): Partial<Record<Zone, number>> =>
  Object.fromEntries(
    zones === null
      ? ZONES.map((zone) => [zone, levelReached])
      : Object.entries(zones).flatMap(([zone, own]) =>
          own && own.level !== null ? [[zone, own.level]] : [],
        ),
  );
