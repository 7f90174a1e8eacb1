import { emptyPlan, panelOf } from '../formats';
import type { Plan } from '../pattern';
import type { Technique } from './library';

/** A technique as a plan for a head and hair; the average ones where none are given. */
export function planOf(technique: Technique, on: Partial<Pick<Plan, 'head' | 'hair' | 'foil'>> = {}): Plan {
  return {
    ...emptyPlan(technique.name),
    ...on,
    panels: technique.panels.map(panelOf),
    sectioning: technique.sectioning ?? [],
  };
}

/** A plan with the technique in place of its panels: head, hair and foil stay the client's and the house's. */
export function applyTechnique(plan: Plan, technique: Technique): Plan {
  return planOf(technique, { head: plan.head, hair: plan.hair, foil: plan.foil });
}
