'use client';

import clsx from 'clsx';
import type { Served } from '@/core/chair';
import { mixedLines, unitsSaid } from '@/core/record';
import { useSaid } from '@/ui/measures';
import { useComputed } from '../visit/computed';
import { useVisit } from '../visit/store';

const grams = (value: number | null) => (value === null ? '–' : `${Math.round(value)} g`);
const minutes = (value: number | null) => (value === null ? '–' : `${Math.round(value)} min`);

/** What was mixed, how much of it and for how long: each planned and done. */
export function MixedPart({ served }: { served: Served | null }) {
  const { mix } = useVisit();
  const visit = useComputed();
  const said = useSaid();
  const lines = mixedLines(visit.work, mix, served);
  const steps = served?.record.steps.filter(({ done }) => done !== null) ?? [];
  if (lines.length === 0) return null;
  return (
    <section aria-labelledby="mixed-heading">
      <h3 id="mixed-heading" className="text-md font-bold">
        Mixed and timed
      </h3>
      <table aria-label="Mixes" className="mt-1 w-full text-sm">
        <thead className="text-left text-ink-soft">
          <tr>
            <th className="w-7 font-medium">
              <span className="sr-only">Formula</span>
            </th>
            <th className="font-medium">Mix</th>
            <th className="pl-3 text-right font-medium">bowls</th>
            <th className="pl-3 text-right font-medium">planned</th>
            <th className="pl-3 text-right font-medium">taken</th>
            <th className="pl-3 text-right font-medium">longest on</th>
          </tr>
        </thead>
        <tbody>
          {lines.map(({ letter, words, endsWords, units, bowls, grams: amount, on }) => (
            <tr key={letter} className="border-t border-line align-baseline">
              <td className="py-1 text-base font-bold">{letter}</td>
              <td className="py-1">
                <span className="text-base">{said(words)}</span>
                {endsWords && <span className="block">ends: {said(endsWords)}</span>}
                <span className="block text-ink-soft">{unitsSaid(units)}</span>
              </td>
              <td className="pl-3 text-right">
                {bowls.done ?? '–'}
                <span className="text-ink-soft"> of {bowls.planned}</span>
              </td>
              <td className="pl-3 text-right">{said(grams(amount.planned))}</td>
              <td className="pl-3 text-right font-semibold">{said(grams(amount.done))}</td>
              <td className={clsx('pl-3 text-right', on && on.longest > on.limit && 'font-bold text-rowan')}>
                {minutes(on?.longest ?? null)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {lines.some(({ grams: amount }) => amount.done === null) && (
        <p className="text-sm text-ink-soft">
          What is left in the bowls is read under Mix; the record has it then.
        </p>
      )}
      {served && (
        <p className="mt-1 text-base">
          First foil to last rinse <b>{minutes(served.record.rinsed.done)}</b>{' '}
          <span className="text-ink-soft">of {minutes(served.record.rinsed.planned)} planned</span>
          {steps.map(({ id, name, done, planned }) => (
            <span key={id}>
              ; {name} <b>{minutes(done)}</b>{' '}
              <span className="text-ink-soft">
                {planned === null ? '(added)' : `of ${Math.round(planned)}`}
              </span>
            </span>
          ))}
          .
        </p>
      )}
    </section>
  );
}
