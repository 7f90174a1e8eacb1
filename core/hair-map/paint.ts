import { swapSide, zoneName, ZONES, type Zone } from '../head';
import type { Consult } from '../visit';
import {
  ATTRIBUTE,
  ATTRIBUTES,
  sayIn,
  attributeOf,
  type AttributeKey,
  type AttributeValues,
} from './attributes';

/** Sets one attribute in some zones; `bothSides` sets the same zone of the other side with each. */
export function paint<K extends AttributeKey>({
  consult,
  key,
  zones,
  value,
  bothSides = false,
}: {
  readonly consult: Consult;
  readonly key: K;
  readonly zones: readonly Zone[];
  readonly value: AttributeValues[K] | undefined;
  readonly bothSides?: boolean;
}): Consult {
  const all = bothSides ? [...new Set(zones.flatMap((zone) => [zone, swapSide(zone)]))] : zones;
  const attribute = attributeOf(key);
  return all.reduce((before, zone) => attribute.write(before, zone, value), consult);
}

/** The whole head at once; exceptions are painted afterwards. */
export function fill<K extends AttributeKey>(
  consult: Consult,
  key: K,
  value: AttributeValues[K] | undefined,
): Consult {
  return paint({ consult, key, zones: ZONES, value });
}

/** One side as it is, on the other side too: every attribute of the map. */
export function copySide(consult: Consult, from: 'l' | 'r'): Consult {
  const zones = ZONES.filter((zone) => zone.endsWith(`-${from}`));
  const copied = <K extends AttributeKey>(before: Consult, key: K): Consult => {
    const attribute = attributeOf(key);
    return zones.reduce(
      (next, zone) => attribute.write(next, swapSide(zone), attribute.own(before, zone)),
      before,
    );
  };
  return ATTRIBUTES.reduce<Consult>((before, key) => copied(before, key), consult);
}

/** Whether both sides hold the same. */
export function sidesAgree(consult: Consult): boolean {
  return ZONES.every((zone) =>
    ATTRIBUTES.every((key) => sayIn(consult, key, zone) === sayIn(consult, key, swapSide(zone))),
  );
}

/** One thing that differs from last time. */
export interface MapChange {
  readonly key: AttributeKey;
  readonly zone: Zone;
  readonly was: string | undefined;
  readonly now: string | undefined;
}

/** What the map says otherwise than last time. Regrowth is left out: it is measured anew at each visit. */
export function changesSince(before: Consult, now: Consult): MapChange[] {
  return ATTRIBUTES.filter((key) => key !== 'regrowth').flatMap((key) =>
    ZONES.flatMap((zone): MapChange[] => {
      const [was, is] = [sayIn(before, key, zone), sayIn(now, key, zone)];
      return was === is ? [] : [{ key, zone, was, now: is }];
    }),
  );
}

/**
 * Changes as lines, zones that changed alike together: `Grey 10% → 30%: front hairline, left; temple, left`.
 */
export function sayChanges(changes: readonly MapChange[]): string[] {
  const groups = new Map<string, Zone[]>();
  for (const { key, zone, was, now } of changes) {
    const words = `${ATTRIBUTE[key].name} ${was ?? 'not seen'} → ${now ?? 'not seen'}`;
    groups.set(words, [...(groups.get(words) ?? []), zone]);
  }
  return [...groups].map(
    ([words, zones]) =>
      `${words}: ${zones.length === ZONES.length ? 'whole head' : zones.map((zone) => zoneName(zone).toLowerCase()).join('; ')}`,
  );
}

/** Share of grey over the zones where it was seen, 0–1, each zone alike; null where none was. */
export function greyShareOf({ map }: Consult): number | null {
  const seen = Object.values(map).flatMap((entry) => entry?.greyShare ?? []);
  return seen.length === 0 ? null : seen.reduce((sum, share) => sum + share, 0) / seen.length;
}

/** Zones where baby hair or breakage was marked: such hair is pinned away, not lightened. */
export function brokenZonesOf({ map }: Consult): Zone[] {
  return ZONES.filter((zone) => map[zone]?.flags?.some((flag) => flag === 'baby' || flag === 'breakage'));
}
