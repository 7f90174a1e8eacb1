import type { RecipePart, Shelf } from '../products';
import { shareOut, type Result } from '../units';
import type { Added, Formula, ShadePart } from '../visit';
import { addedGrams } from './added';
import { blended, blendTo } from './developer';
import { lightenersOf } from './recipe';

/**
 * Bottles that a strength is poured from: the one that has it, or the nearest below and above; what was
 * chosen comes first.
 */
export function bottlesFor(
  volumes: number,
  chosen: readonly string[] | null,
  shelf: Shelf,
): { readonly id: string; readonly name: string; readonly volumes: number }[] | string {
  const of = chosen === null ? shelf.developers : shelf.developers.filter(({ id }) => chosen.includes(id));
  if (chosen !== null && of.length < chosen.length)
    return 'a developer that was chosen is not in the house any more';
  if (of.length === 0) return 'the house has no developer';
  const exact = of.find((developer) => developer.volumes === volumes);
  if (exact) return [exact];
  const below = of.filter((developer) => developer.volumes < volumes).at(-1);
  const above = of.find((developer) => developer.volumes > volumes);
  if (below && above) return [below, above];
  const [only] = of;
  const bottles =
    of.length === 1 ? `${only.volumes} vol alone` : `${of[0].volumes} to ${of[of.length - 1].volumes} vol`;
  return `${volumes} vol cannot be made from ${bottles}: it lies ${below ? 'above' : 'below'}`;
}

/** One thing that is weighed into a bowl. Grams to the tenth. */
export interface BowlItem {
  /** Product, or what it is called where the house keeps none of it. */
  readonly product: string;
  readonly name: string;
  readonly grams: number;
  readonly powder: boolean;
  /** The same counted in drops; left out where it is weighed. */
  readonly drops?: number;
}

export type ItemsRead = Result<{ readonly items: readonly BowlItem[]; readonly total: number }>;

/** Which mix of a formula: the one on the length, the ends' own, or the one of the second application. */
export const MIX_PARTS = ['length', 'ends', 'second'] as const;
export type MixPart = (typeof MIX_PARTS)[number];

/**
 * What is weighed into a bowl for so many grams of powder (or colour). Grams add up to the total: lighteners
 * to the powder,
 * bottles to the developer, shades to the colour.
 */
export function bowlItems(
  formula: Formula,
  powder: number,
  shelf: Shelf,
  part: MixPart = 'length',
): ItemsRead {
  if (formula.kind !== 'lift') {
    const { parts, volumes, ratio } = part === 'ends' && formula.ends ? formula.ends : formula;
    return withAdditives({
      read: colourItems({ parts, volumes, ratio, colour: powder, shelf }),
      additives: formula.additives,
      powder,
      ratio,
      shelf,
    });
  }
  const lighteners = lightenersOf(formula, shelf);
  if (typeof lighteners === 'string') return { ok: false, problem: lighteners };
  const { volumes, ratio } =
    (part === 'ends' ? formula.ends : part === 'second' ? formula.second : null) ?? formula;
  const grams = shareTenths(
    lighteners.map(({ share }) => share),
    powder,
  );
  const items = lighteners.map(({ product: { id, name } }, i): BowlItem => ({
    product: id,
    name,
    grams: grams[i],
    powder: true,
  }));
  const poured = pouredItems(volumes, Math.round(powder * ratio), formula.bottles, shelf);
  if (!poured.ok) return poured;
  return withAdditives({
    read: itemsOf([...items, ...poured.items]),
    additives: formula.additives,
    powder,
    ratio,
    shelf,
  });
}

/** Grams to the tenth: what is more exact than a scale of the trade is no gram more exact. */
const tenth = (grams: number) => Math.round(10 * grams) / 10;

/** Shares of an amount in whole grams where it is whole, else in tenths; they add up to it. */
function shareTenths(shares: readonly number[], grams: number): number[] {
  if (Number.isInteger(grams)) return shareOut(shares, grams);
  return shareOut(shares, Math.round(10 * grams)).map((value) => value / 10);
}

const itemsOf = (items: readonly BowlItem[]): ItemsRead => ({
  ok: true,
  items,
  total: tenth(items.reduce((sum, { grams }) => sum + grams, 0)),
});

function withAdditives({
  read,
  additives,
  powder,
  ratio,
  shelf,
}: {
  readonly read: ItemsRead;
  readonly additives: readonly Added[];
  readonly powder: number;
  readonly ratio: number;
  readonly shelf: Shelf;
}): ItemsRead {
  if (!read.ok || additives.length === 0) return read;
  const items = [...read.items];
  for (const own of additives) {
    const added = addedGrams(own, ratio, shelf);
    if (!added.ok) return added;
    const { id, name, dropGrams } = added.product;
    const drops =
      own.unit === 'drops' && dropGrams !== undefined
        ? Math.round((powder * added.grams) / dropGrams)
        : undefined;
    items.push({
      product: id,
      name,
      grams: tenth(drops === undefined ? powder * added.grams : drops * dropGrams!),
      powder: false,
      ...(drops !== undefined && { drops }),
    });
  }
  return itemsOf(items);
}

