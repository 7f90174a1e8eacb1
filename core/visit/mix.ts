import type { Product, RecipePart, RecipeUse, Shelf } from '../products';
import type { HairColour } from '../lift';
import type { AmountUnit } from '../units';
import type { VisitClock } from './clock';
import type { ColourPlace } from './place';

/**
 * How an additive is measured: grams for one gram of lightener or colour, drops for ten grams of it, or per
 * cent of it and its developer together.
 */
export const ADDED_UNITS = ['g', 'drops', '%'] as const;
export type AddedUnit = (typeof ADDED_UNITS)[number];

/** An additive in a bowl. */
export interface Added {
  readonly product: string;
  readonly amount: number;
  readonly unit: AddedUnit;
}

/** A lightener in a formula, in parts by weight. */
interface LightenerPart {
  readonly product: string;
  readonly parts: number;
}

/** Warmth that is added, for the last minutes before the product comes off, or all the time (null). */
export interface Warmth {
  readonly celsius: number;
  readonly lastMinutes: number | null;
}

/**
 * The same foils opened, wiped and painted again with a fresh mix of the same products, so many minutes after
 * they were closed.
 */
export interface SecondApplication {
  readonly volumes: number;
  readonly ratio: number;
  readonly afterMinutes: number;
}

/** A weaker (or stronger) mix for the last stretch of the hair. */
interface EndsMix {
  readonly volumes: number;
  readonly ratio: number;
  /** Length of it, mm from the tips. */
  readonly lastMm: number;
}

/** A formula that lifts. Products by their ids. */
export interface LiftFormula {
  readonly kind: 'lift';
  /** By parts; at least one. */
  readonly lighteners: readonly LightenerPart[];
  /** Strength of the developer before anything weakens it, volumes. */
  readonly volumes: number;
  /** Developers that it is blended from; null takes those of the house that lie nearest. */
  readonly bottles: readonly string[] | null;
  /** Grams of developer for one of all lighteners. */
  readonly ratio: number;
  readonly additives: readonly Added[];
  readonly ends: EndsMix | null;
  readonly second: SecondApplication | null;
  /** Level that it is to reach; null takes the one wished for. */
  readonly target: number | null;
  readonly warmth: Warmth | null;
  readonly reach: Reach;
}

/**
 * How far along the hair it is painted: to the ends, only what has grown since, or a stretch in mm from the
 * scalp.
 */
export type Reach = 'ends' | 'regrowth' | { readonly fromMm: number; readonly toMm: number };

export interface ShadePart {
  readonly shade: string;
  /** By weight. */
  readonly parts: number;
}

/** Another colour of the same line for the last stretch of the hair, such as ends that are only refreshed. */
export interface ColourEnds {
  readonly parts: readonly ShadePart[];
  readonly volumes: number;
  readonly ratio: number;
  /** Length of it, mm from the tips. */
  readonly lastMm: number;
  /** Minutes that it is on: it is put on so much before the rest is done. */
  readonly minutes: number;
}

/** What every colour has, whether it only deposits or lifts as well. */
interface Colour {
  readonly line: string;
  readonly parts: readonly ShadePart[];
  readonly volumes: number;
  /** Grams of developer for one of colour; 0 for a direct line that needs none. */
  readonly ratio: number;
  readonly additives: readonly Added[];
  readonly minutes: number;
  readonly reach: Reach;
  readonly ends: ColourEnds | null;
}

/** A formula that deposits: lowlights. */
export interface DepositFormula extends Colour {
  readonly kind: 'deposit';
}

/** Permanent colour: it lifts to the level of its shades and deposits at once. */
export interface PermanentFormula extends Colour {
  readonly kind: 'permanent';
}

export type Formula = LiftFormula | DepositFormula | PermanentFormula;

export const HAIR_STATES = ['dry', 'damp', 'treated'] as const;
export type HairState = (typeof HAIR_STATES)[number];
export const HAIR_STATE_WORDS: Readonly<Record<HairState, string>> = {
  dry: 'on dry hair',
  damp: 'on damp hair',
  treated: 'under a treatment',
};

