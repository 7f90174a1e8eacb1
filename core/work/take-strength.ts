import { retypeFoil, type Plan } from '../pattern';
import type { Formula, VisitMix } from '../visit';
import type { StrengthIdea } from './suggest';
import type { WorkList } from './list';

const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';

/**
 * The plan and mix with a suggested strength taken. Where only some of a letter's foils ask for it they get a
 * letter of their
 * own: a whole panel by its recipe, single foils by hand. What cannot be told apart by hand, a section
 * painted in the open
 * air, stays as it is.
 */
export function takeStrength(
  { plan, mix }: { readonly plan: Plan; readonly mix: VisitMix },
  { letter, units: ids, all, volumes }: Pick<StrengthIdea, 'letter' | 'units' | 'all' | 'volumes'>,
  { units, letters }: Pick<WorkList, 'units' | 'letters'>,
): { readonly plan: Plan; readonly mix: VisitMix } {
  const own = letters.find((row) => row.letter === letter)?.formula;
  if (own?.kind !== 'lift') return { plan, mix };
  const next: Formula = { ...own, volumes, bottles: null };
  if (all) return { plan, mix: { ...mix, formulas: { ...mix.formulas, [letter]: next } } };
  const taken = new Set([...letters.map((row) => row.letter), ...Object.keys(mix.formulas)]);
  const same = letters.find(({ formula }) => JSON.stringify(formula) === JSON.stringify(next))?.letter;
  const free = same ?? [...ALPHABET].find((name) => !taken.has(name));
  if (free === undefined) return { plan, mix };
  const chosen = new Set(ids);
  let after = plan;
  for (const panel of plan.panels) {
    const mine = units.filter((unit) => unit.panel === panel.id && unit.letter === letter);
    const asked = mine.filter(({ id }) => chosen.has(id));
    if (asked.length === 0) continue;
    if (asked.length === mine.length) after = withPanelLetter(after, panel.id, letter, free);
    else
      for (const unit of asked)
        if (unit.kind === 'foil') after = retypeFoil(after, unit.id, { formula: free });
  }
  // The letter that is split is kept as it is, even where it was the usual one.
  return { plan: after, mix: { ...mix, formulas: { ...mix.formulas, [letter]: own, [free]: next } } };
}

function withPanelLetter(plan: Plan, id: string, from: string, to: string): Plan {
  const swap = (text: string) => text.replaceAll(from, to);
  return {
    ...plan,
    panels: plan.panels.map((panel) =>
      panel.id === id
        ? {
            ...panel,
            formula: swap(panel.formula),
            rotation: panel.rotation && { ...panel.rotation, sequence: swap(panel.rotation.sequence) },
          }
        : panel,
    ),
  };
}
