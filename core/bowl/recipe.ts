import type { LiftOf } from '../lift';
import type { Lightener, Shelf, Use } from '../products';
import { shareOut } from '../units';
import type { DepositFormula, Formula, LiftFormula, PermanentFormula, Reach, ShadePart } from '../visit';
import { blended, blendTo } from './developer';

/** What a formula's letter stands for in the bowl. */
export interface Recipe {
  /** Strength that reaches the hair, volumes: what weakens the developer is in it. */
  readonly volumes: number;
  /** Grams of developer for one of powder (or of colour); 0 without. */
  readonly ratio: number;
  /** Grams of everything else for one of powder. */
  readonly extra?: number;
  /** Factor of the product on the lift, 1 usual; and where it ends. */
  readonly product?: number;
  readonly most?: LiftOf['most'];
  /** Warmth is added. */
  readonly heat?: boolean;
  /** Longest that the maker allows, minutes: in foil, and in the open air where that differs. */
  readonly limitMinutes: number;
  readonly openAirMinutes?: number;
  /** Level that it is to reach; null takes the one wished for. */
  readonly target?: number | null;
  /** The mix on the last stretch of the same strands. */
  readonly ends?: { readonly volumes: number; readonly ratio: number; readonly lastMm: number } | null;
  readonly reach?: Reach;
  /** What lays colour is done after its own time; null for lightener, which is done when the level is there. */
  readonly minutes?: number | null;
  /** It is not ready before, minutes, whatever the level. */
  readonly leastMinutes?: number;
  /** Whether it lifts the hair at all: lightener and permanent colour do. */
  readonly lifts: boolean;
}

/** It is not ready before, minutes: what the maker wants, or the time of a colour; 0 where the level alone decides. */
export const leastMinutesOf = ({ leastMinutes, minutes }: Recipe): number => leastMinutes ?? minutes ?? 0;

export type RecipeRead = { readonly ok: true; readonly recipe: Recipe } | { readonly ok: false; readonly problem: string };

/** Longest time where a maker gives none for a use: the shorter of the others, and a sentence says so. */
const limitFor = ({ minutes }: Lightener, use: Use): number => minutes[use] ?? Math.min(...Object.values(minutes).filter((own) => own !== null), 45);

/** Strength of a developer thinned by what stands beside it in the bowl. */
export function strengthOf(volumes: number, ratio: number, weakening: number): number {
  return blended([{ volumes, grams: ratio }, { volumes: 0, grams: weakening }]);
}

/** A formula as the computation takes it. */
export function recipeOf(formula: Formula, shelf: Shelf): RecipeRead {
  if (formula.kind !== 'lift') return colourRecipe(formula, shelf);
  const product = shelf.lightener(formula.product);
  if (!product) return { ok: false, problem: `the lightener “${formula.product}” is not in the house` };
  const { extra, weakening } = besides(formula, shelf);
  const of = (volumes: number, ratio: number) => strengthOf(volumes, ratio, weakening);
  return {
    ok: true,
    recipe: {
      lifts: true, minutes: null, volumes: of(formula.volumes, formula.ratio), ratio: formula.ratio, extra, product: product.speed, most: { levels: product.levels, top: product.top },
      ...(product.leastMinutes && { leastMinutes: product.leastMinutes }), limitMinutes: limitFor(product, 'foil'), openAirMinutes: limitFor(product, 'openAir'), target: formula.target, reach: formula.reach, heat: formula.heat,
      ends: formula.ends && { ...formula.ends, volumes: of(formula.ends.volumes, formula.ends.ratio) },
    },
  };
}

/** What only deposits may stay so much longer than it is meant to, minutes. Working assumption. */
const DEPOSIT_SPARE = 10;

/** Colour stays for its own time, and no longer than the maker's longest; permanent colour lifts to the level of its shades meanwhile. */
function colourRecipe({ kind, line: id, parts, volumes, ratio, minutes, reach, ends }: DepositFormula | PermanentFormula, shelf: Shelf): RecipeRead {
  const line = shelf.line(id);
  if (!line) return { ok: false, problem: `the line “${id}” is not in the house` };
  if (kind === 'permanent' && line.lifts === null) return { ok: false, problem: `${line.name} only deposits: choose a permanent line, or make it a lowlight` };
  const shared = { volumes, ratio, minutes, reach, ends, limitMinutes: Math.max(minutes, line.minutes.most) };
  if (kind === 'deposit' || line.lifts === null) return { ok: true, recipe: { ...shared, lifts: false, limitMinutes: Math.max(minutes + DEPOSIT_SPARE, line.minutes.most) } };
  const level = meanLevel(parts, shelf);
  return { ok: true, recipe: { ...shared, lifts: true, product: line.lifts.speed, most: { levels: line.lifts.levels, top: level ?? 10 }, target: level } };
}

