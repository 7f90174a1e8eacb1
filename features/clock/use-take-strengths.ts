'use client';

import type { ClockPlanned } from '@/core/clock';
import type { Formula } from '@/core/visit';
import type { WorkBlock } from '@/core/work';
import { useComputed } from '../visit/computed';
import { useVisit } from '../visit/store';

/** Puts the strengths of a plan into the mix, as formulas of their own for the panels that take them. */
export function useTakeStrengths(blocks: readonly WorkBlock[]): (plan: ClockPlanned) => void {
  const { editVisit } = useVisit();
  const { work } = useComputed();
  return ({ timeline: { strengths } }) =>
    editVisit('strengths by the clock', (before) => {
      let { panels } = before.plan;
      let formulas: Readonly<Record<string, Formula>> = before.mix.formulas;
      for (const [b, block] of blocks.entries()) {
        if (strengths[b] === 0) continue;
        const { letter } = block.units[0];
        const from =
          formulas[letter] ?? work.letters.find((formulaRow) => formulaRow.letter === letter)?.formula;
        if (from?.kind !== 'lift') continue;
        const made: Formula = { ...from, volumes: block.others![strengths[b] - 1].volumes };
        const same = Object.keys(formulas).find(
          (key) => JSON.stringify(formulas[key]) === JSON.stringify(made),
        );
        const free =
          same ??
          [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].find(
            (own) => !(own in formulas) && !before.plan.panels.some(({ formula }) => formula === own),
          );
        if (free === undefined) continue;
        formulas = { ...formulas, [letter]: from, [free]: made };
        panels = panels.map((panel) => (panel.id === block.panel ? { ...panel, formula: free } : panel));
      }
      return {
        ...before,
        plan: { ...before.plan, panels },
        mix: { ...before.mix, formulas, clock: { ...before.mix.clock, strengths: false, chosen: null } },
      };
    });
}