/** Grams from each bottle for so many grams of a strength; whole grams that add up. */
function pouredItems(
  volumes: number,
  grams: number,
  chosen: readonly string[] | null,
  shelf: Shelf,
): ItemsRead {
  const bottles = bottlesFor(volumes, chosen, shelf);
  if (typeof bottles === 'string') return { ok: false, problem: bottles };
  const item = ({ id, name }: { id: string; name: string }, value: number): BowlItem => ({
    product: id,
    name,
    grams: value,
    powder: false,
  });
  if (bottles.length === 1 || grams <= 0) return { ok: true, items: [item(bottles[0], grams)], total: grams };
  const blend = blendTo(volumes, grams, [bottles[0].volumes, bottles[1].volumes]);
  if (!blend.ok) return blend;
  const whole = shareOut(
    blend.pours.map((pour) => pour.grams),
    grams,
  );
  return { ok: true, items: bottles.map((bottle, i) => item(bottle, whole[i])), total: grams };
}

/** Grams of each shade and of developer for so many grams of colour; whole grams that add up. */
export function colourItems({
  parts,
  volumes,
  ratio,
  colour,
  shelf,
}: {
  readonly parts: readonly ShadePart[];
  readonly volumes: number;
  readonly ratio: number;
  readonly colour: number;
  readonly shelf: Shelf;
}): ItemsRead {
  const grams = shareTenths(
    parts.map((part) => part.parts),
    colour,
  );
  const items: BowlItem[] = [];
  for (const [i, { shade }] of parts.entries()) {
    const shadeProduct = shelf.shade(shade);
    if (!shadeProduct) return { ok: false, problem: `the shade “${shade}” is not in the house` };
    items.push({ product: shade, name: shadeProduct.name, grams: grams[i], powder: false });
  }
  // A direct line is used as it comes.
  const poured = ratio > 0 ? pouredItems(volumes, Math.round(colour * ratio), null, shelf) : null;
  if (poured && !poured.ok) return poured;
  return itemsOf([...items, ...(poured?.items ?? [])]);
}

/** What every house has, whether it keeps a stock of it or not. */
const EVERYWHERE_THERE: Readonly<Record<string, string>> = { water: 'Water', wash: 'Plain shampoo' };

/** What a recipe by parts is mixed of. */
export interface PartsMixed {
  readonly read: ItemsRead;
  /** Strength that is left of its developer, volumes; 0 without. */
  readonly volumes: number;
}

/**
 * What is weighed for so many grams of a recipe by parts; whole grams that add up. A line of colour as a part
 * stands for its
 * natural shade nearest to a level.
 */
export function recipeItems(
  parts: readonly RecipePart[],
  grams: number,
  level: number,
  shelf: Shelf,
): PartsMixed {
  const whole = shareOut(
    parts.map((part) => part.parts),
    Math.round(grams),
  );
  const items: BowlItem[] = [];
  const pours: { volumes: number; grams: number }[] = [];
  for (const [i, part] of parts.entries()) {
    if (!('product' in part)) {
      const poured = pouredItems(part.volumes, whole[i], null, shelf);
      if (!poured.ok) return { read: poured, volumes: 0 };
      items.push(...poured.items);
      pours.push({ volumes: part.volumes, grams: part.parts });
      continue;
    }
    const named = shelf.find(part.product);
    if (!named && part.product in EVERYWHERE_THERE) {
      items.push({
        product: part.product,
        name: EVERYWHERE_THERE[part.product],
        grams: whole[i],
        powder: false,
      });
      pours.push({ volumes: 0, grams: part.parts });
      continue;
    }
    const product = named?.kind === 'line' ? naturalShade(named.id, level, shelf) : named;
    if (!product || product.kind === 'recipe') {
      return {
        read: {
          ok: false,
          problem:
            named?.kind === 'line'
              ? `${named.name} has no natural shade`
              : `“${part.product}” is not in the house`,
        },
        volumes: 0,
      };
    }
    items.push({
      product: product.id,
      name: product.name,
      grams: whole[i],
      powder: product.kind === 'lightener' || product.kind === 'high-lift',
    });
    if (product.kind === 'developer') pours.push({ volumes: product.volumes, grams: part.parts });
    // What is neither developer nor what it works with thins it.
    else if (product.kind === 'treatment' || (product.kind === 'additive' && product.weakens))
      pours.push({ volumes: 0, grams: part.parts });
  }
  return { read: itemsOf(items), volumes: blended(pours) };
}

/** The natural shade of a line that lies nearest to a level. */
function naturalShade(line: string, level: number, shelf: Shelf) {
  const off = (own: { readonly level: number }) => Math.abs(own.level - level);
  return shelf
    .shadesOf(line)
    .filter(({ tone }) => tone === 'natural')
    .sort((a, b) => off(a) - off(b))
    .at(0);
}
