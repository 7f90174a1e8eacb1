import { colourDifference, hairOfRgb, naturalHair, type HairColour } from '../lift';
import { LEVEL_MAX, LEVEL_MIN, type Result } from '../units';

/** Colour of a pixel, 0–255 each, sRGB. */
export type Rgb = readonly [number, number, number];

/** What in the picture is known to be neutral, and how much of the light it gives back. */
export const REFERENCES = {
  /** Photographic grey cards give back 18% of the light. */
  'grey-card': { words: 'Grey card', reflectance: 0.18 },
  /** A sheet of white paper; white-coated foil is near it. Working assumption. */
  white: { words: 'White foil or paper', reflectance: 0.85 },
} as const;
export type Reference = keyof typeof REFERENCES;

const linear = (value: number) =>
  value <= 10.31475 ? value / 3294.6 : ((value / 255 + 0.055) / 1.055) ** 2.4;

/** Relative luminance of sRGB, 0–1 (Rec. 709 weights). */
const luminance = ([r, g, b]: Rgb) => 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);

export interface LevelEstimate {
  readonly level: number;
  /** Standard deviation, levels. */
  readonly sd: number;
}

/**
 * Light, angle and shine move a level by this much even beside a reference: working assumption until strand
 * tests say otherwise.
 */
const PICTURE_SD = 0.7;

/**
 * Level of hair in a picture, by its lightness beside a reference in the same light. An estimate with its
 * spread, never
 * more: shine, shadow and the camera's own corrections stay in it.
 * @param hair pixels of the sampled hair
 * @param reference pixels of the reference patch
 * @returns a sentence instead when the patch cannot be used
 */
export function levelInPhoto(
  hair: readonly Rgb[],
  reference: readonly Rgb[],
  kind: Reference,
): Result<{ value: LevelEstimate }> {
  if (hair.length === 0 || reference.length === 0)
    return { ok: false, problem: 'Sample the hair and the reference first.' };
  if (share(reference, (rgb) => Math.max(...rgb) >= 254) > 0.2)
    return {
      ok: false,
      problem: 'The reference is burnt out to white in this picture: take it again with less light.',
    };
  const light = median(reference.map(luminance));
  if (light < 0.01) return { ok: false, problem: 'The reference is too dark in this picture.' };
  // What the hair gives back of the light that falls on it; the cube root is OKLab's lightness of a
  // near-neutral colour.
  const lightnesses = hair.map((rgb) =>
    Math.cbrt(Math.min(1, (luminance(rgb) / light) * REFERENCES[kind].reflectance)),
  );
  const levels = lightnesses.map(levelOfLightness);
  const level = levelOfLightness(median(lightnesses));
  const uneven = Math.sqrt(levels.reduce((sum, own) => sum + (own - level) ** 2, 0) / levels.length);
  return { ok: true, value: { level: Math.round(level * 2) / 2, sd: Math.hypot(PICTURE_SD, uneven / 2) } };
}

/** A colour read from a picture, and how sure that is. */
export interface Swatch extends HairColour {
  /** Standard deviation, hundredths of OKLab, as {@link colourDifference}. */
  readonly sd: number;
}

/** Light, shine and the camera move a colour by this much even beside a reference: working assumption. */
const COLOUR_SD = 4;

/**
 * Colour of hair in a picture, beside a neutral reference in the same light: what the light and the camera's
 * balance did to the
 * reference is taken off the hair. An estimate with its spread.
 * @returns a sentence instead when the patch cannot be used
 */
export function colourInPhoto(
  hair: readonly Rgb[],
  reference: readonly Rgb[],
  kind: Reference,
): Result<{ value: Swatch }> {
  const usable = levelInPhoto(hair, reference, kind);
  if (!usable.ok) return usable;
  const neutral = CHANNELS.map((n) => median(reference.map((rgb) => linear(rgb[n]))));
  if (neutral.some((value) => value < 0.005))
    return {
      ok: false,
      problem: 'The reference is not neutral in this picture: one of its colours is missing.',
    };
  const { reflectance } = REFERENCES[kind];
  const seen = hair.map((rgb) =>
    CHANNELS.map((n) => Math.min(1, (linear(rgb[n]) / neutral[n]) * reflectance)),
  );
  const [r, g, b] = CHANNELS.map((n) => median(seen.map((rgb) => rgb[n])));
  const colour = hairOfRgb([r, g, b]);
  const off = Math.sqrt(
    seen.reduce((sum, [x, y, z]) => sum + colourDifference(hairOfRgb([x, y, z]), colour) ** 2, 0) /
      seen.length,
  );
  const rounded = (value: number, per: number) => Math.round(value * per) / per;
  return {
    ok: true,
    value: {
      lightness: rounded(colour.lightness, 1000),
      chroma: rounded(colour.chroma, 1000),
      hueDeg: rounded(colour.hueDeg, 10),
      sd: rounded(Math.hypot(COLOUR_SD, off / 2), 10),
    },
  };
}

const CHANNELS = [0, 1, 2] as const;

/** Level whose natural hair has this lightness: the table of core/lift the other way round. */
export function levelOfLightness(lightness: number): number {
  let [low, high] = [LEVEL_MIN, LEVEL_MAX];
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (naturalHair(middle).lightness < lightness) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[values.length >> 1];
const share = (all: readonly Rgb[], fits: (rgb: Rgb) => boolean) => all.filter(fits).length / all.length;