/** A toner; several are put on in the order that they stand in. */
export interface VisitToner {
  readonly id: string;
  readonly place: ColourPlace;
  readonly line: string;
  readonly parts: readonly ShadePart[];
  /** Mixed in all, g. */
  readonly grams: number;
  /** Grams of developer for one of colour. */
  readonly ratio: number;
  readonly volumes: number;
  readonly minutes: number;
  readonly state: HairState;
  /** Colour that it is to come to; null goes by the tone that was wished for. */
  readonly target?: HairColour | null;
}

/** Root colour: a shadow all over, or a tap on some of the roots. */
export interface RootMix {
  readonly id: string;
  readonly place: ColourPlace;
  /** How far it is drawn down, mm from the scalp. */
  readonly mm: number;
  readonly line: string;
  /** Own parts and levels; null goes by the house's rule for the line. */
  readonly rule: { readonly natural: number; readonly ash: number; readonly levels: number } | null;
  readonly grams: number;
  readonly ratio: number;
  readonly volumes: number;
  readonly minutes: number;
  readonly state: HairState;
}

/**
 * A recipe of the house as this visit uses it: a wash, paint on wet hair, a spot, a treatment, barrier cream.
 * Its parts are
 * its own from here on.
 */
export interface Correction {
  readonly id: string;
  readonly use: RecipeUse;
  /** Recipe of the house that it was taken from: its price is charged; null for one without. */
  readonly recipe: string | null;
  readonly name: string;
  readonly parts: readonly RecipePart[];
  /** Mixed in all, g; null goes by the hair that it touches. */
  readonly grams: number | null;
  readonly minutes: number;
  /** Level of the hair that it goes on, or for a spot the one that it is to match. */
  readonly level: number;
  readonly place: ColourPlace;
}

/** A level read on a strand of this client. */
interface MixTest {
  readonly formula: string;
  readonly minutes: number;
  readonly level: number;
  /** Natural level of the strand. */
  readonly from: number;
}

/** One thing weighed: which bowl, what, and what the scale (or a hand) said. */
interface Weighing {
  /** Bowl and part, such as `A 1/powder`. */
  readonly item: string;
  readonly grams: number;
  readonly by: 'scale' | 'hand';
}

interface Used {
  readonly grams: number;
  /** Estimate without anybody's own use in it, g. */
  readonly predicted: number;
}

/** What is agreed, paid and owed. Minor units. */
export interface VisitMoney {
  /** Ids of add-ons of the house. */
  readonly addOns: readonly string[];
  /** What was agreed, with the day that it was agreed on. */
  readonly agreed: { readonly minor: number; readonly on: string } | null;
  readonly payments: readonly {
    readonly what: 'deposit' | 'payment' | 'tip';
    readonly minor: number;
    readonly on: string;
    readonly how: string;
  }[];
}

/** Everything that is mixed at a visit, and what it comes to. */
export interface VisitMix {
  readonly version: 4;
  /**
   * Products as they were when this visit used them: what a house changes later does not change what was
   * done.
   */
  readonly products: readonly Product[];
  /** By letter. A letter of the plan that is missing goes by the usual formula. */
  readonly formulas: Readonly<Record<string, Formula>>;
  readonly bowl: { readonly mostGrams: number; readonly usefulMinutes: number };
  readonly tests: readonly MixTest[];
  readonly toners: readonly VisitToner[];
  readonly roots: readonly RootMix[];
  readonly corrections: readonly Correction[];
  readonly weighed: readonly Weighing[];
  /**
   * Grams that a formula took in all, read when it was done, beside the plain estimate: one's own use is
   * learnt from it.
   */
  readonly used: Readonly<Record<string, Used>>;
  /** In what amounts are said; null as the house has it. And what a scoop of powder holds, g. */
  readonly unit: AmountUnit | null;
  readonly scoopGrams: number;
  readonly money: VisitMoney;
  /** What was decided about the order of work. */
  readonly clock: VisitClock;
}

/**
 * The formula that a letter goes by until one is chosen: the first lightener, usual ratio, 20 volumes; null
 * without a lightener.
 */