/** Level of shades by their parts; null for clear alone or where one is not in the house. */
function meanLevel(parts: readonly ShadePart[], shelf: Shelf): number | null {
  let sum = 0;
  let all = 0;
  for (const { shade, parts: many } of parts) {
    const own = shelf.shade(shade);
    if (!own || own.tone === 'clear') continue;
    sum += own.level * many;
    all += many;
  }
  return all === 0 ? null : sum / all;
}

/** Grams beside lightener and developer for one gram of lightener, and how many of them thin the developer. */
function besides({ additives }: LiftFormula, shelf: Shelf): { extra: number; weakening: number } {
  let extra = 0;
  let weakening = 0;
  for (const { product, perGram } of additives) {
    extra += perGram;
    const own = shelf.find(product);
    if (own?.kind === 'additive' && own.weakens) weakening += perGram;
  }
  return { extra, weakening };
}

/** Bottles that a strength is poured from: the one that has it, or the nearest below and above; what was chosen comes first. */
export function bottlesFor(volumes: number, chosen: readonly string[] | null, shelf: Shelf): { readonly id: string; readonly name: string; readonly volumes: number }[] | string {
  const of = chosen === null ? shelf.developers : shelf.developers.filter(({ id }) => chosen.includes(id));
  if (chosen !== null && of.length < chosen.length) return 'a developer that was chosen is not in the house any more';
  if (of.length === 0) return 'the house has no developer';
  const exact = of.find((own) => own.volumes === volumes);
  if (exact) return [exact];
  const below = of.filter((own) => own.volumes < volumes).at(-1);
  const above = of.find((own) => own.volumes > volumes);
  if (below && above) return [below, above];
  const [only] = of;
  const bottles = of.length === 1 ? `${only.volumes} vol alone` : `${of[0].volumes} to ${of[of.length - 1].volumes} vol`;
  return `${volumes} vol cannot be made from ${bottles}: it lies ${below ? 'above' : 'below'}`;
}

/** One thing that is weighed into a bowl. Whole grams. */
export interface BowlItem {
  /** Product, or what it is called where the house keeps none of it. */
  readonly product: string;
  readonly name: string;
  readonly grams: number;
  readonly powder: boolean;
}

export type ItemsRead = { readonly ok: true; readonly items: readonly BowlItem[]; readonly total: number } | { readonly ok: false; readonly problem: string };

/**
 * What is weighed into a bowl for so many grams of powder (or colour). Whole grams that add up: bottles to the developer,
 * shades to the colour.
 */
export function bowlItems(formula: Formula, powder: number, shelf: Shelf, part: 'length' | 'ends' = 'length'): ItemsRead {
  if (formula.kind !== 'lift') {
    const { parts, volumes, ratio } = part === 'ends' && formula.ends ? formula.ends : formula;
    return colourItems(parts, volumes, ratio, powder, shelf);
  }
  const product = shelf.lightener(formula.product);
  if (!product) return { ok: false, problem: `the lightener “${formula.product}” is not in the house` };
  const { volumes, ratio } = part === 'ends' && formula.ends ? formula.ends : formula;
  const items: BowlItem[] = [{ product: product.id, name: product.name, grams: powder, powder: true }];
  const poured = pouredItems(volumes, Math.round(powder * ratio), formula.bottles, shelf);
  if (!poured.ok) return poured;
  items.push(...poured.items);
  for (const { product: id, perGram } of formula.additives) {
    const own = shelf.find(id);
    if (!own) return { ok: false, problem: `the additive “${id}” is not in the house` };
    items.push({ product: id, name: own.name, grams: Math.round(powder * perGram), powder: false });
  }
  return { ok: true, items, total: items.reduce((sum, { grams }) => sum + grams, 0) };
}

/** Grams from each bottle for so many grams of a strength; whole grams that add up. */
export function pouredItems(volumes: number, grams: number, chosen: readonly string[] | null, shelf: Shelf): ItemsRead {
  const bottles = bottlesFor(volumes, chosen, shelf);
  if (typeof bottles === 'string') return { ok: false, problem: bottles };
  const item = ({ id, name }: { id: string; name: string }, own: number): BowlItem => ({ product: id, name, grams: own, powder: false });
  if (bottles.length === 1 || grams <= 0) return { ok: true, items: [item(bottles[0], grams)], total: grams };
  const blend = blendTo(volumes, grams, [bottles[0].volumes, bottles[1].volumes]);
  if (!blend.ok) return blend;
  const whole = shareOut(blend.pours.map((own) => own.grams), grams);
  return { ok: true, items: bottles.map((own, i) => item(own, whole[i])), total: grams };
}

