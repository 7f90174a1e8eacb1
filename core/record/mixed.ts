import type { Served } from '../chair';
import { formulaWords, type VisitMix, type VisitMixed } from '../mix';

/** A formula of a visit: what it was, what was mixed of it and how long it was on, planned and done. */
export interface MixedLine {
  readonly letter: string;
  readonly words: string;
  readonly foils: number;
  /** Bowls planned and mixed; null where no service was carried out at the chair. */
  readonly bowls: { readonly planned: number; readonly done: number | null };
  /** Grams needed by the plan, and taken; null where that was not read. */
  readonly grams: { readonly planned: number; readonly done: number | null };
  /** Longest that it was on and the shortest limit, minutes; null where nobody timed it. */
  readonly on: { readonly longest: number; readonly limit: number } | null;
}

/** Mixes of a visit line by line: as they were frozen when the service began, else as they stand. */
export function mixedLines({ formulas, bowls, shelf }: VisitMixed, { used }: Pick<VisitMix, 'used'>, served: Served | null): MixedLine[] {
  const weighed = bowls.ok ? bowls.bowls : [];
  return formulas.map(({ letter, formula, foils }): MixedLine => {
    const own = weighed.filter((bowl) => bowl.formula === letter);
    const blocks = new Set(served?.script.blocks.flatMap((block) => (block.formula === letter ? [block.id] : [])));
    const timed = served?.record.foils.filter(({ block, on }) => blocks.has(block) && on !== null) ?? [];
    return {
      letter, words: served?.script.mixes[letter] ?? formulaWords(formula, shelf), foils,
      bowls: { planned: own.length, done: served ? (served.record.bowls[letter] ?? 0) : null },
      grams: { planned: own.reduce((sum, { needed }) => sum + needed, 0), done: used[letter]?.grams ?? null },
      on: timed.length > 0 ? { longest: Math.max(...timed.map(({ on }) => on!)), limit: Math.min(...timed.map(({ limitMinutes }) => limitMinutes)) } : null,
    };
  });
}
