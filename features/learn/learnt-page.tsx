'use client';

import { useState } from 'react';
import {
  CartesianGrid,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  XAxis,
  YAxis,
} from 'recharts';
import type { Accuracy, Compared } from '@/core/learn';
import { gatherWord } from '@/core/pattern';
import { Button } from '@/ui/button';
import { useSaid, useShownUnit } from '@/ui/measures';
import { useCalendar } from '../house/calendar';
import { forget } from './actions';
import { LightenerTable } from './lightener-table';
import type { LearntFacts, LearntPerson } from './queries';

/** What the records teach, with what it rests on: pace and use by person, and how good the estimates were. */
export function LearntPage({ facts }: { facts: LearntFacts }) {
  const { services, people, products, owner, levels, minutes, grams, accuracy } = facts;
  const mix = useShownUnit('g');
  return (
    <div className="grid gap-6">
      <p className="text-base text-ink-soft">
        Learnt from the records alone: {services} {services === 1 ? 'service' : 'services'} carried out at the
        chair, and what was weighed and read. Own foils count against the house like twenty. A new hand, or a
        pace that was learnt wrongly, can be forgotten; records stay as they are.
      </p>
      <div className="grid gap-4 lg:grid-cols-2">
        {people.map((person) => (
          <Person key={person.id} person={person} />
        ))}
      </div>
      <LightenerTable products={products} owner={owner} />
      <section aria-label="How good the estimates were" className="card grid gap-5 p-5 lg:grid-cols-3">
        <AccuracyChart
          title="Level"
          unit=""
          all={levels}
          accuracy={accuracy.levels}
          empty="No foil was checked at the chair yet."
        />
        <AccuracyChart
          title="Minutes to the last rinse"
          unit=" min"
          all={minutes}
          accuracy={accuracy.minutes}
          empty="No service was finished at the chair yet."
        />
        <AccuracyChart
          title="Mix used"
          unit={` ${mix.unit}`}
          show={(value) => Number(mix.show(value))}
          all={grams}
          accuracy={accuracy.grams}
          empty="No formula was weighed and read yet."
        />
      </section>
    </div>
  );
}

