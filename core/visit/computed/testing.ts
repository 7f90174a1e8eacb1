import { EMPTY_CONSULT, EMPTY_MIX, startPlan, USUAL_HOUSE } from '../../formats';
import type { Plan } from '../../pattern';
import { USUAL_RANGE } from '../../products';
import type { Consult, DepositFormula, VisitMix } from '..';
import { createVisitEngine, type ComputedVisit, type VisitFacts } from '.';

const engine = createVisitEngine();

/** A lowlight: natural of the usual demi, on for 20 minutes. */
export const DEPOSIT: DepositFormula = {
  kind: 'deposit',
  line: 'sedge',
  parts: [{ shade: 'sedge-6-natural', parts: 1 }],
  volumes: 10,
  ratio: 2,
  additives: [],
  minutes: 20,
  reach: 'ends',
  ends: null,
};

const USUAL_FACTS: VisitFacts = {
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

/**
 * A visit as the usual house has it, with head and hair of its plan: what a test is not about stays usual.
 */
export function visitOf({ plan = startPlan(), consult, mix, facts }: VisitParts = {}): ComputedVisit {
  const documents = {
    plan,
    consult: { ...EMPTY_CONSULT, head: plan.head, hair: plan.hair, ...consult },
    mix: { ...EMPTY_MIX, ...mix },
    outcome: null,
  };
  return engine.compute(documents, { ...USUAL_FACTS, ...facts });
}
