import { searchService, type Action, type Block, type ClockRules, type Fixed, type Start } from '@/core/clock';

/** A question: in what order to foil and rinse these blocks, within so many milliseconds. */
export interface ClockQuestion {
  readonly blocks: readonly Block[];
  readonly rules: ClockRules;
  readonly fixed: Fixed;
  /** Where the service stands; null at its beginning. */
  readonly start: Start | null;
  readonly withinMs: number;
}

export interface ClockAnswer {
  readonly actions: readonly Action[];
  readonly proved: boolean;
  /** Whether a better one may still come. */
  readonly done: boolean;
}

addEventListener('message', ({ data: { blocks, rules, fixed, start, withinMs } }: MessageEvent<ClockQuestion>) => {
  const until = performance.now() + withinMs;
  const found = searchService(blocks, {
    rules, fixed, start: start ?? undefined, stop: () => performance.now() > until, onBetter: (actions) => postMessage({ actions, proved: false, done: false } satisfies ClockAnswer),
  });
  postMessage({ actions: found.actions, proved: found.proved, done: true } satisfies ClockAnswer);
});
