'use client';

import clsx from 'clsx';
import { RadioGroup } from 'radix-ui';
import { goesPast, type ClockPlanned, type Figures } from '@/core/clock';
import { hoursAndMinutes } from '../shared';

interface PlanListProps {
  plans: readonly ClockPlanned[];
  /** Key of the plan that is followed. */
  value: string;
  onChoose(plan: ClockPlanned): void;
}

const COLUMNS: readonly {
  readonly words: string;
  readonly of: (figures: Figures) => string;
  readonly wrong?: (figures: Figures) => boolean;
}[] = [
  { words: 'rinsed after', of: ({ end }) => hoursAndMinutes(end) },
  { words: 'at the basin', of: ({ basinVisits }) => String(basinVisits) },
  { words: 'pulled', of: ({ pulled }) => String(pulled) },
  {
    words: 'past the limit',
    of: ({ worstOver }) => (worstOver > 0 ? `${Math.ceil(worstOver)} min` : '–'),
    wrong: ({ worstOver }) => worstOver > 0,
  },
  { words: 'short of ready', of: ({ short }) => (short > 0 ? String(short) : '–') },
  { words: 'hands free', of: ({ handsFree }) => `${Math.round(handsFree)} min` },
];

/** The plans that there are, side by side with their figures; one of them is followed. */
export function PlanList({ plans, value, onChoose }: PlanListProps) {
  const choose = (key: string) => {
    const plan = plans.find((clockPlanned) => clockPlanned.key === key);
    if (plan) onChoose(plan);
  };
  return (
    <RadioGroup.Root
      aria-label="Plans"
      value={value}
      onValueChange={choose}
      className="card divide-y divide-line overflow-x-auto *:min-w-[40rem]"
    >
      <div
        aria-hidden
        className="grid grid-cols-[minmax(180px,1fr)_repeat(6,minmax(56px,70px))] items-end gap-2 px-4 py-2 text-right text-xs text-ink-soft"
      >
        <span className="text-left">Plan</span>
        {COLUMNS.map(({ words }) => (
          <span key={words}>{words}</span>
        ))}
      </div>
      {plans.map((plan) => (
        <RadioGroup.Item
          key={plan.key}
          value={plan.key}
          aria-label={`${plan.name}. ${COLUMNS.map(({ words, of }) => `${words} ${of(plan.figures)}`).join(', ')}`}
          className={clsx(
            'grid min-h-11 w-full grid-cols-[minmax(180px,1fr)_repeat(6,minmax(56px,70px))] items-center gap-2 px-4 py-1.5 text-right text-base eases',
            plan.key === value ? 'bg-leaf-pale' : 'hover:bg-leaf-pale',
          )}
        >
          <span className="flex items-center gap-3 text-left">
            <span
              className={clsx(
                'grid size-5 shrink-0 place-items-center rounded-full border',
                plan.key === value ? 'border-leaf' : 'border-edge',
              )}
            >
              {plan.key === value && <span className="size-3 rounded-full bg-leaf" />}
            </span>
            <span className={plan.key === value ? 'font-semibold' : ''}>
              {plan.name}
              {goesPast(plan.key) && plan.figures.worstOver > 0 && (
                <span className="block text-xs text-rowan">Asks for a reason before you begin.</span>
              )}
              {plan.figures.strengthsChanged > 0 && (
                <span className="block text-xs text-ink-soft">Puts these strengths into Mix.</span>
              )}
            </span>
          </span>
          {COLUMNS.map(({ words, of, wrong }) => (
            <span key={words} className={wrong?.(plan.figures) ? 'font-semibold text-rowan' : ''}>
              {of(plan.figures)}
            </span>
          ))}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}
