import { shareOut } from '../units';
import { naturalHair, tonedHair, undercoatHair, type HairColour, type Tone } from './hair-colour';

const { cos, exp, hypot, min, PI, sin } = Math;

/** A place in the warm–cool plane: OKLab's a and b. */
export interface Plane {
  readonly a: number;
  readonly b: number;
}

/** A deposit shade: its level, and what it lays over hair at full strength; clear lays nothing and dilutes. */
export interface Shade {
  readonly name: string;
  readonly level: number;
  readonly deposit: Plane | 'clear';
}

/** Hues of the tones that shades are made in, degrees in the plane, and how much of it a shade lays: working assumptions. */
export const DEPOSITS = {
  natural: { hueDeg: 70, chroma: 0.01 },
  ash: { hueDeg: 215, chroma: 0.06 },
  blue: { hueDeg: 250, chroma: 0.08 },
  violet: { hueDeg: 300, chroma: 0.075 },
  pearl: { hueDeg: 290, chroma: 0.045 },
  gold: { hueDeg: 85, chroma: 0.05 },
  copper: { hueDeg: 52, chroma: 0.08 },
} as const;
export type DepositTone = keyof typeof DEPOSITS;

export function shadeOf(name: string, level: number, tone: DepositTone | 'clear'): Shade {
  return { name, level, deposit: tone === 'clear' ? 'clear' : planeOf({ lightness: 0, ...DEPOSITS[tone] }) };
}

export interface Part {
  readonly shade: Shade;
  /** By weight. */
  readonly parts: number;
}

export interface Toner {
  /** Mean of what lays colour, by weight; null for clear alone. */
  readonly level: number | null;
  /** What the mixture lays: weaker the more clear is in it. */
  readonly deposit: Plane;
  readonly clearShare: number;
}

/** A toner of parts by weight. @throws RangeError when nothing is in it */
export function tonerOf(parts: readonly Part[]): Toner {
  const all = parts.reduce((sum, own) => sum + own.parts, 0);
  if (!(all > 0) || parts.some((own) => own.parts < 0)) throw new RangeError('A toner needs parts of at least one shade.');
  const laying = parts.flatMap(({ shade, parts: weight }) => (shade.deposit === 'clear' ? [] : [{ level: shade.level, deposit: shade.deposit, weight }]));
  const weight = laying.reduce((sum, own) => sum + own.weight, 0);
  return {
    level: weight > 0 ? laying.reduce((sum, own) => sum + own.level * own.weight, 0) / weight : null,
    deposit: { a: laying.reduce((sum, own) => sum + own.deposit.a * own.weight, 0) / all, b: laying.reduce((sum, own) => sum + own.deposit.b * own.weight, 0) / all },
    clearShare: 1 - weight / all,
  };
}

/** Grams of each shade and of developer for so much toner. Parts add up to the gram. */
export function tonerGrams(parts: readonly Part[], grams: number, ratio: number): { readonly shades: readonly { readonly shade: Shade; readonly grams: number }[]; readonly developer: number } {
  if (!(ratio > 0)) throw new RangeError('A ratio must be more than 0: so many grams of developer for one of toner.');
  const colour = Math.round(grams / (1 + ratio));
  const whole = shareOut(parts.map((own) => own.parts), colour);
  return { shades: parts.map(({ shade }, i) => ({ shade, grams: whole[i] })), developer: Math.round(colour * ratio) };
}

export type Balance = 'under' | 'just' | 'over';

/** What toning comes to (estimate). */
export interface Toned {
  readonly before: Plane;
  readonly after: Plane;
  readonly wished: Plane;
  /** How far on the warm side of the wish it ends, − on the cool side. */
  readonly warmth: number;
  readonly balance: Balance;
}

/** Nearer than this to the wish is just right; a tone is told from the next at about so much. */
const JUST = 0.02;

export interface TonedHair {
  /** Level that the hair was lifted to. */
  readonly level: number;
  /** Of the time that the toner runs for, 0–1. */
  readonly timeShare: number;
  /** Porous hair takes more at once. */
  readonly porous: boolean;
}

/** Where a toner takes lifted hair in the warm–cool plane. */
export function toned(toner: Toner, { level, timeShare, porous }: TonedHair, tone: Tone): Toned {
  const before = planeOf(undercoatHair(level));
  const wished = planeOf(tonedHair(level, tone));
  // A shade lighter than the hair hardly shows on it.
  const match = toner.level === null ? 0 : exp(-Math.max(0, toner.level - level));
  const share = min(1, timeShare) * match * (porous ? 1.25 : 1);
  const after = { a: before.a + toner.deposit.a * share, b: before.b + toner.deposit.b * share };
  const warm = hypot(before.a, before.b) || 1;
  const warmth = ((after.a - wished.a) * before.a + (after.b - wished.b) * before.b) / warm;
  return { before, after, wished, warmth, balance: warmth > JUST ? 'under' : warmth < -JUST ? 'over' : 'just' };
}

function planeOf({ chroma, hueDeg }: HairColour): Plane {
  return { a: chroma * cos((hueDeg * PI) / 180), b: chroma * sin((hueDeg * PI) / 180) };
}

/** Neutral hair of a level in the plane: what lies between warm and cool. */
export const neutralPlane = (level: number): Plane => planeOf(naturalHair(level));
