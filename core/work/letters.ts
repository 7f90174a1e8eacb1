import { formulaNotes, recipeOf, type Recipe } from '../bowl';
import type { Sheet } from '../pattern';
import type { Shelf } from '../products';
import { usualDeposit, usualFormula, type Formula, type Reach, type VisitMix } from '../visit';

/** A formula of the visit as it stands: chosen, or the usual one. */
export interface FormulaRow {
  readonly letter: string;
  readonly formula: Formula;
  readonly chosen: boolean;
  /** Units of work that take it. */
  readonly units: number;
  /** Foils among them. */
  readonly foils: number;
  readonly recipe: Recipe | null;
  readonly problem: string | null;
  /** Where it leaves what the maker says. */
  readonly notes: readonly string[];
}

/** What placing the work has to know of a letter: plain data, so that it goes to a worker too. */
export interface LetterFacts {
  readonly letter: string;
  readonly lifts: boolean;
  readonly reach: Reach;
  /** Last stretch with a mix of its own, mm from the tips; 0 without. */
  readonly endsMm: number;
  /** Level that it is to reach; null takes the one wished for. */
  readonly target?: number | null;
}

/** Letters of a visit, with the one that lowlit drop-outs take where their panel names none. */
export interface Letters {
  readonly facts: readonly LetterFacts[];
  readonly lowlight: string | null;
}

const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';

/** What a letter stands for before its units are counted. */
export type LetterRow = Omit<FormulaRow, 'units' | 'foils'>;

/**
 * Every letter that the pattern or the mix names, with its formula: the chosen one, else the usual lightener.
 * Lowlit drop-outs
 * whose panel names no letter take the first that deposits; where none does, the first free letter, with the
 * usual lowlight.
 */
export function lettersOf(
  sheet: Pick<Sheet, 'foils' | 'painted' | 'dropouts'>,
  mix: Pick<VisitMix, 'formulas'>,
  shelf: Shelf,
  naturalLevel: number,
): { readonly rows: readonly LetterRow[]; readonly lowlight: string | null } {
  const named = new Set([...sheet.foils, ...sheet.painted].map(({ formula }) => formula));
  for (const { formula } of sheet.dropouts) if (formula !== null) named.add(formula);
  for (const letter of Object.keys(mix.formulas)) named.add(letter);
  const rows = [...named]
    .sort()
    .flatMap((letter) =>
      row(letter, mix.formulas[letter] ?? usualFormula(shelf), letter in mix.formulas, shelf),
    );
  const depositing = rows.find(({ formula }) => formula.kind === 'deposit')?.letter ?? null;
  const wanted = sheet.dropouts.some(
    ({ treatment, formula }) => treatment === 'lowlight' && formula === null,
  );
  if (depositing !== null || !wanted) return { rows, lowlight: depositing };
  const free = [...ALPHABET].find((letter) => !named.has(letter));
  const usual = usualDeposit(shelf, naturalLevel);
  if (free === undefined || usual === null) return { rows, lowlight: null };
  return {
    rows: [...rows, ...row(free, usual, false, shelf)].sort((a, b) => (a.letter < b.letter ? -1 : 1)),
    lowlight: free,
  };
}

function row(letter: string, formula: Formula | null, chosen: boolean, shelf: Shelf): LetterRow[] {
  if (!formula) return [];
  const read = recipeOf(formula, shelf);
  return [
    {
      letter,
      formula,
      chosen,
      recipe: read.ok ? read.recipe : null,
      problem: read.ok ? null : read.problem,
      notes: formulaNotes(formula, shelf),
    },
  ];
}

/** What stands in where nothing can be mixed: nothing is lifted, and it says so. */
export const NOTHING: Recipe = {
  lifts: true,
  volumes: 20,
  ratio: 2,
  limitMinutes: 45,
  most: { levels: 0, top: 10 },
};

export function factsOfLetters(rows: readonly LetterRow[], lowlight: string | null): Letters {
  return {
    lowlight,
    facts: rows.map(({ letter, recipe }) => ({
      letter,
      lifts: (recipe ?? NOTHING).lifts,
      reach: recipe?.reach ?? 'ends',
      endsMm: recipe?.ends?.lastMm ?? 0,
      target: recipe?.target ?? null,
    })),
  };
}
