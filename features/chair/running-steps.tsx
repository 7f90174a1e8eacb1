'use client';

import clsx from 'clsx';
import type { EventBody, StepState } from '@/core/chair';

import { Button } from '@/ui/button';
import { useCalendar } from '../house/calendar';
import { isOver, standingWords } from './words-of-steps';
import { useStepName } from './use-step-name';

/** What runs beside the step in hand, a line each with its timer. */
export function RunningSteps({
  steps,
  now,
  act,
}: {
  steps: readonly StepState[];
  now: number;
  act(body: EventBody): void;
}) {
  const calendar = useCalendar();
  const nameOf = useStepName();
  if (steps.length === 0) return null;
  return (
    <ul aria-label="Running" className="grid shrink-0 gap-1">
      {steps.map((step) => (
        <li
          key={step.step.id}
          className="flex min-h-[48px] items-center gap-3 rounded-ui bg-leaf-pale px-3 text-lg"
        >
          <b className="min-w-0 flex-1 truncate">{nameOf(step.step)}</b>
          <span className={clsx(isOver(step, now) && 'font-bold text-rowan')}>
            {standingWords(step, now, calendar)}
          </span>
          <Button
            className="h-[44px]"
            aria-label={`${nameOf(step.step)}: done`}
            onClick={() => act({ kind: 'step-done', step: step.step.id })}
          >
            Done
          </Button>
        </li>
      ))}
    </ul>
  );
}
