import { byKey } from '../units';
import { ZONES, type Zone } from '../head';
import { baseLightAt, seenAt, type Light } from './light';
import type { WornHair } from './worn';
import { VIEW_NAMES } from './ways';

/** A way of wearing with the share of the time that the client wears it, 0–1. */
export interface WornShare {
  readonly hair: WornHair;
  readonly share: number;
}

/**
 * Visible light that each foil earns, points: hundredths of all that is seen, over all sides and ways of
 * wearing.
 */
export interface Worth {
  /** By foil, in the order of the sheet. */
  readonly foils: Float64Array;
  /** By zone that the hair grows in; light painted in the open air counts here too. */
  readonly zones: Readonly<Record<Zone, number>>;
  /** All of it: brightness in points. */
  readonly all: number;
}

/**
 * What each foil earns. A hair lies in one foil only, so the light that is seen adds up: what a foil earns is
 * what would go
 * dark without it.
 */
export function worthOfFoils(worn: readonly WornShare[], light: Light, foils: number): Worth {
  const own = new Float64Array(foils);
  const zones = new Float64Array(ZONES.length);
  let all = 0;
  // Most of what is seen was not touched.
  const first = touchedFrom(light);
  for (const { hair, share } of worn) {
    const { zone } = hair.index.roots;
    for (const view of VIEW_NAMES) {
      const { count, strand, along, weight, covered } = hair.surface(view);
      if (covered === 0) continue;
      const points = (100 * share) / VIEW_NAMES.length / covered;
      for (let i = 0; i < count; i += 1) {
        if (along[i] < first[strand[i]]) continue;
        // Hair that is light already earns nothing.
        const f = seenAt(light, strand[i], along[i]) - baseLightAt(light, strand[i], along[i]);
        if (f <= 0) continue;
        const lit = points * weight[i] * f;
        all += lit;
        zones[zone[strand[i]]] += lit;
        const foil = light.foil[strand[i]];
        if (foil >= 0) own[foil] += lit;
      }
    }
  }
  return {
    foils: own,
    zones: byKey(ZONES, (_, i) => zones[i]),
    all,
  };
}

/** By root, mm from the scalp before which nothing is lighter than it was. */
function touchedFrom({ own, old }: Light): Float32Array {
  return old === null ? own.fromMm : own.fromMm.map((from, i) => Math.min(from, old.fromMm[i]));
}