export function usualFormula(shelf: Shelf, volumes = 20): LiftFormula | null {
  const lightener = shelf.lighteners[0];
  if (!lightener) return null;
  const within = Math.min(lightener.volumes.most, Math.max(lightener.volumes.least, volumes));
  return {
    kind: 'lift',
    lighteners: [{ product: lightener.id, parts: 1 }],
    volumes: within,
    bottles: null,
    ratio: lightener.ratio.usual,
    additives: [],
    ends: null,
    second: null,
    target: null,
    warmth: null,
    reach: 'ends',
  };
}

/**
 * The lowlight that a letter goes by until one is chosen: natural of the first line, at the level of the
 * hair; null where the house has no such shade.
 */
export function usualDeposit(shelf: Shelf, naturalLevel: number): DepositFormula | null {
  for (const line of shelf.lines.filter(({ lifts }) => lifts === null)) {
    const [shade] = shelf
      .shadesOf(line.id)
      .filter(({ tone }) => tone === 'natural')
      .sort((a, b) => Math.abs(a.level - naturalLevel) - Math.abs(b.level - naturalLevel));
    if (shade)
      return {
        kind: 'deposit',
        line: line.id,
        parts: [{ shade: shade.id, parts: 1 }],
        volumes: line.volumes.least,
        ratio: line.ratio.usual,
        additives: [],
        minutes: line.minutes.usual ?? line.minutes.most,
        reach: 'ends',
        ends: null,
      };
  }
  return null;
}

/** Ids of the products that a mix uses. */
function productsUsed(mix: VisitMix): Set<string> {
  const out = new Set<string>();
  const shades = (line: string, parts: readonly ShadePart[]) => {
    out.add(line);
    for (const { shade } of parts) out.add(shade);
  };
  for (const formula of Object.values(mix.formulas)) {
    if (formula.kind !== 'lift') shades(formula.line, [...formula.parts, ...(formula.ends?.parts ?? [])]);
    else {
      for (const { product } of formula.lighteners) out.add(product);
      for (const id of formula.bottles ?? []) out.add(id);
    }
    for (const { product } of formula.additives) out.add(product);
  }
  for (const { line, parts } of mix.toners) shades(line, parts);
  for (const { line } of mix.roots) out.add(line);
  for (const { recipe, parts } of mix.corrections) {
    if (recipe !== null) out.add(recipe);
    for (const part of parts) if ('product' in part) out.add(part.product);
  }
  return out;
}

/**
 * The mix with the products that it uses kept in it as they are now; those kept already stay as they were.
 */
export function withProducts(mix: VisitMix, range: readonly Product[]): VisitMix {
  const used = productsUsed(mix);
  const kept = mix.products.filter(({ id }) => used.has(id));
  const known = new Set(kept.map(({ id }) => id));
  const added = range.filter(({ id }) => used.has(id) && !known.has(id));
  return added.length === 0 && kept.length === mix.products.length
    ? mix
    : { ...mix, products: [...kept, ...added] };
}

/** What a mix is found by: names of its products, strengths and where; small letters. */
export function mixWords(mix: VisitMix): string {
  const names = new Map(mix.products.map(({ id, name }) => [id, name]));
  const name = (id: string) => names.get(id) ?? id;
  const shades = (line: string, parts: readonly ShadePart[]) =>
    [name(line), ...parts.map(({ shade }) => name(shade))].join(' ');
  return [
    ...Object.entries(mix.formulas).map(([letter, own]) =>
      own.kind !== 'lift'
        ? `formula ${letter} ${shades(own.line, own.parts)} ${own.volumes} vol`
        : `formula ${letter} ${[...own.lighteners, ...own.additives].map(({ product }) => name(product)).join(' ')} ${own.volumes} vol`,
    ),
    ...mix.toners.map(({ line, parts }) => `toner ${shades(line, parts)}`),
    ...mix.roots.map(({ line }) => `root colour ${name(line)}`),
    ...mix.corrections.map(({ name: what, parts }) =>
      [what, ...parts.flatMap((part) => ('product' in part ? [name(part.product)] : []))].join(' '),
    ),
  ]
    .join(' · ')
    .toLowerCase();
}

/** The root colour that shades all roots; undefined where none does. */
export const shadowOf = ({ roots }: Pick<VisitMix, 'roots'>): RootMix | undefined =>
  roots.find(
    ({ place: { zones, side, frontMm } }) => zones.length === 0 && side === 'both' && frontMm === null,
  );
