import type { Result } from '../units';
import type { LiftOf } from '../lift';
import type { Lightener, Shelf, Use } from '../products';
import type {
  Added,
  DepositFormula,
  Formula,
  LiftFormula,
  PermanentFormula,
  Reach,
  SecondApplication,
  Warmth,
} from '../visit';
import { addedGrams } from './added';
import { blended } from './developer';
import { levelOfShades } from './shades';

/** What a formula's letter stands for in the bowl. */
export interface Recipe {
  /** Strength that reaches the hair, volumes: what weakens the developer is in it. */
  readonly volumes: number;
  /** Grams of developer for one of all lighteners (or of colour); 0 without. */
  readonly ratio: number;
  /** Grams of everything else for one of lightener or colour. */
  readonly extra?: number;
  /** Factor of the product on the lift, 1 usual; and where it ends. */
  readonly product?: number;
  readonly most?: LiftOf['most'];
  readonly warmth?: Warmth | null;
  /** Longest that the maker allows, minutes: in foil, and in the open air where that differs. */
  readonly limitMinutes: number;
  readonly openAirMinutes?: number;
  /** Level that it is to reach; null takes the one wished for. */
  readonly target?: number | null;
  /** The mix on the last stretch of the same strands. */
  readonly ends?: {
    readonly volumes: number;
    readonly ratio: number;
    readonly extra: number;
    readonly lastMm: number;
  } | null;
  /** The mix with which the same foils are painted again. */
  readonly second?: (SecondApplication & { readonly extra: number }) | null;
  readonly reach?: Reach;
  /**
   * What lays colour is done after its own time; null for lightener, which is done when the level is there.
   */
  readonly minutes?: number | null;
  /** It is not ready before, minutes, whatever the level. */
  readonly leastMinutes?: number;
  /** Whether it lifts the hair at all: lightener and permanent colour do. */
  readonly lifts: boolean;
}

/**
 * It is not ready before, minutes: what the maker wants, or the time of a colour; 0 where the level alone
 * decides.
 */
export const leastMinutesOf = ({ leastMinutes, minutes }: Recipe): number => leastMinutes ?? minutes ?? 0;

export type RecipeRead = Result<{ readonly recipe: Recipe }>;

/** Longest time where a maker gives none for a use: the shorter of the others, and a sentence says so. */
const limitFor = ({ minutes }: Lightener, use: Use): number =>
  minutes[use] ?? Math.min(...Object.values(minutes).filter((value) => value !== null), 45);

/** Strength of a developer thinned by what stands beside it in the bowl. */
export function strengthOf(volumes: number, ratio: number, weakening: number): number {
  return blended([
    { volumes, grams: ratio },
    { volumes: 0, grams: weakening },
  ]);
}

/** A formula as the computation takes it. */
export function recipeOf(formula: Formula, shelf: Shelf): RecipeRead {
  const problem = addedProblem(formula.additives, shelf);
  if (problem !== null) return { ok: false, problem };
  return formula.kind === 'lift' ? liftRecipe(formula, shelf) : colourRecipe(formula, shelf);
}

/** A lightener of a formula with its share of all of them, 0–1. */
export interface SharedLightener {
  readonly product: Lightener;
  readonly share: number;
}

/** Lighteners of a formula and their shares, or why they cannot be mixed. */
export function lightenersOf(
  { lighteners }: Pick<LiftFormula, 'lighteners'>,
  shelf: Shelf,
): readonly SharedLightener[] | string {
  const all = lighteners.reduce((sum, { parts }) => sum + parts, 0);
  if (!(all > 0)) return 'it needs parts of at least one lightener';
  const out: SharedLightener[] = [];
  for (const { product: id, parts } of lighteners) {
    const product = shelf.lightener(id);
    if (!product) return `the lightener “${id}” is not in the house`;
    out.push({ product, share: parts / all });
  }
  return out;
}

