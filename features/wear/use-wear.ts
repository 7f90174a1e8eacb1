'use client';

import { useEffect, useState } from 'react';
import type { WearAsks, WearKind } from '@/workers/wear-asks';
import { wearWorker } from './wear-worker';

export interface Wearing<A> {
  /** The newest answer, of an older question while the new one is worked on. */
  readonly answer: A | undefined;
  /** Whether it answers the question as it stands, to the end. */
  readonly done: boolean;
  /** How far the question has come while it has no answer of its own yet, 0–1. */
  readonly progress: number | undefined;
  readonly problem: string | undefined;
}

/**
 * Asks the wear worker and follows its answers; a new question takes the place of the old one.
 * @param ask kept the same by the caller as long as it asks the same; null asks nothing
 * @param order lower is answered sooner
 */
export function useWear<K extends WearKind>(
  channel: string,
  order: number,
  kind: K,
  ask: WearAsks[K]['ask'] | null,
): Wearing<WearAsks[K]['answer']> {
  type State = Wearing<WearAsks[K]['answer']> & { of: unknown };
  const [state, setState] = useState<State>({
    of: null,
    answer: undefined,
    done: false,
    progress: undefined,
    problem: undefined,
  });
  useEffect(() => {
    if (ask === null) return;
    return wearWorker.ask(channel, order, kind, ask, ({ answer, done, progress, problem }) =>
      setState((before) => ({ of: ask, answer: answer ?? before.answer, done, progress, problem })),
    );
  }, [channel, order, kind, ask]);
  const current = state.of === ask;
  return {
    answer: ask === null ? undefined : state.answer,
    done: state.done && current,
    progress: ask === null ? undefined : current ? state.progress : 0,
    problem: state.problem,
  };
}