/** Grams of each shade and of developer for so many grams of colour; whole grams that add up. */
export function colourItems(parts: readonly ShadePart[], volumes: number, ratio: number, colour: number, shelf: Shelf): ItemsRead {
  const whole = shareOut(parts.map((own) => own.parts), colour);
  const items: BowlItem[] = [];
  for (const [i, { shade }] of parts.entries()) {
    const own = shelf.shade(shade);
    if (!own) return { ok: false, problem: `the shade “${shade}” is not in the house` };
    items.push({ product: shade, name: own.name, grams: whole[i], powder: false });
  }
  // A direct line is used as it comes.
  const poured = ratio > 0 ? pouredItems(volumes, Math.round(colour * ratio), null, shelf) : null;
  if (poured && !poured.ok) return poured;
  if (poured) items.push(...poured.items);
  return { ok: true, items, total: items.reduce((sum, { grams }) => sum + grams, 0) };
}

/** Where a formula leaves what the maker says, each a sentence without its first word. */
export function formulaNotes(formula: Formula, shelf: Shelf): string[] {
  const range = formula.kind === 'lift' ? shelf.lightener(formula.product) : shelf.line(formula.line);
  if (!range) return [];
  const out: string[] = [];
  const hundredth = (value: number) => String(Math.round(value * 100) / 100);
  const check = (volumes: number, ratio: number, where = '') => {
    if (range.ratio.most === 0 && ratio === 0) return;
    if (ratio < range.ratio.least || ratio > range.ratio.most) out.push(`1:${hundredth(ratio)}${where} is outside 1:${range.ratio.least} to 1:${range.ratio.most}, which ${range.name} is made for`);
    if (volumes > range.volumes.most) out.push(`${hundredth(volumes)} vol${where} is above ${range.volumes.most} vol, the strongest for ${range.name}`);
    if (volumes < range.volumes.least) out.push(`${hundredth(volumes)} vol${where} is below ${range.volumes.least} vol, the weakest for ${range.name}`);
  };
  check(formula.volumes, formula.ratio);
  if (formula.ends) check(formula.ends.volumes, formula.ends.ratio, ' on the ends');
  if (formula.kind !== 'lift' && range.kind === 'line' && formula.minutes > range.minutes.most) out.push(`${formula.minutes} min is longer than ${range.minutes.most} min, the longest for ${range.name}`);
  if (formula.kind === 'lift' && range.kind !== 'line') {
    const longest = Math.max(...Object.values(range.minutes).map((own) => own ?? 0));
    if (range.leastMinutes && range.leastMinutes > longest) out.push(`${range.name} is wanted on for ${range.leastMinutes} min, longer than the ${longest} min that it may stay`);
  }
  return out;
}

const said = (value: number) => String(Math.round(value * 10) / 10);

/** Strength and ratio as they are said: `20 vol, 1 : 2`. */
const strengthWords = (volumes: number, ratio: number) => (ratio === 0 ? 'without developer' : `${said(volumes)} vol, 1 : ${Math.round(ratio * 100) / 100}`);

const shadeWords = (parts: readonly ShadePart[], shelf: Shelf) =>
  parts.map(({ shade, parts: many }) => `${parts.length > 1 ? `${said(many)} ` : ''}${shelf.shade(shade)?.name ?? shade}`).join(' + ');

/** A formula as it is said at the station: product or shades, strength, ratio and what is added. @param volumes another strength than its own */
export function formulaWords(formula: Formula, shelf: Shelf, volumes?: number): string {
  const what = formula.kind === 'lift' ? (shelf.find(formula.product)?.name ?? '') : shadeWords(formula.parts, shelf);
  const added = formula.kind === 'lift' ? formula.additives.map(({ product }) => `, with ${(shelf.find(product)?.name ?? product).toLowerCase()}`).join('') : '';
  return `${what}, ${strengthWords(volumes ?? formula.volumes, formula.ratio)}${added}`;
}

/** The mix on the ends, as it is said; null where they have none of their own. */
export function endsWords(formula: Formula, shelf: Shelf): string | null {
  if (!formula.ends) return null;
  const strength = strengthWords(formula.ends.volumes, formula.ends.ratio);
  return 'parts' in formula.ends ? `${shadeWords(formula.ends.parts, shelf)}, ${strength}, the last ${said(formula.ends.minutes)} min` : strength;
}
