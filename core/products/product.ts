import type { DepositTone, RootRule } from '../lift';

/** What everything in the range of a house has. */
interface Named {
  /** Short name that never changes: formulas of visits refer to it. */
  readonly id: string;
  readonly name: string;
  /** What the maker or the house says of it. */
  readonly note: string;
}

/** What every product of the house has. */
interface Stocked extends Named {
  /** A pack holds so many grams (foils: sheets), and costs so much, minor units. */
  readonly pack: number;
  readonly packMinor: number;
  /** What the house has, grams (foils: sheets). */
  readonly stock: number;
  /** As it is printed on the pack; digits and letters. */
  readonly barcode?: string;
}

/** Grams of developer for one gram of the product. */
export interface RatioRange {
  readonly least: number;
  readonly usual: number;
  readonly most: number;
}

/** Strengths of developer that the maker allows, volumes. */
export interface StrengthRange {
  readonly least: number;
  readonly most: number;
}

/** How a lightener is used, as makers tell them apart. */
export const USES = ['foil', 'openAir', 'scalp'] as const;
export type Use = (typeof USES)[number];
export const USE_WORDS: Readonly<Record<Use, string>> = {
  foil: 'in foil',
  openAir: 'in the open air',
  scalp: 'on the scalp',
};

/** Lightener, or high-lift colour used instead. */
export interface Lightener extends Stocked {
  readonly kind: 'lightener' | 'high-lift';
  readonly ratio: RatioRange;
  readonly volumes: StrengthRange;
  /** Longest that the maker allows by use, minutes; null where it is not made for that. */
  readonly minutes: Readonly<Record<Use, number | null>>;
  /**
   * Shortest that the maker wants it on, minutes: it is not ready before, whatever the level; 0 where the
   * level alone decides.
   */
  readonly leastMinutes?: number;
  /** What the maker gives as its usual time, minutes; left out where it gives none. */
  readonly usualMinutes?: number;
  /** Warmest that the maker allows, °C; 0 where it allows no added heat, left out where it does not say. */
  readonly warmestCelsius?: number;
  /** Lift against usual powder: 1 as quick, 0.8 a slow cream. */
  readonly speed: number;
  /** Lifts so many levels at most, and no further than a level. */
  readonly levels: number;
  readonly top: number;
}

export interface Developer extends Stocked {
  readonly kind: 'developer';
  readonly volumes: number;
}

/** A line of deposit colour; its shades refer to it. */
export interface DepositLine extends Stocked {
  readonly kind: 'line';
  readonly ratio: RatioRange;
  readonly volumes: StrengthRange;
  /**
   * From shortest to longest, minutes, and what is usual between them; the longest where the maker gives no
   * usual time.
   */
  readonly minutes: { readonly least: number; readonly usual?: number; readonly most: number };
  /** How this house mixes a root of it. */
  readonly root: RootRule;
  /**
   * Permanent colour: how many levels it lifts at most, and how quickly against usual powder; null where it
   * only deposits.
   */
  readonly lifts: { readonly levels: number; readonly speed: number } | null;
}

export interface ShadeProduct extends Stocked {
  readonly kind: 'shade';
  /** Id of its line. */
  readonly line: string;
  readonly level: number;
  readonly tone: DepositTone | 'clear';
}

/** What goes into a bowl beside lightener and developer. */
export interface Additive extends Stocked {
  readonly kind: 'additive';
  /** Grams for one gram of lightener, as the maker says. */
  readonly perGram: number;
  /** Thins the developer out, as water and barrier cream do. */
  readonly weakens: boolean;
  /** Weight of one drop from its bottle, g; left out where it has no dropper. */
  readonly dropGrams?: number;
}

export interface TreatmentProduct extends Stocked {
  readonly kind: 'treatment';
  /** Grams for one head. */
  readonly perUse: number;
}

export interface FoilProduct extends Stocked {
  readonly kind: 'foil';
  readonly widthMm: number;
  readonly lengthMm: number;
}

/** What a recipe of the house is for. */
export const RECIPE_USES = [
  'bleach-wash',
  'soap-cap',
  'wet-paint',
  'pre-tone',
  'spot',
  'treatment',
  'barrier',
] as const;
export type RecipeUse = (typeof RECIPE_USES)[number];
export const RECIPE_WORDS: Readonly<Record<RecipeUse, string>> = {
  'bleach-wash': 'Bleach wash',
  'soap-cap': 'Soap cap',
  'wet-paint': 'Paint on wet hair',
  'pre-tone': 'Violet wash',
  spot: 'Spot repair',
  treatment: 'Treatment',
  barrier: 'Barrier cream',
};

/**
 * A part of a recipe by weight: a product, or developer of a strength (volumes), poured from the bottles that
 * the house has.
 */
