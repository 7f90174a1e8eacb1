import type { ComputedPlan, Plan } from '../pattern';
import { NO_FACTS, USUAL_LIMITS, type Check, type CheckFacts, type CheckLimits, type Rule } from './check';
import { budgetChecks, overlapChecks, pointedChecks, shortChecks } from './hair-checks';
import { crownChecks, hairlineChecks, partChecks } from './head-checks';
import {
  alternationChecks,
  driftChecks,
  jumpChecks,
  sliceChecks,
  thickChecks,
  timeChecks,
  wideChecks,
} from './section-checks';

export {
  NO_FACTS,
  RULE_WORDS,
  RULES,
  USUAL_LIMITS,
  type Check,
  type CheckFacts,
  type CheckLimits,
  type Rule,
} from './check';
export { unlitStretches, withRim } from './head-checks';
export { landmarkPanels } from './mends';

/** All findings about a pattern, what matters most first. An empty head has none. */
export function checksOf({
  plan,
  computed,
  limits = USUAL_LIMITS,
  off = [],
  facts = NO_FACTS,
}: {
  readonly plan: Plan;
  readonly computed: ComputedPlan;
  readonly limits?: CheckLimits;
  readonly off?: readonly Rule[];
  readonly facts?: CheckFacts;
}): Check[] {
  if (computed.sheet.foils.length === 0) return [];
  const input = { plan, computed, limits, facts };
  return [
    partChecks,
    hairlineChecks,
    shortChecks,
    wideChecks,
    thickChecks,
    crownChecks,
    pointedChecks,
    jumpChecks,
    alternationChecks,
    timeChecks,
    budgetChecks,
    overlapChecks,
    driftChecks,
    sliceChecks,
  ]
    .flatMap((rule) => rule(input))
    .filter(({ rule }) => !off.includes(rule));
}
