import { thumbnailOf, type Thumbnail } from '@/core/formats';
import { createPatternEngine, type Plan } from '@/core/pattern';
import { suggest, type SuggestFacts, type Suggestion } from '@/core/suggest';

/** A pattern laid on a head: what it comes to, and its drawing. */
export interface LaidPattern {
  readonly foils: number;
  readonly painted: number;
  readonly minutes: number;
  readonly lightenedShare: number;
  readonly thumbnail: Thumbnail;
}

/** What can be asked of the worker, each with its answer. */
export interface PatternAsks {
  lay: { ask: Plan; answer: LaidPattern };
  suggest: { ask: SuggestFacts; answer: { suggestion: Suggestion; laid: LaidPattern }[] };
}
export type PatternVerb = keyof PatternAsks;

const engine = createPatternEngine();

function lay(plan: Plan): LaidPattern {
  const computed = engine.compute(plan);
  const { totals, painted } = computed.sheet;
  return { foils: totals.foils, painted: painted.length, minutes: totals.foilingMinutes, lightenedShare: totals.lightenedShare, thumbnail: thumbnailOf(computed) };
}

/** Answers one question; the engine remembers heads between them. */
export const ANSWERS: { [V in PatternVerb]: (ask: PatternAsks[V]['ask']) => PatternAsks[V]['answer'] } = {
  lay,
  suggest: (facts) => suggest(facts, engine).map((suggestion) => ({ suggestion, laid: lay(suggestion.plan) })),
};
