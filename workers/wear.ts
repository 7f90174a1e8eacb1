import { messageOf } from '@/core/units';
import { WORK, type WearKind } from './wear-asks';

/**
 * A question on a channel: the newest one of a channel takes the place of an older one that is not answered
 * yet.
 */
export interface WearMessage {
  readonly channel: string;
  readonly id: number;
  /** Lower is sooner. */
  readonly order: number;
  readonly kind: WearKind;
  /** undefined gives the channel up. */
  readonly ask: unknown;
}

export interface WearAnswer {
  readonly channel: string;
  readonly id: number;
  readonly answer?: unknown;
  /** How far it has come where there is no answer yet, 0–1. */
  readonly progress?: number;
  /** Nothing more will come for this question. */
  readonly done: boolean;
  readonly problem?: string;
}

interface Job {
  readonly id: number;
  readonly order: number;
  readonly steps: Generator<unknown>;
}

const jobs = new Map<string, Job>();
let working = false;

addEventListener('message', ({ data: { channel, id, order, kind, ask } }: MessageEvent<WearMessage>) => {
  jobs.delete(channel);
  if (ask !== undefined)
    jobs.set(channel, { id, order, steps: (WORK[kind] as (item: unknown) => Generator<unknown>)(ask) });
  if (!working) void work();
});

/** One step of the most urgent question at a time; messages that came meanwhile are read before the next. */
async function work(): Promise<void> {
  working = true;
  while (jobs.size > 0) {
    const [channel, job] = [...jobs].sort((a, b) => a[1].order - b[1].order)[0];
    try {
      const { value, done } = job.steps.next();
      if (done) jobs.delete(channel);
      const said =
        typeof value === 'number'
          ? { progress: value }
          : value !== undefined && value !== null
            ? { answer: value }
            : {};
      postMessage({ channel, id: job.id, ...said, done: done ?? false } satisfies WearAnswer);
    } catch (error) {
      jobs.delete(channel);
      postMessage({
        channel,
        id: job.id,
        done: true,
        problem: messageOf(error),
      } satisfies WearAnswer);
    }
    await new Promise((resolve) => setTimeout(resolve, 0));
  }
  working = false;
}
