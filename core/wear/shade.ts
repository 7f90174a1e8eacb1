import { ZONES, type Roots, type Zone } from '../head';
import { linearRgb, mixedHair, naturalHair, tonedHair, undercoatHair, type HairColour, type Tone } from '../lift';
import type { Light } from './light';
import { noiseOf, seedAt } from './noise';

const { max, min, round } = Math;

/** What is known of the colour of the hair and of what it becomes; by zone what differs from the whole head. */
export interface HairFacts {
  readonly naturalLevel: number;
  readonly byZone: Readonly<Partial<Record<Zone, ZoneFacts>>>;
  /** Since a zone was last taken to the root, mm: from there on the mid-lengths begin. */
  readonly regrowthMm: Readonly<Partial<Record<Zone, number>>>;
  /** Level that light comes to. */
  readonly targetLevel: number;
  readonly tone: Tone | null;
  /** Share of the toner that is still there, 0–1. */
  readonly tonerLeft: number;
  /** Growth since the day that all of this was seen, mm. */
  readonly grownMm: number;
}

export interface ZoneFacts {
  readonly naturalLevel?: number;
  /** 0–1 */
  readonly greyShare?: number;
  readonly midsLevel?: number;
  readonly endsLevel?: number;
  readonly band?: { readonly level: number; readonly fromMm: number; readonly toMm: number };
}

/** Steps of light between as it grew and lightened, and of level, that are told apart in colour. */
export const LIGHT_STEPS = 32;
const LEVEL_STEPS = 10;
/** Levels 1.0 … 10.0 by tenths, then white hair. */
const BASES = 9 * LEVEL_STEPS + 2;
const WHITE = BASES - 1;
/** White hair: light, hardly any colour. Working assumption. */
const WHITE_HAIR: HairColour = { lightness: 0.9, chroma: 0.008, hueDeg: 95 };
/** A lowlight brings depth back: so much under the level that the hair has by nature. Working assumption until it is mixed. */
const LOWLIGHT_BELOW = 1;
/** Ends begin at this share of the length. */
const ENDS_FROM = 0.66;

/** What each strand is without this plan's light: an index into a palette, by distance from the root. */
export interface Bases {
  baseAt(strand: number, along: number): number;
}

export function basesOf(roots: Roots, facts: HairFacts, lengthOf: (root: number) => number, lowlit?: Uint8Array): Bases {
  const zones = ZONES.map((zone) => {
    const own = facts.byZone[zone] ?? {};
    const natural = own.naturalLevel ?? facts.naturalLevel;
    const mids = own.midsLevel ?? natural;
    const { band, endsLevel = mids, greyShare = 0 } = own;
    const grown = facts.grownMm;
    return {
      natural: baseOf(natural), mids: baseOf(mids), ends: baseOf(endsLevel), low: baseOf(max(1, natural - LOWLIGHT_BELOW)), greyShare,
      midsFrom: (facts.regrowthMm[zone] ?? 0) + grown,
      band: band ? { base: baseOf(band.level), from: band.fromMm + grown, to: band.toMm + grown } : null,
    };
  });
  const white = Uint8Array.from({ length: roots.count }, (_, i) => {
    const { greyShare } = zones[roots.zone[i]];
    return greyShare > 0 && noiseOf(seedAt(roots.xyz[3 * i], roots.xyz[3 * i + 1], roots.xyz[3 * i + 2]), 11) < greyShare ? 1 : 0;
  });
  return {
    baseAt: (strand, along) => {
      const zone = zones[roots.zone[strand]];
      if (lowlit && lowlit[strand] && along >= facts.grownMm) return zone.low;
      if (zone.band !== null && along >= zone.band.from && along < zone.band.to) return zone.band.base;
      if (along < zone.midsFrom) return white[strand] ? WHITE : zone.natural;
      if (zone.mids === zone.natural && zone.ends === zone.natural) return white[strand] ? WHITE : zone.natural;
      return along < ENDS_FROM * lengthOf(strand) ? zone.mids : zone.ends;
    },
  };
}

const baseOf = (level: number) => round((min(10, max(1, level)) - 1) * LEVEL_STEPS);

/**
 * How light each base is seen, by its index: 0 at the head's natural level or below, 1 at the level that light comes to. By
 * the lightness that the eye sees; where hair is hardly lifted, a level counts.
 */
export function baseShares({ naturalLevel, targetLevel }: Pick<HairFacts, 'naturalLevel' | 'targetLevel'>): Float32Array {
  const lightness = (level: number) => naturalHair(min(10, max(1, level))).lightness;
  const dark = lightness(naturalLevel);
  const span = max(lightness(targetLevel), lightness(naturalLevel + 1), dark + 0.02) - dark;
  return Float32Array.from({ length: BASES }, (_, base) => {
    const own = base === WHITE ? WHITE_HAIR.lightness : lightness(1 + base / LEVEL_STEPS);
    return min(1, max(0, (own - dark) / span));
  });
}

/**
 * Colours of hair on its way from each base to light: linear-light RGB, 0–1, packed by base and step of light. On the way it
 * passes the undercoat of the levels between: where light begins, hair is warm.
 */
export function paletteOf({ targetLevel, tone, tonerLeft }: HairFacts): Float32Array {
  const out = new Float32Array(3 * BASES * (LIGHT_STEPS + 1));
  const toned = tonedHair(targetLevel, tone ?? 'neutral');
  const bare = undercoatHair(targetLevel);
  const light = mixedHair(bare, toned, tonerLeft);
  for (let base = 0; base < BASES; base += 1) {
    const level = 1 + base / LEVEL_STEPS;
    const from = base === WHITE ? WHITE_HAIR : naturalHair(level);
    for (let step = 0; step <= LIGHT_STEPS; step += 1) {
      const f = step / LIGHT_STEPS;
      const direct = mixedHair(from, light, f);
      // Halfway lifted hair shows the undercoat of the level that it reached; white hair has none.
      const between = base === WHITE || level >= targetLevel ? direct : mixedHair(direct, undercoatHair(level + (targetLevel - level) * f), 1.6 * f * (1 - f));
      out.set(linearRgb(between), 3 * (base * (LIGHT_STEPS + 1) + step));
    }
  }
  return out;
}

/** Place of a colour in a palette. */
export function paletteAt(base: number, light: number): number {
  return 3 * (base * (LIGHT_STEPS + 1) + round(light * LIGHT_STEPS));
}

/** Everything that colours hair: its light, what it is without, and the colours between. */
export interface Colouring {
  readonly light: Light;
  readonly bases: Bases;
  readonly palette: Float32Array;
}
