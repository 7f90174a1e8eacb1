import type { Result } from '../units';
import {
  bowlItems,
  bowlsFor,
  MIX_PARTS,
  type Bowl,
  type ItemsRead,
  type MixPart,
  type Recipe,
} from '../bowl';
import type { Shelf } from '../products';
import type { Formula } from '../visit';
import type { MixNames } from './mix-names';
import type { PlacedUnit } from './unit';

/** Mixes that are painted as the foils are laid; the second application has its own bowls. */
const PARTS = ['length', 'ends'] as const;

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
  /**
   * The first letter and part that it is for: one powder with one strength is one bowl, whatever it is put
   * on.
   */
  readonly letter: string;
  readonly part: MixPart;
  /** Name of the mix, as bowls are called at the chair: `A`, `A ends`, `A + C`. */
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

export type WorkBowls = Result<{ readonly bowls: readonly WorkBowl[] }>;

/** Grams that a unit takes: on its length, of the ends' own mix, and of the second application. */
export interface UnitGrams {
  readonly length: number;
  readonly ends: number;
  readonly second: number;
}

/** Grams of each unit's mixes, and the bowls that they come from. */
export interface Weighed {
  readonly bowls: WorkBowls;
  readonly amounts: readonly FormulaAmount[];
  /** Age of the oldest bowl that each unit is painted from when it is painted, minutes. */
  readonly ages: Float64Array;
}

export interface WeighFacts {
  readonly bowl: { readonly mostGrams: number; readonly usefulMinutes: number };
  /** Powder is measured in scoops of so many grams; null where it is weighed. */
  readonly scoopGrams: number | null;
  readonly shelf: Shelf;
  readonly names: MixNames;
  /** Units that may be painted from a bowl that is past its useful time. */
  readonly fromOld: (unit: PlacedUnit) => boolean;
  readonly recipeOf: (letter: string) => Recipe;
  readonly formulaOf: (letter: string) => Formula | undefined;
}

/** A mix on a unit. */
interface Entry {
  readonly at: number;
  readonly letter: string;
  readonly part: MixPart;
  /** Name of the mix. */
  readonly formula: string;
  readonly panel: string;
  readonly net: number;
  readonly fromMinutes: number;
  readonly toMinutes: number;
  readonly fromOld: boolean;
}

/** A scoop is divided by eye into so many parts at most. */
const PARTS_OF_A_SCOOP = 4;

/** Splits the work into bowls. @param grams of each unit */
export function weighedWork(
  units: readonly PlacedUnit[],
  grams: readonly UnitGrams[],
  { bowl, scoopGrams, shelf, names, fromOld, recipeOf, formulaOf }: WeighFacts,
): Weighed {
  const entries = [
    ...laidEntries(units, grams, names, fromOld),
    ...againEntries(units, grams, names, recipeOf),
  ];
  const firstOf = new Map<string, Entry>();
  for (const entry of entries) if (!firstOf.has(entry.formula)) firstOf.set(entry.formula, entry);
  const ratioOf = (mix: string) => {
    const { letter, part } = firstOf.get(mix)!;
    return ratioOfPart(recipeOf(letter), part);
  };
  const split = bowlsFor(entries, {
    ...bowl,
    ratioOf,
    ...(scoopGrams !== null && { stepGrams: scoopGrams / PARTS_OF_A_SCOOP }),
  });
  const counts = new Map<string, number>();
  const made = (split.ok ? split.bowls : []).map(({ formula: mix, which, ...rest }): WorkBowl => {
    const number = (counts.get(mix) ?? 0) + 1;
    counts.set(mix, number);
    const held = [...new Set(which.map((i) => entries[i].at))];
    const { letter, part } = firstOf.get(mix)!;
    const formula = formulaOf(letter);
    return {
      ...rest,
      ...counted(held.map((at) => units[at])),
      letter,
      part,
      mix,
      label: `${mix} ${number}`,
      units: held,
      foilNumbers: foilNumbers(held.map((at) => units[at])),
      items: formula
        ? bowlItems(formula, rest.powder, shelf, part)
        : { ok: false, problem: 'the house has no lightener' },
    };
  });
  const ages = new Float64Array(units.length);
  for (const { part, units: values, fromMinutes } of made)
    if (part !== 'second')
      for (const at of values) ages[at] = Math.max(ages[at], units[at].fromMinutes - fromMinutes);
  return {
    bowls: split.ok ? { ok: true, bowls: made } : split,
    amounts: amountsOf(entries, units, made, recipeOf),
    ages,
  };
}

