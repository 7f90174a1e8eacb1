import { searchService, type Action, type Block } from '@/core/clock';

/** A question: in what order to foil and rinse these blocks, within so many milliseconds. */
export interface ClockQuestion {
  readonly blocks: readonly Block[];
  /** Order that they must be foiled in; null leaves it to the search. */
  readonly order: readonly number[] | null;
  readonly withinMs: number;
}

export interface ClockAnswer {
  readonly actions: readonly Action[];
  readonly proved: boolean;
  /** Whether a better one may still come. */
  readonly done: boolean;
}

addEventListener('message', ({ data: { blocks, order, withinMs } }: MessageEvent<ClockQuestion>) => {
  const until = performance.now() + withinMs;
  const found = searchService(blocks, { order, stop: () => performance.now() > until, onBetter: (actions) => postMessage({ actions, proved: false, done: false } satisfies ClockAnswer) });
  postMessage({ actions: found.actions, proved: found.proved, done: true } satisfies ClockAnswer);
});
