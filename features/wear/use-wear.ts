'use client';

import { useEffect, useState } from 'react';
import type { WearAsks, WearKind } from '@/workers/wear-asks';
import { wearWorker } from './wear-worker';

export interface Wearing<A> {
  /** The newest answer, of an older question while the new one is worked on. */
  readonly answer: A | undefined;
  /** Whether it answers the question as it stands, to the end. */
  readonly done: boolean;
  readonly problem: string | undefined;
}

/**
 * Asks the wear worker and follows its answers; a new question takes the place of the old one.
 * @param ask kept the same by the caller as long as it asks the same; null asks nothing
 * @param order lower is answered sooner
 */
export function useWear<K extends WearKind>(channel: string, order: number, kind: K, ask: WearAsks[K]['ask'] | null): Wearing<WearAsks[K]['answer']> {
  const [state, setState] = useState<{ of: unknown; answer: WearAsks[K]['answer'] | undefined; done: boolean; problem: string | undefined }>({ of: null, answer: undefined, done: false, problem: undefined });
  useEffect(() => {
    if (ask === null) return;
    return wearWorker.ask(channel, order, kind, ask, (answer, done, problem) =>
      setState((before) => ({ of: ask, answer: answer ?? before.answer, done, problem })),
    );
  }, [channel, order, kind, ask]);
  return { answer: ask === null ? undefined : state.answer, done: state.done && state.of === ask, problem: state.problem };
}
