'use client';

import { useMemo } from 'react';
import { dayAfter } from '@/core/units';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Link } from '@/ui/link';
import { Segmented } from '@/ui/segmented';
import { useCalendar } from '../house/calendar';
import { useComputed } from '../visit/computed';
import { useSaid } from '@/ui/measures';
import { useVisit } from '../visit/store';
import type { Fields } from './form-fields';
import { NEXT_WORDS } from './words';

const NEXT_WEEKS = [4, 6, 8, 12];
const OPTIONS = (['toner', 'face', 'full'] as const).map((value) => ({ value, words: NEXT_WORDS[value] }));

interface NextPartProps {
  fields: Fields;
  problem?: string;
  disabled: boolean;
  onChange(part: Partial<Fields>): void;
}

/**
 * When to come again and for what: what they will mind and when, soonest first, and the day that is agreed.
 */
export function NextPart({ fields, problem, disabled, onChange }: NextPartProps) {
  const calendar = useCalendar();
  const { bundle, outcome } = useVisit();
  const visit = useComputed();
  const said = useSaid();
  const { heldOn } = bundle;
  const { zones, levelReached } = fields;
  const next = useMemo(() => visit.next({ zones, levelReached }), [visit, zones, levelReached]);
  return (
    <fieldset disabled={disabled} className="grid gap-2">
      <legend className="mb-1 text-md font-bold">When to come again, and for what</legend>
      {next && (
        <div className="rounded-ui bg-leaf-pale p-3">
          <div className="flex items-center justify-between gap-3">
            <p className="text-base">
              <b>
                {calendar.day(next.on)}: {NEXT_WORDS[next.what].toLowerCase()}
              </b>
              {next.closedOn
                ? `. The estimate is ${calendar.day(next.closedOn)}, and the salon is closed that day.`
                : ', by the estimate.'}
            </p>
            <Button
              small
              disabled={disabled || (fields.nextOn === next.on && fields.nextWhat === next.what)}
              onClick={() => onChange({ nextOn: next.on, nextWhat: next.what })}
            >
              Apply
            </Button>
          </div>
          <ul aria-label="Why then" className="mt-1 grid gap-0.5 text-sm">
            {next.reasons.map(({ what, words }) => (
              <li key={`${what} ${words}`}>
                <b>{NEXT_WORDS[what]}:</b> {said(words)}
              </li>
            ))}
          </ul>
        </div>
      )}
      <TextField
        label="Next visit"
        type="date"
        value={fields.nextOn}
        min={heldOn}
        problem={problem}
        onChange={(event) => onChange({ nextOn: event.target.value })}
      />
      <div className="flex flex-wrap gap-2">
        {NEXT_WEEKS.map((weeks) => (
          <Button key={weeks} small onClick={() => onChange({ nextOn: dayAfter(heldOn, 7 * weeks) })}>
            {weeks} weeks
          </Button>
        ))}
        <Button small look="quiet" onClick={() => onChange({ nextOn: '', nextWhat: null })}>
          None
        </Button>
      </div>
      {outcome?.document.nextOn && (
        <p className="text-base">
          On record for {calendar.day(outcome.document.nextOn)}.{' '}
          <Link
            href={`/day?on=${outcome.document.nextOn}&book=${bundle.client.id}&kind=${outcome.document.nextWhat ?? 'full'}`}
            className="font-semibold underline"
          >
            Book
          </Link>
        </p>
      )}
      <Segmented
        label="What the next visit is for"
        value={fields.nextWhat}
        options={OPTIONS}
        onChange={(nextWhat) => onChange({ nextWhat })}
      />
    </fieldset>
  );
}