export type RecipePart =
  { readonly product: string; readonly parts: number } | { readonly volumes: number; readonly parts: number };

/**
 * A recipe of the house, by parts: what it takes, how much for the hair that it is put on, how long, and what
 * it costs the client.
 */
export interface HouseRecipe extends Named {
  readonly kind: 'recipe';
  readonly use: RecipeUse;
  readonly parts: readonly RecipePart[];
  /** Grams for one gram of the hair that it touches. */
  readonly perHairGram: number;
  readonly minutes: number;
  /** What it costs the client, minor units; 0 where it is in the service. */
  readonly priceMinor: number;
}

/** What is bought and kept in stock. */
export type StockedProduct =
  Lightener | Developer | DepositLine | ShadeProduct | Additive | TreatmentProduct | FoilProduct;
export type Product = StockedProduct | HouseRecipe;
export type ProductKind = Product['kind'];

/** Whether something is bought; a recipe is made of what is. */
export const isStocked = (product: Product): product is StockedProduct => product.kind !== 'recipe';

export const PRODUCT_KINDS = [
  'lightener',
  'high-lift',
  'developer',
  'line',
  'shade',
  'additive',
  'treatment',
  'foil',
  'recipe',
] as const satisfies readonly ProductKind[];
export const KIND_WORDS: Readonly<Record<ProductKind, readonly [one: string, many: string]>> = {
  lightener: ['Lightener', 'Lighteners'],
  'high-lift': ['High-lift colour', 'High-lift colours'],
  developer: ['Developer', 'Developers'],
  line: ['Deposit line', 'Deposit lines'],
  shade: ['Shade', 'Shades'],
  additive: ['Additive', 'Additives'],
  treatment: ['Treatment', 'Treatments'],
  foil: ['Foil', 'Foils'],
  recipe: ['Recipe', 'Recipes'],
};

/** The products of some kinds, in their order. */
export function productsOf<K extends ProductKind>(
  range: readonly Product[],
  ...kinds: readonly K[]
): Extract<Product, { kind: K }>[] {
  return range.filter((product): product is Extract<Product, { kind: K }> =>
    (kinds as readonly ProductKind[]).includes(product.kind),
  );
}

/** What cannot be true of a range as a whole: each problem with the index of the product it is seen at. */
export function rangeProblems(
  range: readonly Product[],
): { readonly at: number; readonly field: string; readonly problem: string }[] {
  const out: { at: number; field: string; problem: string }[] = [];
  const lines = new Set(productsOf(range, 'line').map(({ id }) => id));
  const seen = new Map<string, number>();
  const codes = new Map<string, number>();
  const ids = new Set(range.map(({ id }) => id));
  range.forEach((product, at) => {
    const first = seen.get(product.id);
    if (first !== undefined)
      out.push({ at, field: 'id', problem: `“${product.id}” is the id of ${range[first].name} already` });
    else seen.set(product.id, at);
    if (product.kind === 'shade' && !lines.has(product.line))
      out.push({
        at,
        field: 'line',
        problem: `${product.name} belongs to the line “${product.line}”, which this house does not have`,
      });
    if (
      'ratio' in product &&
      !(product.ratio.least <= product.ratio.usual && product.ratio.usual <= product.ratio.most)
    ) {
      out.push({ at, field: 'ratio', problem: 'the usual ratio must lie between the least and the most' });
    }
    if (
      'volumes' in product &&
      typeof product.volumes === 'object' &&
      product.volumes.least > product.volumes.most
    ) {
      out.push({ at, field: 'volumes', problem: 'the least strength must not be above the most' });
    }
    if (product.kind === 'line' && product.minutes.least > product.minutes.most)
      out.push({ at, field: 'minutes', problem: 'the shortest time must not be above the longest' });
    if (
      product.kind === 'line' &&
      product.minutes.usual !== undefined &&
      (product.minutes.usual < product.minutes.least || product.minutes.usual > product.minutes.most)
    )
      out.push({
        at,
        field: 'minutes',
        problem: 'the usual time must lie between the shortest and the longest',
      });
    if (product.kind === 'recipe') {
      const missing = product.parts.find((part) => 'product' in part && !ids.has(part.product));
      if (missing && 'product' in missing)
        out.push({
          at,
          field: 'parts',
          problem: `${product.name} takes “${missing.product}”, which this house does not have`,
        });
    }
    if ('barcode' in product && product.barcode) {
      const other = codes.get(product.barcode);
      if (other !== undefined)
        out.push({
          at,
          field: 'barcode',
          problem: `“${product.barcode}” is the barcode of ${range[other].name} already`,
        });
      else codes.set(product.barcode, at);
    }
  });
  return out;
}
