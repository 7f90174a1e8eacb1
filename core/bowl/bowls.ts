import type { Result } from '../units';
import { mixedGrams } from './grams';

/** A foil as bowls see it, in the order of work. */
export interface BowlFoil {
  readonly panel: string;
  readonly formula: string;
  /** Grams that it takes. */
  readonly net: number;
  /** Minutes from the start of the work at which it is begun and closed. */
  readonly fromMinutes: number;
  readonly toMinutes: number;
  /** It may be painted from a bowl that is past its useful time. */
  readonly fromOld?: boolean;
}

export interface BowlLimits {
  /** Grams that are mixed in one bowl at most. */
  readonly mostGrams: number;
  /** How long a bowl is used, minutes. */
  readonly usefulMinutes: number;
  /** Powder is weighed in steps of so much, g: where it is measured in scoops, a part of one. */
  readonly stepGrams?: number;
  /** Grams of developer for one of powder, by formula. */
  readonly ratioOf: (formula: string) => number;
}

/**
 * One bowl: foils of one formula, one after the other; where formulas take turns, several bowls stand open at
 * once.
 */
export interface Bowl {
  readonly formula: string;
  /** Indices of its foils, in order. */
  readonly which: readonly number[];
  readonly foils: number;
  readonly net: number;
  /** What is needed in the bowl, and what is weighed: powder rounded up, developer by it, g. */
  readonly mixed: number;
  readonly powder: number;
  readonly developer: number;
  readonly fromMinutes: number;
  readonly toMinutes: number;
}

export type Bowls = Result<{ readonly bowls: readonly Bowl[] }>;

/**
 * Powder is weighed in steps of so much, g, and in steps of one where a bowl would hold too much otherwise.
 */
const POWDER_STEP_GRAMS = 5;
const FINE_STEP_GRAMS = 1;
/**
 * Where the house uses up its old bowl at the hairline, it is taken for so much longer, minutes. Working
 * assumption.
 */
export const OLD_BOWL_MINUTES = 30;
/** Beginning a bowl inside a panel counts as much as being so far off an even share, part of that share. */
const INSIDE_PANEL = 0.1;
const NEAR = 1e-9;

/**
 * Powder (or colour), rounded up to the step, and developer by it, for so many grams of mix; ratio 0 is
 * colour alone. Where the
 * step would fill the bowl over what it holds, powder is weighed to the gram.
 * @throws RangeError when the ratio is below 0
 */
export function weighed(
  mixed: number,
  ratio: number,
  {
    mostGrams = Infinity,
    stepGrams = POWDER_STEP_GRAMS,
  }: { readonly mostGrams?: number; readonly stepGrams?: number } = {},
): { readonly powder: number; readonly developer: number } {
  if (!(ratio >= 0))
    throw new RangeError('A ratio must be 0 or more: so many grams of developer for one of powder.');
  const inSteps = (step: number) => up(mixed / (1 + ratio), step);
  const usual = inSteps(stepGrams);
  const powder =
    wholeOf(usual, ratio) <= mostGrams + NEAR
      ? usual
      : Math.min(usual, inSteps(Math.min(stepGrams, FINE_STEP_GRAMS)));
  return { powder, developer: powder * ratio };
}

/** All that stands in a bowl of so much powder: what is poured is weighed to the gram. */
const wholeOf = (powder: number, ratio: number) => powder + Math.ceil(powder * ratio - 1e-9);

// A hair's breadth of rounding error is no reason for another step.
const up = (grams: number, step: number) => Math.ceil(grams / step - 1e-9) * step;

/**
 * Splits the work into bowls that stay fresh: for each formula as few as will do, then as even as that number
 * allows, begun
 * where a panel begins if that costs little; in the order in which they are mixed.
 */
export function bowlsFor(foils: readonly BowlFoil[], limits: BowlLimits): Bowls {
  for (let i = 0; i < foils.length; i += 1) {
    const bowlFoil = foils[i];
    const holds = heldIn(bowlFoil.net, bowlFoil.formula, limits);
    if (bowlFoil.toMinutes - bowlFoil.fromMinutes > limits.usefulMinutes + NEAR || !holds) {
      const why = !holds
        ? `it takes ${Math.round(mixedGrams(bowlFoil.net))} g, a bowl holds ${limits.mostGrams} g`
        : `it takes longer than a bowl is used, ${limits.usefulMinutes} min`;
      return { ok: false, problem: `Foil ${i + 1} does not fit into one bowl: ${why}.` };
    }
  }
  const bowls = [...new Set(foils.map(({ formula }) => formula))].flatMap((formula) =>
    ofOneFormula(
      foils,
      foils.flatMap((foil, index) => (foil.formula === formula ? [index] : [])),
      limits,
    ),
  );
  return { ok: true, bowls: bowls.sort((a, b) => a.which[0] - b.which[0]) };
}

