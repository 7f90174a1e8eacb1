'use client';

import clsx from 'clsx';
import type { StepState } from '@/core/chair';

import { Button } from '@/ui/button';
import { useSaid } from '@/ui/measures';
import { useCalendar } from '../house/calendar';
import { detailWords, isOver, standingWords } from './words-of-steps';
import { useStepName } from './use-step-name';

interface StepsPanelProps {
  steps: readonly StepState[];
  now: number;
  /** The step that is next, or whose end is. */
  current: string | null;
  onOpen(step: string): void;
  onAdd(): void;
}

/**
 * Everything that follows the foils, in its order: pressed, a step opens with all that can be decided about
 * it.
 */
export function StepsPanel({ steps, now, current, onOpen, onAdd }: StepsPanelProps) {
  const calendar = useCalendar();
  const said = useSaid();
  const nameOf = useStepName();
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2">
      <h2 className="text-xl font-bold wide">Steps</h2>
      <ol aria-label="Steps" className="grid min-h-0 content-start gap-1.5 overflow-y-auto">
        {steps.map((step) => (
          <li key={step.step.id}>
            <button
              type="button"
              aria-current={step.step.id === current ? 'step' : undefined}
              onClick={() => onOpen(step.step.id)}
              className={clsx(
                'grid min-h-[52px] w-full grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3 rounded-ui border-l-[5px] bg-raised px-3 py-1.5 text-left hover:bg-leaf-pale',
                step.step.id === current ? 'border-leaf' : 'border-transparent',
                (step.standing === 'done' || step.standing === 'skipped') && 'text-ink-soft',
              )}
            >
              <span
                className={clsx(
                  'text-lg leading-tight font-semibold',
                  step.standing === 'skipped' && 'line-through',
                )}
              >
                {nameOf(step.step)}
              </span>
              <span className={clsx('text-right text-base', isOver(step, now) && 'font-bold text-rowan')}>
                {standingWords(step, now, calendar)}
              </span>
              {step.standing !== 'done' && step.standing !== 'skipped' && step.step.items && (
                <span className="col-span-2 truncate text-base text-ink-soft">
                  {said(detailWords({ ...step.step, place: null }))}
                </span>
              )}
            </button>
          </li>
        ))}
      </ol>
      <Button className="h-[48px] self-start text-lg" onClick={onAdd}>
        Add a step
      </Button>
    </div>
  );
}