function Person({
  person: { id, name, since, pace, percent, foils, use, grams, lift },
}: {
  person: LearntPerson;
}) {
  const calendar = useCalendar();
  const said = useSaid();
  const [problem, setProblem] = useState<string>();
  const [asked, ask] = useState(false);
  return (
    <section aria-label={name} className="card grid content-start gap-3 p-5">
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="text-lg font-bold wide">{name}</h2>
        <span className="text-base">
          {foils > 0 ? (
            <>
              <b>{percent}%</b> of the usual time, from {foils} foils
            </>
          ) : (
            'no foils at the chair yet: the usual pace'
          )}
        </span>
      </div>
      <table aria-label={`Pace, ${name}`} className="w-full text-base">
        <thead className="text-left text-sm text-ink-soft">
          <tr>
            <th className="font-medium">Gather</th>
            <th className="text-right font-medium">seconds a foil</th>
            <th className="text-right font-medium">eight in ten</th>
            <th className="text-right font-medium">foils</th>
          </tr>
        </thead>
        <tbody>
          {pace.map(({ gather, seconds, low, high, foils: n }) => (
            <tr key={gather} className="border-t border-line">
              <td className="py-1 font-semibold capitalize">{gatherWord(gather)}</td>
              <td className="text-right">{Math.round(seconds)}</td>
              <td className="text-right text-ink-soft">
                {Math.round(low)}–{Math.round(high)}
              </td>
              <td className="text-right">{n}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-base">
        {use === null || !grams ? (
          'Nothing weighed and read yet: amounts go by the estimate.'
        ) : (
          <>
            Uses <b>{use}%</b> of the estimate, from {grams.count} {grams.count === 1 ? 'visit' : 'visits'};
            off by {said(`${Math.round(grams.error)} g`)} in the middle.
          </>
        )}
      </p>
      <p className="text-base">
        {lift.readings === 0 ? (
          'No check of their foils yet: lift goes by the estimate.'
        ) : (
          <>
            Their foils lift <b>{Math.round(100 * lift.factor)}%</b> of the estimate (
            {Math.round(100 * lift.low)}–{Math.round(100 * lift.high)}), from {lift.readings}{' '}
            {lift.readings === 1 ? 'check' : 'checks'} at {lift.services}{' '}
            {lift.services === 1 ? 'service' : 'services'}.
          </>
        )}
      </p>
      <div className="flex items-center gap-3">
        {asked ? (
          <>
            <Button
              small
              look="primary"
              onClick={() =>
                void forget(id).then(
                  (answer) => (answer.ok ? ask(false) : setProblem(answer.problem)),
                  () => setProblem('No connection: nothing was forgotten.'),
                )
              }
            >
              Forget
            </Button>
            <Button small look="quiet" onClick={() => ask(false)}>
              Cancel
            </Button>
          </>
        ) : (
          <Button small onClick={() => ask(true)} aria-label={`Forget what was learnt of ${name} …`}>
            Forget what was learnt …
          </Button>
        )}
        {since && <span className="text-sm text-ink-soft">Learnt since {calendar.moment(since)}.</span>}
      </div>
      {problem && (
        <p role="alert" className="text-sm font-medium text-rowan">
          {problem}
        </p>
      )}
    </section>
  );
}

const TICK = { fontSize: 12, fill: 'var(--color-ink-soft)' } as const;
const tenth = (value: number) => (Math.round(value * 10) / 10).toString();

/** Each estimate as a dot beside what came of it: on the line it was right. */
function AccuracyChart({
  title,
  unit,
  show,
  all,
  accuracy,
  empty,
}: {
  title: string;
  unit: string;
  show?(value: number): number;
  all: readonly Compared[];
  accuracy: Accuracy | null;
  empty: string;
}) {
  if (!accuracy)
    return (
      <figure className="grid content-start gap-1">
        <figcaption className="text-md font-bold">{title}</figcaption>
        <p className="text-sm text-ink-soft">{empty}</p>
      </figure>
    );
  // As it is kept, or as the house reads it.
  const shown = show
    ? all.map(({ estimated, reached }) => ({ estimated: show(estimated), reached: show(reached) }))
    : all;
  const say = (value: number) => (show ? String(show(value)) : tenth(value));
  const levels = shown.flatMap(({ estimated, reached }) => [estimated, reached]);
  const [least, most] = [Math.floor(Math.min(...levels)), Math.ceil(Math.max(...levels))];
  const low =
    Math.abs(accuracy.bias) < 0.05
      ? 'neither too low nor too high'
      : `${say(Math.abs(accuracy.bias))}${unit} too ${accuracy.bias > 0 ? 'low' : 'high'} on the whole`;
  return (
    <figure className="grid content-start gap-1">
      <figcaption className="text-md font-bold">{title}</figcaption>
      <div
        role="img"
        aria-label={`${title}: ${accuracy.count} estimates, off by ${say(accuracy.error)}${unit} in the middle, ${low}`}
        className="h-[210px]"
      >
        <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 330, height: 210 }}>
          <ScatterChart margin={{ top: 8, right: 12, bottom: 14, left: -18 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--color-line)" />
            <XAxis
              type="number"
              dataKey="estimated"
              domain={[least, most]}
              tick={TICK}
              stroke="var(--color-edge)"
              label={{
                value: 'estimated',
                position: 'insideBottom',
                offset: -8,
                fontSize: 12,
                fill: 'var(--color-ink-soft)',
              }}
            />
            <YAxis
              type="number"
              dataKey="reached"
              domain={[least, most]}
              tick={TICK}
              stroke="var(--color-edge)"
            />
            <ReferenceLine
              segment={[
                { x: least, y: least },
                { x: most, y: most },
              ]}
              stroke="var(--color-ink-soft)"
              strokeDasharray="5 4"
            />
            <Scatter data={[...shown]} fill="var(--color-leaf)" isAnimationActive={false} />
          </ScatterChart>
        </ResponsiveContainer>
      </div>
      <p className="text-sm">
        {accuracy.count} {accuracy.count === 1 ? 'estimate' : 'estimates'}, off by{' '}
        <b>
          {say(accuracy.error)}
          {unit}
        </b>{' '}
        in the middle; {low}. Across what was estimated, up what came of it.
      </p>
    </figure>
  );
}
