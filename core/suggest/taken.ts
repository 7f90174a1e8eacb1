import { fitPlan } from '../fit';
import { sharesOf, type PatternEngine, type Plan, type Shares } from '../pattern';
import { planOf, type Technique } from '../technique';
import type { SuggestFacts } from './facts';
import { settle, type Setting } from './settings';

/** A technique as it would be taken. */
export interface Taken {
  /** The pattern as it would be taken, and what that comes to: bands added, thinned to the time there is. */
  readonly plan: Plan;
  readonly foils: number;
  readonly minutes: number;
  readonly shares: Shares;
  /** What is set differently from the library, each with its reason. */
  readonly settings: readonly Setting[];
  /** Foils before it was thinned to the time there is. */
  readonly foilsUnfitted: number;
}

export function takenOf(technique: Technique, facts: SuggestFacts, engine: PatternEngine): Taken {
  const settled = settle(planOf(technique, facts.on), facts);
  const whole = engine.compute(settled.plan).sheet;
  const { minutes } = facts;
  const fitted =
    minutes === null || whole.totals.foilingMinutes <= minutes
      ? undefined
      : fitPlan(settled.plan, engine, { kind: 'minutes', minutes });
  const isFitted = fitted?.ok && fitted.changes.length > 0;
  const plan = isFitted ? fitted.plan : settled.plan;
  const sheet = isFitted ? engine.compute(plan).sheet : whole;
  const { totals } = sheet;
  return {
    plan,
    foils: totals.foils,
    minutes: totals.foilingMinutes,
    shares: sharesOf(sheet, new Set(technique.deposits)).total,
    foilsUnfitted: whole.totals.foils,
    settings: isFitted
      ? [
          ...settled.settings,
          { words: `thinned to ${totals.foils} foils`, why: `so that it fits into ${minutes} min` },
        ]
      : settled.settings,
  };
}
