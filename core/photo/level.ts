import { naturalHair } from '../lift';
import { LEVEL_MAX, LEVEL_MIN } from '../units';

/** Colour of a pixel, 0–255 each, sRGB. */
export type Rgb = readonly [number, number, number];

/** What in the picture is known to be neutral, and how much of the light it gives back. */
export const REFERENCES = {
  /** Photographic grey cards give back 18 % of the light. */
  'grey-card': { words: 'Grey card', reflectance: 0.18 },
  /** A sheet of white paper; white-coated foil is near it. Working assumption. */
  white: { words: 'White foil or paper', reflectance: 0.85 },
} as const;
export type Reference = keyof typeof REFERENCES;

const linear = (value: number) => (value <= 10.31475 ? value / 3294.6 : ((value / 255 + 0.055) / 1.055) ** 2.4);

/** Relative luminance of sRGB, 0–1 (Rec. 709 weights). */
const luminance = ([r, g, b]: Rgb) => 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);

export interface LevelEstimate {
  readonly level: number;
  /** Standard deviation, levels. */
  readonly sd: number;
}

/** Light, angle and shine move a level by this much even beside a reference: working assumption until strand tests say otherwise. */
const PICTURE_SD = 0.7;

/**
 * Level of hair in a picture, by its lightness beside a reference in the same light. An estimate with its spread, never
 * more: shine, shadow and the camera's own corrections stay in it.
 * @param hair pixels of the sampled hair
 * @param reference pixels of the reference patch
 * @returns a sentence instead when the patch cannot be used
 */
export function levelInPhoto(hair: readonly Rgb[], reference: readonly Rgb[], kind: Reference): { ok: true; value: LevelEstimate } | { ok: false; problem: string } {
  if (hair.length === 0 || reference.length === 0) return { ok: false, problem: 'Sample the hair and the reference first.' };
  if (share(reference, (rgb) => Math.max(...rgb) >= 254) > 0.2) return { ok: false, problem: 'The reference is burnt out to white in this picture: take it again with less light.' };
  const light = median(reference.map(luminance));
  if (light < 0.01) return { ok: false, problem: 'The reference is too dark in this picture.' };
  // What the hair gives back of the light that falls on it; the cube root is OKLab's lightness of a near-neutral colour.
  const lightnesses = hair.map((rgb) => Math.cbrt(Math.min(1, (luminance(rgb) / light) * REFERENCES[kind].reflectance)));
  const levels = lightnesses.map(levelOfLightness);
  const level = levelOfLightness(median(lightnesses));
  const uneven = Math.sqrt(levels.reduce((sum, own) => sum + (own - level) ** 2, 0) / levels.length);
  return { ok: true, value: { level: Math.round(level * 2) / 2, sd: Math.hypot(PICTURE_SD, uneven / 2) } };
}

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
