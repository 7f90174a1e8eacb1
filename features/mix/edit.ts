'use client';

import { useVisit } from '../visit/store';
import { useComputed } from '../visit/computed';
import type { Formula, LiftFormula } from '@/core/visit';

/** Edits of one formula: what is not chosen yet begins from the usual one. */
export function useFormulaEdit(letter: string) {
  const { editMix } = useVisit();
  const visit = useComputed();
  const usual = visit.work.letters.find((formulaRow) => formulaRow.letter === letter)?.formula;
  const set = (label: string, change: (formula: Formula) => Formula, gesture?: string) =>
    editMix(
      `formula ${letter}: ${label}`,
      (mix) => {
        const before = mix.formulas[letter] ?? usual;
        return before ? { ...mix, formulas: { ...mix.formulas, [letter]: change(before) } } : mix;
      },
      gesture,
    );
  const lift = (label: string, part: Partial<LiftFormula>) =>
    set(
      label,
      (formula) => (formula.kind === 'lift' ? { ...formula, ...part } : formula),
      `${letter} ${Object.keys(part).join()}`,
    );
  return { set, lift };
}

/** A list of the mix with one entry changed. */
export function changed<T extends { readonly id: string }>(
  list: readonly T[],
  id: string,
  change: (item: T) => T,
): T[] {
  return list.map((item) => (item.id === id ? change(item) : item));
}

/** An id that the list does not have yet: toner-1, toner-2 … */
export function freshId(list: readonly { readonly id: string }[], stem: string): string {
  for (let n = 1; ; n += 1) if (!list.some(({ id }) => id === `${stem}-${n}`)) return `${stem}-${n}`;
}
