import { thumbnailOf, type Thumbnail } from '@/core/formats';
import { createPatternEngine, sharesOf, type Plan, type Shares } from '@/core/pattern';
import { suggest, type SuggestFacts, type Suggestion } from '@/core/suggest';

/** A pattern laid on a head: what it comes to, and its drawing. */
export interface LaidPattern {
  readonly foils: number;
  readonly painted: number;
  readonly minutes: number;
  readonly shares: Shares;
  readonly thumbnail: Thumbnail;
}

/** What can be asked of the worker, each with its answer. */
export interface PatternAsks {
  /** @param deposits letters that are meant to deposit */
  lay: { ask: { readonly plan: Plan; readonly deposits: readonly string[] }; answer: LaidPattern };
  suggest: { ask: SuggestFacts; answer: { suggestion: Suggestion; laid: LaidPattern }[] };
}
export type PatternVerb = keyof PatternAsks;

const engine = createPatternEngine();

function lay({ plan, deposits }: PatternAsks['lay']['ask']): LaidPattern {
  const computed = engine.compute(plan);
  const { totals, painted } = computed.sheet;
  return { foils: totals.foils, painted: painted.length, minutes: totals.foilingMinutes, shares: sharesOf(computed.sheet, new Set(deposits)).total, thumbnail: thumbnailOf(computed) };
}

/** Answers one question; the engine remembers heads between them. */
export const ANSWERS: { [V in PatternVerb]: (ask: PatternAsks[V]['ask']) => PatternAsks[V]['answer'] } = {
  lay,
  suggest: (facts) => suggest(facts, engine).map((suggestion) => ({ suggestion, laid: lay({ plan: suggestion.plan, deposits: suggestion.technique.deposits ?? [] }) })),
};