/** Whether what is weighed for some grams stays within what a bowl holds. */
function heldIn(
  net: number,
  formula: string,
  { mostGrams, ratioOf, stepGrams = POWDER_STEP_GRAMS }: BowlLimits,
): boolean {
  const ratio = ratioOf(formula);
  return (
    wholeOf(up(mixedGrams(net) / (1 + ratio), Math.min(stepGrams, FINE_STEP_GRAMS)), ratio) <=
    mostGrams + NEAR
  );
}

/** @param which indices of the formula's own foils, in order */
function ofOneFormula(all: readonly BowlFoil[], which: readonly number[], limits: BowlLimits): Bowl[] {
  const foils = which.map((index) => all[index]);
  const n = foils.length;
  // Grams of all before each, so that a bowl's are one difference.
  const upTo = new Float64Array(n + 1);
  foils.forEach(({ net }, i) => (upTo[i + 1] = upTo[i] + net));
  // The last foil up to each that wants a bowl within its useful time; -1 where there is none.
  const fresh = new Int32Array(n);
  foils.forEach(({ fromOld }, i) => (fresh[i] = fromOld ? (i > 0 ? fresh[i - 1] : -1) : i));
  const within = (first: number, last: number, minutes: number) =>
    last < first || foils[last].toMinutes - foils[first].fromMinutes <= minutes + NEAR;
  const fits = (first: number, last: number) =>
    within(first, fresh[last], limits.usefulMinutes) &&
    within(first, last, limits.usefulMinutes + OLD_BOWL_MINUTES) &&
    heldIn(upTo[last + 1] - upTo[first], foils[first].formula, limits);
  let count = 0;
  for (let i = 0; i < n; count += 1) {
    let last = i;
    while (last + 1 < n && fits(i, last + 1)) last += 1;
    i = last + 1;
  }
  const even = upTo[n] / count;
  // Cheapest way to have used `b` bowls when foil i comes next: squares of how far each is off an even share.
  const cost = Array.from({ length: count + 1 }, () => new Float64Array(n + 1).fill(Infinity));
  const from = Array.from({ length: count + 1 }, () => new Int32Array(n + 1).fill(-1));
  cost[0][0] = 0;
  for (let b = 1; b <= count; b += 1) {
    for (let i = 0; i < n; i += 1) {
      if (cost[b - 1][i] === Infinity) continue;
      const inside = i > 0 && foils[i].panel === foils[i - 1].panel ? (INSIDE_PANEL * even) ** 2 : 0;
      for (let j = i; j < n && fits(i, j); j += 1) {
        const net = upTo[j + 1] - upTo[i];
        const used = cost[b - 1][i] + (net - even) ** 2 + inside;
        // Of equal ones the fuller bowl comes first.
        if (used < cost[b][j + 1] - 1e-9 || (Math.abs(used - cost[b][j + 1]) <= 1e-9 && i > from[b][j + 1])) {
          cost[b][j + 1] = used;
          from[b][j + 1] = i;
        }
      }
    }
  }
  const out: Bowl[] = [];
  for (let b = count, to = n; b > 0; b -= 1) {
    const first = from[b][to];
    out.unshift(bowlOf(all, which.slice(first, to), limits));
    to = first;
  }
  return out;
}

function bowlOf(all: readonly BowlFoil[], which: readonly number[], limits: BowlLimits): Bowl {
  const { formula, fromMinutes } = all[which[0]];
  const net = which.reduce((sum, index) => sum + all[index].net, 0);
  const mixed = mixedGrams(net);
  return {
    formula,
    which,
    foils: which.length,
    net,
    mixed,
    ...weighed(mixed, limits.ratioOf(formula), limits),
    fromMinutes,
    toMinutes: all[which[which.length - 1]].toMinutes,
  };
}
