import { ZONES, type Roots, type Zone } from '../head';
import {
  lightnessOf,
  linearRgb,
  mixedHair,
  naturalHair,
  tonedHair,
  undercoatHair,
  type HairColour,
  type Tone,
} from '../lift';
import { isOwnAt, type BaseLight, type Layer, type Light } from './light';
import { noiseOf, seedAt } from './noise';

const { max, min, round } = Math;

/**
 * What is known of the colour of the hair and of what it becomes; by zone what differs from the whole head.
 */
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

interface ZoneFacts {
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
/**
 * A lowlight brings depth back: so much under the level that the hair has by nature. Working assumption until
 * it is mixed.
 */
const LOWLIGHT_BELOW = 1;
/** Ends begin at this share of the length. */
const ENDS_FROM = 0.66;

/** What each strand is without this plan's light: an index into a palette, by distance from the root. */
export interface Bases {
  readonly baseAt: (strand: number, along: number) => number;
  /** By root, where hair is the same along all of its length; null where it is not. */
  readonly whole: Uint8Array | null;
}

export function basesOf(
  roots: Roots,
  facts: HairFacts,
  lengthOf: (root: number) => number,
  lowlit?: Uint8Array,
): Bases {
  const zones = ZONES.map((zone) => {
    const zoneFacts = facts.byZone[zone] ?? {};
    const natural = zoneFacts.naturalLevel ?? facts.naturalLevel;
    const mids = zoneFacts.midsLevel ?? natural;
    const { band, endsLevel = mids, greyShare = 0 } = zoneFacts;
    const grown = facts.grownMm;
    return {
      natural: baseOf(natural),
      mids: baseOf(mids),
      ends: baseOf(endsLevel),
      low: baseOf(max(1, natural - LOWLIGHT_BELOW)),
      greyShare,
      midsFrom: (facts.regrowthMm[zone] ?? 0) + grown,
      band: band ? { base: baseOf(band.level), from: band.fromMm + grown, to: band.toMm + grown } : null,
    };
  });
  const { count, xyz, zone: zoneOf } = roots;
  const white = new Uint8Array(count);
  for (let i = 0; i < count; i += 1) {
    const { greyShare } = zones[zoneOf[i]];
    if (greyShare > 0 && noiseOf(seedAt(xyz[3 * i], xyz[3 * i + 1], xyz[3 * i + 2]), 11) < greyShare)
      white[i] = 1;
  }
  const isWhole =
    zones.every(({ natural, mids, ends, band }) => band === null && mids === natural && ends === natural) &&
    (facts.grownMm === 0 || !lowlit?.includes(1));
  const whole = isWhole ? new Uint8Array(count) : null;
  if (whole) {
    for (let i = 0; i < count; i += 1) {
      const { low, natural } = zones[zoneOf[i]];
      whole[i] = lowlit?.[i] ? low : white[i] ? WHITE : natural;
    }
  }
  return {
    whole,
    baseAt: (strand, along) => {
      const zone = zones[roots.zone[strand]];
      if (lowlit && lowlit[strand] && along >= facts.grownMm) return zone.low;
      if (zone.band !== null && along >= zone.band.from && along < zone.band.to) return zone.band.base;
      if (along < zone.midsFrom) return white[strand] ? WHITE : zone.natural;
      if (zone.mids === zone.natural && zone.ends === zone.natural)
        return white[strand] ? WHITE : zone.natural;
      return along < ENDS_FROM * lengthOf(strand) ? zone.mids : zone.ends;
    },
  };
}

const baseOf = (level: number) => round((min(10, max(1, level)) - 1) * LEVEL_STEPS);

/** OKLab lightness of what grows in a zone, its grey among it. */
export function naturalLightness(
  { naturalLevel, byZone }: Pick<HairFacts, 'naturalLevel' | 'byZone'>,
  zone: Zone,
): number {
  const { naturalLevel: value = naturalLevel, greyShare = 0 } = byZone[zone] ?? {};
  return (1 - greyShare) * lightnessOf(value) + greyShare * WHITE_HAIR.lightness;
}

/**
 * The hair as it was, and what it is judged by: dark is the head's natural level, light is what is wished
 * for, by the lightness that
 * the eye sees. Where hardly any lift is wished for, a level counts.
 */
export function baseLightOf(
  bases: Bases,
  { naturalLevel, targetLevel, byZone }: Pick<HairFacts, 'naturalLevel' | 'targetLevel' | 'byZone'>,
): BaseLight {
  // As the bases have it, so that hair as it grew is exactly dark.
  const dark = Math.fround(lightnessOf(1 + baseOf(naturalLevel) / LEVEL_STEPS));
  const zones = Object.values(byZone);
  const grey = zones.some(({ greyShare = 0 }) => greyShare > 0);
  const lightness = Float32Array.from({ length: BASES }, (_, base) =>
    base === WHITE ? WHITE_HAIR.lightness : lightnessOf(1 + base / LEVEL_STEPS),
  );
  return {
    bases,
    dark,
    lightness,
    whole: bases.whole && lightnessOfBases(bases.whole, lightness),
    most: max(
      dark,
      grey ? WHITE_HAIR.lightness : 0,
      ...zones.flatMap(({ naturalLevel: natural, midsLevel, endsLevel, band }) =>
        [natural, midsLevel, endsLevel, band?.level].flatMap((level) =>
          level === undefined ? [] : [lightnessOf(level)],
        ),
      ),
    ),
    span: max(lightnessOf(targetLevel), lightnessOf(naturalLevel + 1), dark + 0.02) - dark,
  };
}

function lightnessOfBases(bases: Uint8Array, lightness: Float32Array): Float32Array {
  const out = new Float32Array(bases.length);
  for (let i = 0; i < bases.length; i += 1) out[i] = lightness[bases[i]];
  return out;
}

/** Colours read from a picture of the client's own hair; null where they go by level and tone. */
export interface Swatches {
  readonly base: HairColour | null;
  readonly light: HairColour | null;
}
export const NO_SWATCHES: Swatches = { base: null, light: null };
/**
 * A swatch counts for hair as light as it is, less the further away, and not at all beyond this; its
 * lightness moves hair by at most so much, OKLab.
 */
const SWATCH = { reach: 0.24, most: 0.06 } as const;

/** A colour of the table, drawn to what was seen in a picture. */
function drawnTo(colour: HairColour, swatch: HairColour | null): HairColour {
  if (swatch === null) return colour;
  const off = swatch.lightness - colour.lightness;
  const share = max(0, 1 - Math.abs(off) / SWATCH.reach);
  return mixedHair(
    colour,
    { ...swatch, lightness: colour.lightness + max(-SWATCH.most, min(SWATCH.most, off)) },
    share,
  );
}

/**
 * Colours of hair on its way from each base to light: linear-light RGB, 0–1, packed by base and step of
 * light. On the way it
 * passes the undercoat of the levels between: where light begins, hair is warm.
 */
export function paletteOf(
  { targetLevel, tone, tonerLeft }: Pick<HairFacts, 'targetLevel' | 'tone' | 'tonerLeft'>,
  swatches: Swatches = NO_SWATCHES,
): Float32Array {
  const out = new Float32Array(3 * BASES * (LIGHT_STEPS + 1));
  const toned = tonedHair(targetLevel, tone ?? 'neutral');
  const bare = undercoatHair(targetLevel);
  const light = drawnTo(mixedHair(bare, toned, tonerLeft), swatches.light);
  for (let base = 0; base < BASES; base += 1) {
    const level = 1 + base / LEVEL_STEPS;
    const from = base === WHITE ? WHITE_HAIR : drawnTo(naturalHair(level), swatches.base);
    for (let step = 0; step <= LIGHT_STEPS; step += 1) {
      const f = step / LIGHT_STEPS;
      const direct = mixedHair(from, light, f);
      // Halfway lifted hair shows the undercoat of the level that it reached; white hair has none.
      const between =
        base === WHITE || level >= targetLevel
          ? direct
          : mixedHair(direct, undercoatHair(level + (targetLevel - level) * f), 1.6 * f * (1 - f));
      out.set(linearRgb(between), 3 * (base * (LIGHT_STEPS + 1) + step));
    }
  }
  return out;
}

/** Light comes to levels that are told apart in colour by so much. */
const TINT_STEP = 0.5;
const PALETTE_SIZE = 3 * BASES * (LIGHT_STEPS + 1);

/**
 * Everything that colours hair: its light, and the colours between each base and each level that light comes
 * to.
 */
export interface Colouring {
  readonly light: Light;
  /** Palettes beside each other, one for each level of light. */
  readonly palette: Float32Array;
  /** By root, which of them colours this plan's light, and that of before. */
  readonly tints: { readonly own: Uint8Array; readonly old: Uint8Array };
}

/** The colours that light needs. @param paletteFor palette of hair that comes to a level */
export function colouringOf(light: Light, paletteFor: (level: number) => Float32Array): Colouring {
  const levels: number[] = [];
  const tintsOf = ({ level, fromMm }: Layer) => {
    const out = new Uint8Array(level.length);
    let last = NaN;
    let tint = 0;
    for (let i = 0; i < level.length; i += 1) {
      if (fromMm[i] === Infinity) continue;
      if (level[i] !== last) {
        last = level[i];
        const step = TINT_STEP * round(last / TINT_STEP);
        const known = levels.indexOf(step);
        tint = known >= 0 ? known : levels.push(step) - 1;
      }
      out[i] = tint;
    }
    return out;
  };
  const own = tintsOf(light.own);
  const old = light.old === null ? own : tintsOf(light.old);
  // Hair without any light is coloured by its base alone, whichever palette that is in.
  if (levels.length === 0) levels.push(9);
  const palette = new Float32Array(PALETTE_SIZE * levels.length);
  levels.forEach((level, i) => palette.set(paletteFor(level), PALETTE_SIZE * i));
  return { light, palette, tints: { own, old } };
}

/** Place in the palette of a strand's colour so far from its root. @param f how far it is lightened there */
export function colourAt({ light, tints }: Colouring, strand: number, along: number, f: number): number {
  const { whole, baseAt } = light.base.bases;
  const tint = light.old === null || isOwnAt(light, strand, along) ? tints.own[strand] : tints.old[strand];
  return (
    PALETTE_SIZE * tint +
    3 *
      ((whole !== null ? whole[strand] : baseAt(strand, along)) * (LIGHT_STEPS + 1) + round(f * LIGHT_STEPS))
  );
}
