'use client';

import { useEffect, useState } from 'react';
import type { Block, ClockRules, Fixed, Start } from '@/core/clock';
import type { ClockAnswer, ClockQuestion } from '@/workers/clock';

/** The search goes on for so long before it says what it has, unless another end is named. */
const WITHIN = { ms: 4000 } as const;

export interface Clocked {
  /** The best plan so far; undefined until there is one. */
  readonly answer: ClockAnswer | undefined;
  readonly problem: string | undefined;
}

const NONE: Clocked = { answer: undefined, problem: undefined };

export interface Asked {
  readonly blocks: readonly Block[];
  readonly rules: ClockRules;
  readonly fixed: Fixed;
  readonly start?: Start;
}

/** Searches the order of foiling and rinsing in a worker; a new question ends the old one. @param asked kept the same as long as it is; null asks nothing */
export function useClock(asked: Asked | null, within: ClockQuestion['within'] = WITHIN): Clocked {
  const [state, setState] = useState<Clocked & { of: unknown }>({ ...NONE, of: null });
  useEffect(() => {
    if (!asked || asked.blocks.length === 0) return;
    const { blocks, rules, fixed, start = null } = asked;
    const worker = new Worker(new URL('../../workers/clock.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<ClockAnswer>) => setState({ answer: data, problem: undefined, of: asked });
    worker.onerror = ({ message }) => setState({ answer: undefined, problem: message.replace(/^Uncaught (\w*Error: )?/, '') || 'the worker stopped', of: asked });
    worker.postMessage({ blocks, rules, fixed, start, within } satisfies ClockQuestion);
    return () => worker.terminate();
  }, [asked, within]);
  return state.of === asked ? state : NONE;
}
