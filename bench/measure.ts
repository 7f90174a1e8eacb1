/**
 * One line of the bench: a median, how it compares with the plain baseline of the same run, and what it may
 * take.
 */
export interface Measure {
  readonly name: string;
  readonly medianMs: number;
  readonly ratio: number;
  /** null where the line only shows how a cost grows. */
  readonly budgetMs: number | null;
}

/** Median duration of a piece of work in ms, after warm-up. `prepare` is not timed. */
export function median<T>(
  prepare: () => T,
  work: (prepared: T) => unknown,
  { warmUp = 12, runs = 41 } = {},
): number {
  const times: number[] = [];
  for (let i = 0; i < warmUp + runs; i += 1) {
    const prepared = prepare();
    const start = performance.now();
    work(prepared);
    if (i >= warmUp) times.push(performance.now() - start);
  }
  times.sort((a, b) => a - b);
  return times[times.length >> 1];
}

export const isOver = ({ medianMs, budgetMs }: Measure): boolean => budgetMs !== null && medianMs > budgetMs;

export function printed(measure: Measure): string {
  const { name, medianMs, ratio, budgetMs } = measure;
  const budget = budgetMs === null ? '' : `budget ${budgetMs} ms${isOver(measure) ? '  OVER' : ''}`;
  return `${name.padEnd(52)}${medianMs.toFixed(2).padStart(9)} ms ${ratio.toFixed(2).padStart(8)} x  ${budget}`.trimEnd();
}
