import { shareOut } from '../units';
import {
  colourDifference,
  lightnessOf,
  mixedHair,
  tonedHair,
  undercoatHair,
  type HairColour,
  type Tone,
} from './hair-colour';

const { atan2, cos, exp, hypot, log, min, PI, sin } = Math;

/** A place in the warm–cool plane: OKLab's a and b. */
interface Plane {
  readonly a: number;
  readonly b: number;
}

/**
 * A deposit shade: its level, and what it lays over hair at full strength; clear lays nothing and dilutes.
 */
export interface Shade {
  readonly name: string;
  readonly level: number;
  readonly deposit: Plane | 'clear';
  /** A direct dye: it lies over what is there instead of only neutralising it. */
  readonly covers: boolean;
}

/**
 * Hues of the tones that shades are made in, degrees in the plane, and how much of it a shade lays: working
 * assumptions.
 */
export const DEPOSITS = {
  natural: { hueDeg: 70, chroma: 0.01 },
  ash: { hueDeg: 215, chroma: 0.06 },
  blue: { hueDeg: 250, chroma: 0.08 },
  violet: { hueDeg: 300, chroma: 0.075 },
  pearl: { hueDeg: 290, chroma: 0.045 },
  gold: { hueDeg: 85, chroma: 0.05 },
  copper: { hueDeg: 52, chroma: 0.08 },
  red: { hueDeg: 27, chroma: 0.1 },
  rose: { hueDeg: 8, chroma: 0.07 },
  pink: { hueDeg: 355, chroma: 0.1 },
  plum: { hueDeg: 325, chroma: 0.09 },
  turquoise: { hueDeg: 195, chroma: 0.08 },
  green: { hueDeg: 150, chroma: 0.09 },
  yellow: { hueDeg: 102, chroma: 0.11 },
} as const;

/** A direct dye lays so much more of its tone, and takes so much of what is under it. Working assumptions. */
const DIRECT = { lays: 1.8, covers: 0.75 } as const;
/** Of the way down to a darker shade, so much is taken. Working assumption. */
const DARKENS = 0.5;
export type DepositTone = keyof typeof DEPOSITS;

/** @param direct a direct dye, used without developer */
export function shadeOf(name: string, level: number, tone: DepositTone | 'clear', direct = false): Shade {
  if (tone === 'clear') return { name, level, deposit: 'clear', covers: false };
  const { hueDeg, chroma } = DEPOSITS[tone];
  return {
    name,
    level,
    deposit: planeOf({ lightness: 0, hueDeg, chroma: chroma * (direct ? DIRECT.lays : 1) }),
    covers: direct,
  };
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
  /** Share of direct dye in it, by weight. */
  readonly coverShare: number;
}

/** A toner of parts by weight. @throws RangeError when nothing is in it */
export function tonerOf(parts: readonly Part[]): Toner {
  const all = parts.reduce((sum, part) => sum + part.parts, 0);
  if (!(all > 0) || parts.some((part) => part.parts < 0))
    throw new RangeError('A toner needs parts of at least one shade.');
  const laying = parts.flatMap(({ shade, parts: weight }) =>
    shade.deposit === 'clear'
      ? []
      : [{ level: shade.level, deposit: shade.deposit, covers: shade.covers, weight }],
  );
  const weight = laying.reduce((sum, own) => sum + own.weight, 0);
  return {
    level: weight > 0 ? laying.reduce((sum, own) => sum + own.level * own.weight, 0) / weight : null,
    deposit: {
      a: laying.reduce((sum, own) => sum + own.deposit.a * own.weight, 0) / all,
      b: laying.reduce((sum, own) => sum + own.deposit.b * own.weight, 0) / all,
    },
    clearShare: 1 - weight / all,
    coverShare: laying.reduce((sum, own) => sum + (own.covers ? own.weight : 0), 0) / all,
  };
}

/** Grams of each shade and of developer for so much toner. Parts add up to the gram. */
export function tonerGrams(
  parts: readonly Part[],
  grams: number,
  ratio: number,
): {
  readonly shades: readonly { readonly shade: Shade; readonly grams: number }[];
  readonly developer: number;
} {
  if (!(ratio > 0))
    throw new RangeError('A ratio must be more than 0: so many grams of developer for one of toner.');
  const colour = Math.round(grams / (1 + ratio));
  const whole = shareOut(
    parts.map((part) => part.parts),
    colour,
  );
  return {
    shades: parts.map(({ shade }, i) => ({ shade, grams: whole[i] })),
    developer: Math.round(colour * ratio),
  };
}

