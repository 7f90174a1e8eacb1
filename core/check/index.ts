import type { ComputedPlan, Plan } from '../pattern';
import { USUAL_LIMITS, type Check, type CheckLimits, type Rule } from './check';
import { crownChecks, hairlineChecks, partChecks } from './head-checks';
import { alternationChecks, driftChecks, jumpChecks, sliceChecks, thickChecks, timeChecks, wideChecks } from './section-checks';

export { RULES, USUAL_LIMITS, type Check, type CheckLimits, type Mend, type Rule } from './check';
export { unlitStretches } from './head-checks';

/** All findings about a pattern, what matters most first. An empty head has none. */
export function checksOf(plan: Plan, computed: ComputedPlan, limits: CheckLimits = USUAL_LIMITS, off: readonly Rule[] = []): Check[] {
  if (computed.sheet.foils.length === 0) return [];
  const input = { plan, computed, limits };
  return [
    partChecks, hairlineChecks, wideChecks, thickChecks, crownChecks, jumpChecks, alternationChecks, timeChecks, driftChecks, sliceChecks,
  ].flatMap((rule) => rule(input)).filter(({ rule }) => !off.includes(rule));
}
