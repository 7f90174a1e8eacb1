import { emptyPlan, panelOf, type PanelInput } from '../formats';
import { createPatternEngine } from './compute';
import type { Sheet } from './sheet';
import type { Plan } from './types';

/** One engine for a file of tests: what it remembers makes them quick and changes nothing. */
export const engine = createPatternEngine();

const FINE = { kind: 'weave', stitchMm: 2.5, gapMm: 2.5, depth: 0.5 } as const;

/** A plan of panels of which only the telling fields are given. */
export function planWith(panels: readonly Partial<PanelInput>[], more: Partial<Plan> = {}): Plan {
  return {
    ...emptyPlan('Test'),
    ...more,
    panels: panels.map((panel, i) =>
      panelOf({
        id: `p${i + 1}`,
        name: `Panel ${i + 1}`,
        place: { kind: 'back' },
        gather: FINE,
        thicknessMm: 4,
        spacing: { kind: 'constant', dropoutMm: 5 },
        ...panel,
      }),
    ),
  };
}

export function sheetOf(panels: readonly Partial<PanelInput>[], more: Partial<Plan> = {}): Sheet {
  return engine.compute(planWith(panels, more)).sheet;
}

/** A plan whose foils take two formulas in turn, foil by foil. */
export const inTurn = (plan: Plan): Plan => ({
  ...plan,
  panels: plan.panels.map((panel) => ({
    ...panel,
    rotation: { sequence: 'AB', by: 'foil', anew: true, from: 1, to: null } as const,
  })),
});
