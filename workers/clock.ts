import { searchService, type Action, type Block, type ClockRules, type Fixed, type Start } from '@/core/clock';

/** A question: in what order to foil and rinse these blocks, within some time. */
export interface ClockQuestion {
  readonly blocks: readonly Block[];
  readonly rules: ClockRules;
  readonly fixed: Fixed;
  /** Where the service stands; null at its beginning. */
  readonly start: Start | null;
  /** Until when: milliseconds, or so many hundred steps, which always come to the same answer. */
  readonly within: { readonly ms: number } | { readonly steps: number };
}

export interface ClockAnswer {
  readonly actions: readonly Action[];
  readonly proved: boolean;
  /** Whether a better one may still come. */
  readonly done: boolean;
}

addEventListener('message', ({ data: { blocks, rules, fixed, start, within } }: MessageEvent<ClockQuestion>) => {
  const until = performance.now() + ('ms' in within ? within.ms : Infinity);
  let asked = 0;
  const stop = () => ('ms' in within ? performance.now() > until : (asked += 1) > within.steps);
  const found = searchService(blocks, {
    rules, fixed, start: start ?? undefined, stop, onBetter: (actions) => postMessage({ actions, proved: false, done: false } satisfies ClockAnswer),
  });
  postMessage({ actions: found.actions, proved: found.proved, done: true } satisfies ClockAnswer);
});
