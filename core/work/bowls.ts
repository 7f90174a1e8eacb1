import { bowlItems, bowlsFor, type Bowl, type ItemsRead, type Recipe } from '../bowl';
import type { Shelf } from '../products';
import type { Formula } from '../visit';
import type { PlacedUnit } from './unit';

const PARTS = ['length', 'ends'] as const;
/** The mix on the length, or the ends' own. */
export type MixPart = (typeof PARTS)[number];

/** What one mix of a letter takes in all. */
export interface FormulaAmount {
  readonly letter: string;
  readonly part: MixPart;
  readonly foils: number;
  /** Painted sections and treated drop-outs. */
  readonly others: number;
  readonly net: number;
  readonly mixed: number;
  /** Lightener or colour, and everything beside it, g. */
  readonly powder: number;
  readonly developer: number;
  readonly volumes: number;
}

/** A bowl with what is weighed into it and the work that it is for. */
export interface WorkBowl extends Omit<Bowl, 'formula' | 'which'> {
  readonly letter: string;
  readonly part: MixPart;
  /** Name of the mix, as bowls are called at the chair: `A`, `A ends`. */
  readonly mix: string;
  /** Mix and number: `A 1`. */
  readonly label: string;
  /** Indices into the units. */
  readonly units: readonly number[];
  /** Painted sections and treated drop-outs; `foils` counts foils alone. */
  readonly others: number;
  /** Numbers of its first and last foil; null where only drop-outs and open sections are painted from it. */
  readonly foilNumbers: readonly [first: number, last: number] | null;
  readonly items: ItemsRead;
}

export type WorkBowls =
  { readonly ok: true; readonly bowls: readonly WorkBowl[] } | { readonly ok: false; readonly problem: string };

/** Name of a mix in its bowl. */
export const mixNameOf = (letter: string, part: MixPart): string => (part === 'ends' ? `${letter} ends` : letter);

/** Grams of each unit's mixes, and the bowls that they come from. */
export interface Weighed {
  readonly bowls: WorkBowls;
  readonly amounts: readonly FormulaAmount[];
  /** Age of the oldest bowl that each unit is painted from when it is painted, minutes. */
  readonly ages: Float64Array;
}

export interface WeighFacts {
  readonly bowl: { readonly mostGrams: number; readonly usefulMinutes: number };
  readonly shelf: Shelf;
  recipeOf(letter: string): Recipe;
  formulaOf(letter: string): Formula | undefined;
}

/** Splits the work into bowls. @param grams of each unit: on its length, and of the ends' own mix */
export function weighedWork(
  units: readonly PlacedUnit[],
  grams: readonly { readonly length: number; readonly ends: number }[],
  { bowl, shelf, recipeOf, formulaOf }: WeighFacts,
): Weighed {
  const parts = new Map<string, { letter: string; part: MixPart }>();
  // One entry for each mix on each unit; two where the ends have one of their own.
  const entries: { at: number; formula: string; panel: string; net: number; fromMinutes: number; toMinutes: number }[] =
    [];
  units.forEach(({ letter, panel, fromMinutes, toMinutes }, at) => {
    for (const part of PARTS) {
      const net = grams[at][part];
      if (!(net > 0)) continue;
      const formula = mixNameOf(letter, part);
      if (!parts.has(formula)) parts.set(formula, { letter, part });
      entries.push({ at, formula, panel, net, fromMinutes, toMinutes });
    }
  });
  const ratioOf = (mix: string) => {
    const { letter, part } = parts.get(mix)!;
    const { ratio, extra = 0, ends } = recipeOf(letter);
    return (part === 'ends' && ends ? ends.ratio : ratio) + extra;
  };
  const split = bowlsFor(entries, { ...bowl, ratioOf });
  const counts = new Map<string, number>();
  const made = (split.ok ? split.bowls : []).map(({ formula: mix, which, ...rest }): WorkBowl => {
    const number = (counts.get(mix) ?? 0) + 1;
    counts.set(mix, number);
    const own = which.map((i) => entries[i].at);
    const { letter, part } = parts.get(mix)!;
    const formula = formulaOf(letter);
    return {
      ...rest,
      ...counted(own.map((at) => units[at])),
      letter,
      part,
      mix,
      label: `${mix} ${number}`,
      units: own,
      foilNumbers: foilNumbers(own.map((at) => units[at])),
      items: formula
        ? bowlItems(formula, rest.powder, shelf, part)
        : { ok: false, problem: 'the house has no lightener' },
    };
  });
  const ages = new Float64Array(units.length);
  for (const own of made)
    for (const at of own.units) ages[at] = Math.max(ages[at], units[at].fromMinutes - own.fromMinutes);
  const amounts = [...parts]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([mix, { letter, part }]): FormulaAmount => {
      const own = made.filter((one) => one.mix === mix);
      const sum = (of: (one: WorkBowl) => number) => own.reduce((all, one) => all + of(one), 0);
      const recipe = recipeOf(letter);
      return {
        letter,
        part,
        ...counted(entries.filter(({ formula }) => formula === mix).map(({ at }) => units[at])),
        volumes: part === 'ends' && recipe.ends ? recipe.ends.volumes : recipe.volumes,
        net: entries.reduce((all, entry) => all + (entry.formula === mix ? entry.net : 0), 0),
        mixed: sum((one) => one.mixed),
        powder: sum((one) => one.powder),
        developer: sum((one) => one.developer),
      };
    });
  return { bowls: split.ok ? { ok: true, bowls: made } : split, amounts, ages };
}

function foilNumbers(units: readonly PlacedUnit[]): readonly [number, number] | null {
  const numbers = units.filter(({ kind }) => kind === 'foil').map(({ number }) => number);
  return numbers.length === 0 ? null : [Math.min(...numbers), Math.max(...numbers)];
}

function counted(units: readonly PlacedUnit[]): { foils: number; others: number } {
  const foils = units.filter(({ kind }) => kind === 'foil').length;
  return { foils, others: units.length - foils };
}