type Balance = 'under' | 'just' | 'over';

/** What toning comes to (estimate). */
export interface Toned {
  readonly before: Plane;
  readonly after: Plane;
  readonly wished: Plane;
  /** How far on the warm side of the wish it ends, − on the cool side. */
  readonly warmth: number;
  readonly balance: Balance;
  /** The hair before and after, and as it was wished for. */
  readonly colours: { readonly before: HairColour; readonly after: HairColour; readonly wished: HairColour };
  /** How far from the wish it ends, and how far it was, as {@link colourDifference} counts. */
  readonly difference: number;
  readonly differenceBefore: number;
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

/** What is wished: a tone, or a colour. */
export type Wish = Tone | HairColour;

/** The colour that is wished for hair of a level. */
const wishedColour = (level: number, wish: Wish): HairColour =>
  typeof wish === 'string' ? tonedHair(level, wish) : wish;

/** Nearer than this to the wish nobody tells the difference: hundredths in OKLab. */
const TOLD_APART = 2;

/** Whether lifted hair is what is wished for already; how far from it, as {@link colourDifference} counts. */
export function needsNoToner(
  level: number,
  wish: Wish,
): { readonly needless: boolean; readonly difference: number } {
  const difference = colourDifference(undercoatHair(level), wishedColour(level, wish));
  return { needless: difference <= TOLD_APART, difference };
}

/** Where a toner takes lifted hair (estimate). */
export function toned(toner: Toner, { level, timeShare, porous }: TonedHair, wish: Wish): Toned {
  const hair = undercoatHair(level);
  const wishedHair = wishedColour(level, wish);
  const [before, wished] = [planeOf(hair), planeOf(wishedHair)];
  // A shade lighter than the hair hardly shows on it; a direct dye does, whatever its level.
  const match = toner.level === null ? 0 : exp(-Math.max(0, toner.level - level) * (1 - toner.coverShare));
  const share = min(1, timeShare) * match * (porous ? 1.25 : 1);
  const left = 1 - DIRECT.covers * min(1, toner.coverShare * share);
  const after = {
    a: before.a * left + toner.deposit.a * share,
    b: before.b * left + toner.deposit.b * share,
  };
  const warm = hypot(before.a, before.b) || 1;
  const warmth = ((after.a - wished.a) * before.a + (after.b - wished.b) * before.b) / warm;
  const darker =
    toner.level === null
      ? 0
      : min(0, lightnessOf(toner.level) - hair.lightness) * DARKENS * (1 - toner.clearShare);
  const afterHair = hairOf(hair.lightness + darker * min(1, share), after);
  const colours = { before: hair, after: afterHair, wished: wishedHair };
  return {
    before,
    after,
    wished,
    warmth,
    balance: warmth > JUST ? 'under' : warmth < -JUST ? 'over' : 'just',
    colours,
    difference: colourDifference(afterHair, wishedHair),
    differenceBefore: colourDifference(hair, wishedHair),
  };
}

/** A toner lasts about so many washes: by then a twentieth of it is left. */
export const TONER_WASHES = 20;
const LEFT_BY_THEN = 1 / 20;

/** Share of a toner that is left after some washes (estimate). */
export const tonerLeft = (washes: number): number => exp((log(LEFT_BY_THEN) * washes) / TONER_WASHES);

/** Toned hair after some washes: on its way back to what it was (estimate). */
export const fadedHair = (
  { colours: { before, after } }: Pick<Toned, 'colours'>,
  washes: number,
): HairColour => mixedHair(before, after, tonerLeft(washes));

function planeOf({ chroma, hueDeg }: HairColour): Plane {
  return { a: chroma * cos((hueDeg * PI) / 180), b: chroma * sin((hueDeg * PI) / 180) };
}

function hairOf(lightness: number, { a, b }: Plane): HairColour {
  return { lightness, chroma: hypot(a, b), hueDeg: ((atan2(b, a) * 180) / PI + 360) % 360 };
}
