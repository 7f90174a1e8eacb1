import { EMPTY_CONSULT, EMPTY_MIX, startPlan, USUAL_HOUSE } from '../../formats';
import type { Plan } from '../../pattern';
import { USUAL_RANGE } from '../../products';
import type { Consult, VisitMix } from '..';
import { createVisitEngine, type ComputedVisit, type VisitFacts } from '.';

const engine = createVisitEngine();

export const USUAL_FACTS: VisitFacts = {
  heldOn: '2027-01-04',
  bornOn: null,
  house: USUAL_HOUSE,
  range: USUAL_RANGE,
  uses: [],
  tests: [],
  consents: [],
  history: [],
  previous: null,
  foiled: null,
};

export interface VisitParts {
  readonly plan?: Plan;
  readonly consult?: Partial<Consult>;
  readonly mix?: Partial<VisitMix>;
  readonly facts?: Partial<VisitFacts>;
}

/** A visit as the usual house has it, with head and hair of its plan: what a test is not about stays usual. */
export function visitOf({ plan = startPlan(), consult, mix, facts }: VisitParts = {}): ComputedVisit {
  const documents = {
    plan,
    consult: { ...EMPTY_CONSULT, head: plan.head, hair: plan.hair, ...consult },
    mix: { ...EMPTY_MIX, ...mix },
  };
  return engine.compute(documents, { ...USUAL_FACTS, ...facts });
}
