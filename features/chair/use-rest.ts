'use client';

import { useMemo } from 'react';
import {
  betterRest,
  MINUTE,
  restOf,
  restSteps,
  restTimeline,
  runningCourse,
  type RestQuestion,
  type RestStep,
  type ServiceScript,
  type ServiceState,
} from '@/core/chair';
import { bindingsOf, type Timeline } from '@/core/clock';
import { askRest, useBetterRest } from '../clock/use-clock';

/** What is late is planned again so often, ms. */
const AGAIN_MS = 2 * MINUTE;

export interface Rest {
  readonly question: RestQuestion | null;
  readonly steps: readonly RestStep[];
  readonly timeline: Timeline | null;
  /** The nearest thing that binds, in words. */
  readonly binds: string | null;
  /** Another course that saves enough to be worth changing to. */
  readonly better: ReturnType<typeof betterRest>;
}

const NOTHING_LEFT: Omit<Rest, 'better'> = { question: null, steps: [], timeline: null, binds: null };

/**
 * The plan of what is left: the running course, followed from where the service stands whenever something
 * happened, and every
 * two minutes while nothing does. It is the same on every device, and only a person changes it for another.
 */
export function useRest(script: ServiceScript | undefined, state: ServiceState | null, now: number): Rest {
  const free = state?.freeAt ?? null;
  const late = free === null ? 0 : Math.floor(Math.max(0, now - free) / AGAIN_MS);
  // A round of foils that are to be opened stays as it was called, however long it takes.
  const from = useMemo(() => {
    if (!script || !state || free === null) return 0;
    const opens =
      runningCourse(script, state).pulling === 'own' && state.blocks.some(({ firstAt }) => firstAt !== null);
    for (let n = 0; opens && n < late; n += 1) {
      const asked = restOf(script, state, free + n * AGAIN_MS);
      const [first] = asked ? restSteps(asked, restTimeline(asked), state.startedAt ?? free) : [];
      if (
        (first?.kind === 'pull' || first?.kind === 'again') &&
        first.by === 0 &&
        first.at < free + (n + 1) * AGAIN_MS
      )
        return free + n * AGAIN_MS;
    }
    return free + late * AGAIN_MS;
  }, [script, state, free, late]);
  // What was heard or said changes no plan.
  const key = useMemo(
    () =>
      state &&
      JSON.stringify([
        state.startedAt,
        state.blocks.map(({ units, standing }) => [
          standing,
          units.map((unit) => `${unit.standing[0]}${Math.round(unit.readyMinutes * 10)}`).join(' '),
        ]),
        state.stages,
        state.bowls,
        state.next,
        state.lastBlock,
        state.course,
        from,
      ]),
    [state, from],
  );
  const question = useMemo(() => (script && state ? restOf(script, state, from) : null), [script, key]); // oxlint-disable-line react-hooks/exhaustive-deps
  const startedAt = state?.startedAt ?? null;
  const rest = useMemo((): Omit<Rest, 'better'> => {
    if (!question) return NOTHING_LEFT;
    const timeline = restTimeline(question);
    return {
      question,
      timeline,
      steps: restSteps(question, timeline, startedAt ?? now),
      binds: bindingsOf(question.blocks, timeline, question.rules)[0]?.words ?? null,
    };
  }, [question, startedAt]); // oxlint-disable-line react-hooks/exhaustive-deps
  const asked = useMemo(
    () => (question && startedAt !== null ? askRest(question) : null),
    [question, startedAt],
  );
  const better = useBetterRest(asked);
  return { ...rest, better };
}
