'use client';

import { Button } from '@/ui/button';
import { NumberField } from '@/ui/number-field';
import { useHouse } from '../../house/context';
import { minorPerUnit } from '@/core/units';
import { Questions } from '../question';
import { readFigure, readWhole } from '../read-figures';
import { useAnswers } from '../use-answers';

const WEEKS = [4, 6, 8, 12, 26];
const WASHES = [1, 2, 3, 5, 7];

/** How much upkeep the pattern may make, and what it may take. */
export function UpkeepChapter() {
  const { consult, set } = useAnswers();
  const { prices } = useHouse();
  const per = minorPerUnit(prices.currency);
  return (
    <div className="grid gap-x-8 gap-y-6 xl:grid-cols-2">
      <Questions title="How often">
        <div className="grid gap-2">
          <NumberField
            label="Weeks between visits"
            unit="weeks"
            min={2}
            max={60}
            value={consult.weeksBetween ?? undefined}
            placeholder="not asked"
            parse={readWhole}
            onChange={(weeks) => set('weeks between visits', { weeksBetween: weeks ?? null })}
          />
          <Quick
            values={WEEKS}
            value={consult.weeksBetween}
            unit="weeks"
            onChoose={(weeksBetween) => set('weeks between visits', { weeksBetween })}
          />
        </div>
        <div className="grid gap-2">
          <NumberField
            label="Washes"
            unit="a week"
            min={0.5}
            max={14}
            value={consult.washesPerWeek ?? undefined}
            placeholder="not asked"
            parse={readFigure}
            onChange={(washes) => set('washes a week', { washesPerWeek: washes ?? null })}
          />
          <Quick
            values={WASHES}
            value={consult.washesPerWeek}
            unit="a week"
            onChoose={(washesPerWeek) => set('washes a week', { washesPerWeek })}
          />
        </div>
      </Questions>
      <Questions title="Time and budget today">
        <NumberField
          label="Time for the foils"
          unit="min"
          min={10}
          max={600}
          value={consult.minutesAtMost ?? undefined}
          placeholder="no limit"
          parse={readWhole}
          onChange={(minutes) => set('time for the foils', { minutesAtMost: minutes ?? null })}
        />
        <div className="private">
          <NumberField
            label="Budget"
            unit={prices.currency}
            min={0}
            max={10_000_000 / per}
            value={consult.budgetMinor === null ? undefined : consult.budgetMinor / per}
            placeholder="no limit"
            parse={readWhole}
            onChange={(amount) => set('budget', { budgetMinor: amount === undefined ? null : amount * per })}
          />
          <p className="mt-1 text-xs text-ink-soft">
            A real limit: tell the client before the start if it will be exceeded.
          </p>
        </div>
      </Questions>
    </div>
  );
}

function Quick({
  values,
  value,
  unit,
  onChoose,
}: {
  values: readonly number[];
  value: number | null;
  unit: string;
  onChoose(value: number): void;
}) {
  return (
    <div className="flex gap-2">
      {values.map((own) => (
        <Button
          key={own}
          small
          look={own === value ? 'primary' : 'plain'}
          aria-label={`${own} ${unit}`}
          aria-pressed={own === value}
          className="flex-1"
          onClick={() => onChoose(own)}
        >
          {own}
        </Button>
      ))}
    </div>
  );
}
