import { recipeItems, type ItemsRead } from '../bowl';
import type { Zone } from '../head';
import { levelAfter, LIFT_FACTORS, onThisHead, type HeadFactor } from '../lift';
import { RECIPE_WORDS, type HouseRecipe, type RecipePart, type RecipeUse, type Shelf } from '../products';
import { EVERYWHERE, type ColourPlace, type Correction } from '../visit';
import { hairAt, type HeadHair } from './hair-at';

/** What a recipe of the house comes to on this head, and what it is expected to do. */
export interface CorrectionResult {
  readonly items: ItemsRead;
  /** Grams that are mixed, and the hair that they are for; null where the amount was said. */
  readonly grams: number;
  readonly hairGrams: number | null;
  /** Strength that reaches the hair, volumes; 0 where nothing develops. */
  readonly volumes: number;
  /** Level expected at the end of its time; null where nothing lifts. */
  readonly level: number | null;
  /** What it costs the client, minor units. */
  readonly priceMinor: number;
  readonly notes: readonly string[];
}

/** What amounts and levels of corrections go by. */
export interface CorrectionFacts {
  readonly shelf: Shelf;
  readonly head: HeadFactor;
  readonly hair: HeadHair;
  /** Zones that are lifted today, or were before: washes and paint go on them. */
  readonly lifted: ReadonlySet<Zone>;
}

/**
 * How each use is worked: where it usually goes, whether only lifted hair is meant, how long it may stay, and
 * what is said of it.
 */
const USES: Readonly<
  Record<
    RecipeUse,
    { readonly place: ColourPlace; readonly lifted: boolean; readonly most: number; readonly note: string }
  >
> = {
  'bleach-wash': {
    place: { ...EVERYWHERE, lengths: ['ends'] },
    lifted: true,
    most: 20,
    note: 'On wet hair; work fast and watch it: it is rinsed on colour, not on the clock.',
  },
  'soap-cap': {
    place: { ...EVERYWHERE, lengths: ['mids', 'ends'] },
    lifted: true,
    most: 15,
    note: 'On wet hair, worked in like a shampoo; watch it all the time.',
  },
  'wet-paint': {
    place: { ...EVERYWHERE, lengths: ['ends'] },
    lifted: true,
    most: 20,
    note: 'Painted on wet, treated hair; look every few minutes.',
  },
  'pre-tone': {
    place: { ...EVERYWHERE, lengths: ['mids', 'ends'] },
    lifted: false,
    most: 10,
    note: 'At the basin; rinse as soon as the yellow is gone.',
  },
  spot: {
    place: { ...EVERYWHERE, words: 'one spot' },
    lifted: false,
    most: 10,
    note: 'In a foil, only on the spot; look after a minute or two.',
  },
  treatment: { place: EVERYWHERE, lifted: false, most: 30, note: '' },
  barrier: {
    place: { ...EVERYWHERE, lengths: ['roots'] },
    lifted: false,
    most: 240,
    note: 'Just below the teasing, before the lightener.',
  },
};

/** A spot takes so much, g: it is no matter of how long the hair is. */
const SPOT_GRAMS = 15;

/**
 * A recipe of the house as a visit begins with it.
 * @param level of the hair that it goes on, or for a spot the one to match
 */
export function usualCorrection(
  id: string,
  { id: recipe, use, name, parts, minutes }: HouseRecipe,
  level: number,
): Correction {
  return {
    id,
    use,
    recipe,
    name,
    parts,
    grams: use === 'spot' ? SPOT_GRAMS : null,
    minutes,
    level,
    place: USES[use].place,
  };
}

/**
 * What is mixed where nobody said how much and the recipe is gone from the house, g of mix for one of hair.
 */
const USUAL_PER_HAIR_GRAM = 1.5;
/** Nothing smaller is mixed, g. */
const LEAST_GRAMS = 10;

export function correctionResult(
  correction: Correction,
  { shelf, head, hair, lifted }: CorrectionFacts,
): CorrectionResult {
  const recipe = shelf.recipes().find(({ id }) => id === correction.recipe);
  const use = USES[correction.use];
  const hairGrams =
    correction.grams === null ? hairAt(correction.place, hair, use.lifted ? lifted : undefined) : null;
  const grams =
    correction.grams ??
    Math.max(LEAST_GRAMS, Math.round(hairGrams! * (recipe?.perHairGram ?? USUAL_PER_HAIR_GRAM)));
  const { read, volumes } = recipeItems(correction.parts, grams, correction.level, shelf);
  const notes = use.note === '' ? [] : [use.note];
  if (correction.minutes > use.most)
    notes.push(
      `${correction.minutes} min is long for a ${RECIPE_WORDS[correction.use].toLowerCase()}: ${use.most} min is the most that is usual.`,
    );
  const match = correction.use === 'spot' ? meanLevel(correction.parts, correction.level, shelf) : null;
  if (match !== null && Math.abs(match - correction.level) > 0.5)
    notes.push(
      `Its level ${Math.round(match * 10) / 10} does not match the level of the hair beside it, ${correction.level}.`,
    );
  return {
    items: read,
    grams,
    hairGrams,
    volumes,
    level: levelOf(correction, volumes, shelf, head),
    priceMinor: recipe?.priceMinor ?? 0,
    notes,
  };
}

/**
 * In the open, on wet hair, and thinned: estimated as painting in the open air. null where nothing in it
 * lifts.
 */
function levelOf(
  { parts, level, minutes }: Correction,
  volumes: number,
  shelf: Shelf,
  head: HeadFactor,
): number | null {
  const lighteners = parts.flatMap((part) => {
    const product = 'product' in part ? shelf.lightener(part.product) : undefined;
    return product ? [{ product, parts: part.parts }] : [];
  });
  const all = lighteners.reduce((sum, lightener) => sum + lightener.parts, 0);
  if (!(all > 0) || !(volumes > 0)) return null;
  const mean = (of: (lightener: (typeof lighteners)[number]['product']) => number) =>
    lighteners.reduce((sum, lightener) => sum + (lightener.parts / all) * of(lightener.product), 0);
  const mix = {
    volumes,
    factor: LIFT_FACTORS.openAir * mean(({ speed }) => speed),
    most: { levels: mean(({ levels }) => levels), top: mean(({ top }) => top) },
  };
  return levelAfter(level, onThisHead(mix, head.factor), minutes);
}

/**
 * Level of the shades among some parts; a line stands for its natural shade nearest to the level. null
 * without shades.
 */
function meanLevel(parts: readonly RecipePart[], level: number, shelf: Shelf): number | null {
  const shades = parts.flatMap((part) => {
    if (!('product' in part)) return [];
    const named = shelf.find(part.product);
    if (named?.kind === 'shade') return [{ level: named.level, parts: part.parts }];
    if (named?.kind !== 'line') return [];
    const natural = shelf.shadesOf(named.id).filter(({ tone }) => tone === 'natural');
    if (natural.length === 0) return [];
    const nearest = natural.reduce((a, b) => (Math.abs(b.level - level) < Math.abs(a.level - level) ? b : a));
    return [{ level: nearest.level, parts: part.parts }];
  });
  const all = shades.reduce((sum, shade) => sum + shade.parts, 0);
  return all > 0 ? shades.reduce((sum, shade) => sum + shade.level * shade.parts, 0) / all : null;
}
