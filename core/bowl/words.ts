import type { Lightener, Shelf } from '../products';
import type { Added, Formula, ShadePart } from '../visit';
import { lightenersOf } from './recipe';

/** Where a formula leaves what the maker says, each a sentence without its first word. */
export function formulaNotes(formula: Formula, shelf: Shelf): string[] {
  if (formula.kind !== 'lift') return colourNotes(formula, shelf);
  const read = lightenersOf(formula, shelf);
  if (typeof read === 'string') return [];
  return [...new Set(read.flatMap(({ product }) => lightenerNotes(formula, product)))];
}

const hundredth = (value: number) => String(Math.round(value * 100) / 100);

type Mixed = { readonly volumes: number; readonly ratio: number };

function rangeNotes(
  { volumes, ratio }: Mixed,
  range: Pick<Lightener, 'name' | 'ratio' | 'volumes'>,
  where = '',
): string[] {
  if (range.ratio.most === 0 && ratio === 0) return [];
  const out: string[] = [];
  if (ratio < range.ratio.least || ratio > range.ratio.most)
    out.push(
      `1:${hundredth(ratio)}${where} is outside 1:${range.ratio.least} to 1:${range.ratio.most}, which ${range.name} is made for`,
    );
  if (volumes > range.volumes.most)
    out.push(
      `${hundredth(volumes)} vol${where} is above ${range.volumes.most} vol, the strongest for ${range.name}`,
    );
  if (volumes < range.volumes.least)
    out.push(
      `${hundredth(volumes)} vol${where} is below ${range.volumes.least} vol, the weakest for ${range.name}`,
    );
  return out;
}

function lightenerNotes(formula: Extract<Formula, { kind: 'lift' }>, product: Lightener): string[] {
  const { ends, second, warmth } = formula;
  const out = [
    ...rangeNotes(formula, product),
    ...(ends ? rangeNotes(ends, product, ' on the ends') : []),
    ...(second ? rangeNotes(second, product, ' the second time') : []),
  ];
  const longest = Math.max(...Object.values(product.minutes).map((value) => value ?? 0));
  if (product.leastMinutes && product.leastMinutes > longest)
    out.push(
      `${product.name} is wanted on for ${product.leastMinutes} min, longer than the ${longest} min that it may stay`,
    );
  if (second && second.afterMinutes > longest)
    out.push(
      `painted again after ${second.afterMinutes} min, past the ${longest} min that ${product.name} may stay`,
    );
  if (warmth && product.warmestCelsius !== undefined && warmth.celsius > product.warmestCelsius) {
    out.push(
      product.warmestCelsius === 0
        ? `${product.name} is used without added heat`
        : `${warmth.celsius} °C is above ${product.warmestCelsius} °C, the warmest for ${product.name}`,
    );
  }
  return out;
}

function colourNotes(formula: Exclude<Formula, { kind: 'lift' }>, shelf: Shelf): string[] {
  const line = shelf.line(formula.line);
  if (!line) return [];
  const out = [
    ...rangeNotes(formula, line),
    ...(formula.ends ? rangeNotes(formula.ends, line, ' on the ends') : []),
  ];
  if (formula.minutes > line.minutes.most)
    out.push(`${formula.minutes} min is longer than ${line.minutes.most} min, the longest for ${line.name}`);
  if (formula.minutes < line.minutes.least)
    out.push(
      `${formula.minutes} min is shorter than ${line.minutes.least} min, the shortest for ${line.name}`,
    );
  return out;
}

const said = (value: number) => String(Math.round(value * 10) / 10);

/** Strength and ratio as they are said: `20 vol, 1 : 2`. */
const strengthWords = ({ volumes, ratio }: Mixed) =>
  ratio === 0 ? 'without developer' : `${said(volumes)} vol, 1 : ${hundredth(ratio)}`;

/**
 * Things by parts: the name alone where there is one, `2 Moth blue powder + 1 Moth slow cream` where there
 * are more.
 */
function partWords(parts: readonly { readonly name: string; readonly parts: number }[]): string {
  return parts
    .map(({ name, parts: many }) => `${parts.length > 1 ? `${said(many)} ` : ''}${name}`)
    .join(' + ');
}

const shadeWords = (parts: readonly ShadePart[], shelf: Shelf) =>
  partWords(
    parts.map(({ shade, parts: many }) => ({ name: shelf.shade(shade)?.name ?? shade, parts: many })),
  );

/** What is added beside it: `, with rootling bond drops`. */
const addedWords = (additives: readonly Added[], shelf: Shelf) =>
  additives.map(({ product }) => `, with ${(shelf.find(product)?.name ?? product).toLowerCase()}`).join('');

const productWords = (formula: Formula, shelf: Shelf) =>
  formula.kind === 'lift'
    ? partWords(
        formula.lighteners.map(({ product, parts }) => ({
          name: shelf.find(product)?.name ?? product,
          parts,
        })),
      )
    : shadeWords(formula.parts, shelf);

/**
 * A formula as it is said at the station: products, strength, ratio and what is added.
 * @param volumes another strength than its own
 */
export function formulaWords(formula: Formula, shelf: Shelf, volumes?: number): string {
  return `${productWords(formula, shelf)}, ${strengthWords({ ...formula, volumes: volumes ?? formula.volumes })}${addedWords(formula.additives, shelf)}`;
}

/** The mix on the ends, as it is said; null where they have none of their own. */
export function endsWords(formula: Formula, shelf: Shelf): string | null {
  if (!formula.ends) return null;
  const strength = strengthWords(formula.ends);
  return 'parts' in formula.ends
    ? `${shadeWords(formula.ends.parts, shelf)}, ${strength}, the last ${said(formula.ends.minutes)} min`
    : strength;
}

/** The mix of the second application, as it is said; null without one. */
export function secondWords(formula: Formula, shelf: Shelf): string | null {
  if (formula.kind !== 'lift' || !formula.second) return null;
  return `${productWords(formula, shelf)}, ${strengthWords(formula.second)}${addedWords(formula.additives, shelf)}`;
}

/**
 * What tells one mix from another in the bowl, whatever it is put on: its products by shares, strength and
 * what is added.
 */
export function mixKey(formula: Formula, part: 'length' | 'ends' | 'second'): string {
  const additives = [...formula.additives]
    .sort((a, b) => (a.product < b.product ? -1 : 1))
    .map(({ product, amount, unit }) => [product, amount, unit]);
  if (formula.kind !== 'lift') {
    const { parts, volumes, ratio } = part === 'ends' && formula.ends ? formula.ends : formula;
    return JSON.stringify([
      formula.line,
      shared(parts.map(({ shade, parts: many }) => [shade, many])),
      ratio === 0 ? 0 : volumes,
      ratio,
      additives,
    ]);
  }
  const { volumes, ratio } =
    (part === 'ends' ? formula.ends : part === 'second' ? formula.second : null) ?? formula;
  return JSON.stringify([
    shared(formula.lighteners.map(({ product, parts }) => [product, parts])),
    volumes,
    ratio,
    formula.bottles,
    additives,
  ]);
}

/** Names with their shares, in one order: 2 and 1 are 4 and 2. */
function shared(parts: readonly (readonly [string, number])[]): readonly (readonly [string, number])[] {
  const all = parts.reduce((sum, [, many]) => sum + many, 0);
  return [...parts]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([name, many]) => [name, Math.round((1e6 * many) / all)] as const);
}
