'use client';

import { useMemo } from 'react';
import { bindingsOf, runService, type Timeline } from '@/core/clock';
import { MINUTE, restOf, restSteps, simpleRest, type RestQuestion, type RestStep, type ServiceScript, type ServiceState } from '@/core/chair';
import { useClock } from '../clock/use-clock';

/** So many hundred steps: every device comes to the same plan. */
const WITHIN = { steps: 16 } as const;
/** What is late is planned anew so often, ms. */
const AGAIN_MS = 2 * MINUTE;

export interface Rest {
  readonly question: RestQuestion | null;
  readonly steps: readonly RestStep[];
  readonly actions: Parameters<typeof runService>[1];
  readonly timeline: Timeline | null;
  /** The nearest thing that binds, in words. */
  readonly binds: string | null;
  /** Whether the search has answered; until then it is the simple plan. */
  readonly searched: boolean;
}

const NOTHING_LEFT: Rest = { question: null, steps: [], actions: [], timeline: null, binds: null, searched: true };

/** The plan of what is left, searched anew whenever something happened, and every two minutes while nothing does. */
export function useRest(script: ServiceScript | undefined, state: ServiceState | null, now: number): Rest {
  const free = state?.freeAt ?? null;
  const from = free === null ? 0 : free + Math.floor(Math.max(0, now - free) / AGAIN_MS) * AGAIN_MS;
  // What was heard or said changes no plan.
  const key = useMemo(() => state && JSON.stringify([state.startedAt, state.blocks.map(({ units, standing }) => [standing, units.map((own) => `${own.standing[0]}${Math.round(own.readyMinutes * 10)}`).join(' ')]), state.stages, state.bowls, state.next, state.lastBlock, from]), [state, from]);
  const question = useMemo(() => (script && state ? restOf(script, state, from) : null), [script, key]); // eslint-disable-line react-hooks/exhaustive-deps
  const { answer } = useClock(question, WITHIN);
  const startedAt = state?.startedAt ?? null;
  return useMemo(() => {
    if (!question) return NOTHING_LEFT;
    const actions = answer?.actions ?? simpleRest(question);
    const timeline = runService(question.blocks, actions, question.rules, question.start);
    return {
      question, actions, timeline, steps: restSteps(question, actions, startedAt ?? now), searched: answer?.done ?? false,
      binds: bindingsOf(question.blocks, timeline, question.rules)[0]?.words ?? null,
    };
  }, [question, answer, startedAt]); // eslint-disable-line react-hooks/exhaustive-deps
}
