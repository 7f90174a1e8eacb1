import { fitPlan } from '../fit';
import { sharesOf, type PatternEngine, type Plan, type Shares } from '../pattern';
import { overviewOf, planOf, TECHNIQUES, type Technique } from '../technique';
import type { SuggestFacts } from './facts';
import { reasonsFor } from './reasons';
import { settle, type Setting } from './settings';

/** A technique that suits the visit, set for it, with its reasons. */
export interface Suggestion {
  readonly technique: Technique;
  /** The pattern as it would be taken. */
  readonly plan: Plan;
  readonly foils: number;
  readonly minutes: number;
  readonly shares: Shares;
  /** Why this one. */
  readonly why: readonly string[];
  /** What speaks against it. */
  readonly but: readonly string[];
  /** What is set differently from the library, each with its reason. */
  readonly settings: readonly Setting[];
}

const MOST = 3;
/** Techniques that nothing speaks for are not suggested, however few are left. */
const LEAST_WEIGHT = 0;

/**
 * Up to three techniques for a visit, the best first. Reasons are weighed one by one and shown; a pattern that is set for
 * the house and would take longer than there is, is fitted to the time.
 */
export function suggest(facts: SuggestFacts, engine: PatternEngine): Suggestion[] {
  return TECHNIQUES.map((technique) => {
    const overview = overviewOf(technique, engine, facts.on);
    const reasons = reasonsFor(technique, overview, facts);
    return { technique, reasons, weight: reasons.reduce((sum, { weight }) => sum + weight, 0) };
  })
    .filter(({ weight }) => weight > LEAST_WEIGHT)
    .sort((a, b) => b.weight - a.weight)
    .slice(0, MOST)
    .map(({ technique, reasons }): Suggestion => {
      const settled = settle(planOf(technique, facts.on), facts);
      const fitted = facts.minutes === null ? undefined : fitPlan(settled.plan, engine, { kind: 'minutes', minutes: facts.minutes });
      const isFitted = fitted?.ok && fitted.changes.length > 0;
      const plan = isFitted ? fitted.plan : settled.plan;
      const { sheet } = engine.compute(plan);
      const { totals } = sheet;
      const said = (of: (weight: number) => boolean) => reasons.filter(({ weight, words }) => of(weight) && words !== '').sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight)).map(({ words }) => words);
      return {
        technique, plan, foils: totals.foils, minutes: totals.foilingMinutes, shares: sharesOf(sheet, new Set(technique.deposits)).total,
        why: said((weight) => weight > 0),
        but: said((weight) => weight < 0),
        settings: isFitted ? [...settled.settings, { words: `thinned to ${totals.foils} foils`, why: `so that it fits into ${facts.minutes} min` }] : settled.settings,
      };
    });
}
