'use client';

import { useCallback, useEffect, useState } from 'react';
import type { betterRest, RestQuestion } from '@/core/chair';
import type { ClockPlanned, ClockQuestion } from '@/core/clock';
import type { ClockAnswer, ClockAsked } from '@/workers/clock';

export interface Answered<T> {
  readonly answer: T | undefined;
  /** Why there is none, in words. */
  readonly problem: string | undefined;
  /** Asks once more. */
  again(): void;
}

/**
 * Asks the clock's worker; a new question ends the old one, and the last answer stays until the next is
 * there.
 * @param asked the same as long as it is; null asks nothing
 */
function useWorker(asked: ClockAsked | null): Answered<ClockAnswer> & { readonly current: boolean } {
  const [state, setState] = useState<{ answer?: ClockAnswer; problem?: string; of: unknown }>({ of: null });
  const [tries, setTries] = useState(0);
  useEffect(() => {
    if (!asked) return;
    const worker = new Worker(new URL('../../workers/clock.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<ClockAnswer>) => setState({ answer: data, of: asked });
    worker.onerror = ({ message }) =>
      setState({
        problem: (message ?? '').replace(/^Uncaught (\w*Error: )?/, '') || 'the worker stopped',
        of: asked,
      });
    worker.postMessage(asked);
    return () => worker.terminate();
  }, [asked, tries]);
  const again = useCallback(() => setTries((before) => before + 1), []);
  return {
    answer: state.answer,
    problem: state.of === asked ? state.problem : undefined,
    again,
    current: state.of === asked,
  };
}

/** The plans of a question, worked out beside the page. @param asked kept the same as long as it is */
export function usePlans(
  asked: (ClockAsked & { kind: 'plans' }) | null,
): Answered<readonly ClockPlanned[]> & { readonly current: boolean } {
  const { answer, ...rest } = useWorker(asked);
  return { ...rest, answer: answer?.kind === 'plans' ? answer.plans : undefined };
}

/** Another course for the rest of a service, where one is worth changing to. */
export function useBetterRest(asked: (ClockAsked & { kind: 'rest' }) | null): ReturnType<typeof betterRest> {
  const { answer, current } = useWorker(asked);
  return current && answer?.kind === 'rest' ? answer.better : null;
}

export const askPlans = (question: ClockQuestion): ClockAsked & { kind: 'plans' } => ({
  kind: 'plans',
  question,
});
export const askRest = (question: RestQuestion): ClockAsked & { kind: 'rest' } => ({
  kind: 'rest',
  question,
});
