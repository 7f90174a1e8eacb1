import { thumbnailOf, type Thumbnail } from '@/core/formats';
import { bySoonest, lineWords } from '@/core/growth';
import { createPatternEngine, sharesOf, type Plan, type Shares } from '@/core/pattern';
import { suggest, type SuggestFacts, type Suggestion } from '@/core/suggest';
import { createVisitEngine, type VisitDocuments, type VisitFacts } from '@/core/visit/computed';
import { rootLinesOf } from '@/core/wear';

/** A pattern laid on a head: what it comes to, and its drawing. */
export interface LaidPattern {
  readonly foils: number;
  readonly painted: number;
  readonly minutes: number;
  readonly shares: Shares;
  readonly thumbnail: Thumbnail;
  readonly comesTo: ComesTo;
}

/** The open visit without its pattern. */
export interface VisitAsked {
  readonly documents: Omit<VisitDocuments, 'plan'>;
  readonly facts: VisitFacts;
}

/** What the visit comes to with a pattern. */
export interface ComesTo {
  /** Estimate, minor units; 0 where the house has no prices. */
  readonly totalMinor: number;
  /** When its root line shows, in words. */
  readonly line: string | null;
}

/** What can be asked of the worker, each with its answer. */
export interface PatternAsks {
  /** @param deposits letters that are meant to deposit */
  lay: {
    ask: { readonly plan: Plan; readonly deposits: readonly string[]; readonly visit: VisitAsked };
    answer: LaidPattern;
  };
  suggest: {
    ask: { readonly facts: SuggestFacts; readonly visit: VisitAsked };
    answer: { suggestion: Suggestion; laid: LaidPattern }[];
  };
}
export type PatternVerb = keyof PatternAsks;

const engine = createPatternEngine();
const visits = createVisitEngine(engine);

function comesTo(plan: Plan, { documents, facts }: VisitAsked): ComesTo {
  const visit = visits.compute({ ...documents, plan }, facts);
  const { mmPerWeek } = visit.growth.rate;
  const [first] = rootLinesOf(visit.lines).sort(bySoonest);
  return { totalMinor: visit.estimate.totalMinor, line: first ? lineWords(first, mmPerWeek) : null };
}

function lay({ plan, deposits, visit }: PatternAsks['lay']['ask']): LaidPattern {
  const computed = engine.compute(plan);
  const { totals, painted } = computed.sheet;
  return {
    foils: totals.foils,
    painted: painted.length,
    minutes: totals.foilingMinutes,
    shares: sharesOf(computed.sheet, new Set(deposits)).total,
    thumbnail: thumbnailOf(computed),
    comesTo: comesTo(plan, visit),
  };
}

/** Answers one question; the engine remembers heads between them. */
export const ANSWERS: { [V in PatternVerb]: (ask: PatternAsks[V]['ask']) => PatternAsks[V]['answer'] } = {
  lay,
  suggest: ({ facts, visit }) =>
    suggest(facts, engine).map((suggestion) => ({
      suggestion,
      laid: lay({ plan: suggestion.plan, deposits: suggestion.technique.deposits ?? [], visit }),
    })),
};