/** Several lighteners lift by their shares, and no longer than the strictest of their makers allows. */
function liftRecipe(formula: LiftFormula, shelf: Shelf): RecipeRead {
  const read = lightenersOf(formula, shelf);
  if (typeof read === 'string') return { ok: false, problem: read };
  const mean = (of: (lightener: Lightener) => number) =>
    read.reduce((sum, { product, share }) => sum + share * of(product), 0);
  const limit = (use: Use) => Math.min(...read.map(({ product }) => limitFor(product, use)));
  const leastMinutes = Math.max(...read.map(({ product }) => product.leastMinutes ?? 0));
  const of = ({ volumes, ratio }: { readonly volumes: number; readonly ratio: number }) => {
    const { extra, weakening } = besides(formula.additives, ratio, shelf);
    return { volumes: strengthOf(volumes, ratio, weakening), ratio, extra };
  };
  const { ends, second, target, warmth, reach } = formula;
  return {
    ok: true,
    recipe: {
      lifts: true,
      minutes: null,
      ...of(formula),
      product: mean(({ speed }) => speed),
      most: { levels: mean(({ levels }) => levels), top: mean(({ top }) => top) },
      ...(leastMinutes > 0 && { leastMinutes }),
      limitMinutes: limit('foil'),
      openAirMinutes: limit('openAir'),
      target,
      warmth,
      reach,
      ends: ends && { lastMm: ends.lastMm, ...of(ends) },
      second: second && { afterMinutes: second.afterMinutes, ...of(second) },
    },
  };
}

/** What only deposits may stay so much longer than it is meant to, minutes. Working assumption. */
const DEPOSIT_SPARE = 10;

/**
 * Colour stays for its own time, and no longer than the maker's longest; permanent colour lifts to the level
 * of its shades meanwhile.
 */
function colourRecipe(
  {
    kind,
    line: id,
    parts,
    volumes: poured,
    ratio,
    additives,
    minutes,
    reach,
    ends,
  }: DepositFormula | PermanentFormula,
  shelf: Shelf,
): RecipeRead {
  const line = shelf.line(id);
  if (!line) return { ok: false, problem: `the line “${id}” is not in the house` };
  if (kind === 'permanent' && line.lifts === null)
    return {
      ok: false,
      problem: `${line.name} only deposits: choose a permanent line, or make it a lowlight`,
    };
  const { extra, weakening } = besides(additives, ratio, shelf);
  const volumes = ratio > 0 ? strengthOf(poured, ratio, weakening) : poured;
  const shared = {
    volumes,
    ratio,
    extra,
    minutes,
    reach,
    ends: ends && { ...ends, extra: besides(additives, ends.ratio, shelf).extra },
    limitMinutes: Math.max(minutes, line.minutes.most),
  };
  if (kind === 'deposit' || line.lifts === null)
    return {
      ok: true,
      recipe: { ...shared, lifts: false, limitMinutes: Math.max(minutes + DEPOSIT_SPARE, line.minutes.most) },
    };
  const level = levelOfShades(parts, shelf);
  return {
    ok: true,
    recipe: {
      ...shared,
      lifts: true,
      product: line.lifts.speed,
      most: { levels: line.lifts.levels, top: level ?? 10 },
      target: level,
    },
  };
}

/** Why an additive cannot be weighed; null where all can. */
function addedProblem(additives: readonly Added[], shelf: Shelf): string | null {
  for (const added of additives) {
    const read = addedGrams(added, 1, shelf);
    if (!read.ok) return read.problem;
  }
  return null;
}

/**
 * Grams beside one gram of lightener or colour and its developer, and how many of them thin the developer.
 */
function besides(
  additives: readonly Added[],
  ratio: number,
  shelf: Shelf,
): { extra: number; weakening: number } {
  let extra = 0;
  let weakening = 0;
  for (const added of additives) {
    const read = addedGrams(added, ratio, shelf);
    if (!read.ok) continue;
    extra += read.grams;
    if (read.product.weakens) weakening += read.grams;
  }
  return { extra, weakening };
}
