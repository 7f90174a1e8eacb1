'use client';

import { useEffect, useState } from 'react';
import type { Block } from '@/core/clock';
import type { ClockAnswer, ClockQuestion } from '@/workers/clock';

/** The search goes on for so long before it says what it has. */
const WITHIN_MS = 4000;

export interface Clocked {
  /** The best plan so far; undefined until there is one. */
  readonly answer: ClockAnswer | undefined;
  readonly problem: string | undefined;
}

const NONE: Clocked = { answer: undefined, problem: undefined };

/** Searches the order of foiling and rinsing in a worker; a new question ends the old one. @param blocks kept the same as long as they are */
export function useClock(blocks: readonly Block[], order: readonly number[] | null): Clocked {
  const [state, setState] = useState<Clocked & { of: unknown; by: unknown }>({ ...NONE, of: null, by: null });
  useEffect(() => {
    if (blocks.length === 0) return;
    const worker = new Worker(new URL('../../workers/clock.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<ClockAnswer>) => setState({ answer: data, problem: undefined, of: blocks, by: order });
    worker.onerror = ({ message }) => setState({ answer: undefined, problem: message || 'the worker stopped', of: blocks, by: order });
    worker.postMessage({ blocks, order, withinMs: WITHIN_MS } satisfies ClockQuestion);
    return () => worker.terminate();
  }, [blocks, order]);
  return state.of === blocks && state.by === order ? state : NONE;
}