/** Grams of everything beside powder or colour for one gram of it. */
function ratioOfPart({ ratio, extra = 0, ends, second }: Recipe, part: MixPart): number {
  const own = part === 'ends' ? ends : part === 'second' ? second : null;
  return own ? own.ratio + own.extra : ratio + extra;
}

/** One entry for each mix on each unit as it is laid; two where the ends have one of their own. */
function laidEntries(
  units: readonly PlacedUnit[],
  grams: readonly UnitGrams[],
  names: MixNames,
  fromOld: WeighFacts['fromOld'],
): Entry[] {
  return units.flatMap((unit, at) =>
    PARTS.flatMap((part): Entry[] => {
      const net = grams[at][part];
      if (!(net > 0)) return [];
      const { letter, panel, fromMinutes, toMinutes } = unit;
      return [
        {
          at,
          letter,
          part,
          formula: names(letter, part),
          panel,
          net,
          fromMinutes,
          toMinutes,
          fromOld: fromOld(unit),
        },
      ];
    }),
  );
}

/** Opening, wiping and painting a foil again, minutes each. */
export const PAINTED_AGAIN_MINUTES = 1;

/**
 * The second application: each foil once its time has come, one after the other. When that is in the order of
 * the day is the
 * clock's; bowls go by their own minutes between each other.
 */
function againEntries(
  units: readonly PlacedUnit[],
  grams: readonly UnitGrams[],
  names: MixNames,
  recipeOf: WeighFacts['recipeOf'],
): Entry[] {
  const out: Entry[] = [];
  let free = 0;
  units.forEach((unit, at) => {
    const { second } = recipeOf(unit.letter);
    const net = grams[at].second;
    if (!second || !(net > 0)) return;
    const fromMinutes = Math.max(free, unit.toMinutes + second.afterMinutes);
    free = fromMinutes + PAINTED_AGAIN_MINUTES;
    const { letter, panel } = unit;
    out.push({
      at,
      letter,
      part: 'second',
      formula: names(letter, 'second'),
      panel,
      net,
      fromMinutes,
      toMinutes: free,
      fromOld: false,
    });
  });
  return out;
}

/** What each mix of each letter takes in all. A bowl that several share counts for each by its grams. */
function amountsOf(
  entries: readonly Entry[],
  units: readonly PlacedUnit[],
  bowls: readonly WorkBowl[],
  recipeOf: WeighFacts['recipeOf'],
): FormulaAmount[] {
  const groups = new Map<string, Entry[]>();
  for (const entry of entries) {
    const key = `${entry.letter} ${entry.part}`;
    groups.set(key, [...(groups.get(key) ?? []), entry]);
  }
  const netOf = (list: readonly Entry[]) => list.reduce((sum, { net }) => sum + net, 0);
  return [...groups.values()]
    .sort(([a], [b]) =>
      a.letter === b.letter
        ? MIX_PARTS.indexOf(a.part) - MIX_PARTS.indexOf(b.part)
        : a.letter < b.letter
          ? -1
          : 1,
    )
    .map((list): FormulaAmount => {
      const [{ letter, part, formula: mix }] = list;
      const net = netOf(list);
      const share = net / netOf(entries.filter(({ formula }) => formula === mix));
      const own = bowls.filter((one) => one.mix === mix);
      const sum = (of: (one: WorkBowl) => number) => share * own.reduce((all, one) => all + of(one), 0);
      const recipe = recipeOf(letter);
      return {
        letter,
        part,
        ...counted(list.map(({ at }) => units[at])),
        volumes:
          (part === 'ends' ? recipe.ends : part === 'second' ? recipe.second : null)?.volumes ??
          recipe.volumes,
        net,
        mixed: sum((one) => one.mixed),
        powder: sum((one) => one.powder),
        developer: sum((one) => one.developer),
      };
    });
}

function foilNumbers(units: readonly PlacedUnit[]): readonly [number, number] | null {
  const numbers = units.filter(({ kind }) => kind === 'foil').map(({ number }) => number);
  return numbers.length === 0 ? null : [Math.min(...numbers), Math.max(...numbers)];
}

function counted(units: readonly PlacedUnit[]): { foils: number; others: number } {
  const foils = units.filter(({ kind }) => kind === 'foil').length;
  return { foils, others: units.length - foils };
}
