import { ANSWERS, type PatternVerb } from './pattern-asks';

/** A question with its number; the answer carries the same. */
export interface PatternMessage {
  readonly id: number;
  readonly verb: PatternVerb;
  readonly ask: unknown;
}

addEventListener('message', ({ data: { id, verb, ask } }: MessageEvent<PatternMessage>) => {
  const answer = (ANSWERS[verb] as (item: unknown) => unknown)(ask);
  postMessage({ id, answer });
});
