'use client';

import { useState } from 'react';
import { cssColour, undercoatHair, undercoatsBetween } from '@/core/lift';
import { curveOf, numberWords, takeStrength, type LiftRow, type StrengthIdea } from '@/core/work';
import { formatLevel } from '@/core/units';
import { recordedTests } from '@/core/visit';
import { Button } from '@/ui/button';
import { HairSwatch } from '@/ui/hair-swatch';
import { useSaid } from '@/ui/measures';
import { NumberField } from '@/ui/number-field';
import { Select } from '@/ui/select';
import { useCalendar } from '../../house/calendar';
import { useVisit } from '../../visit/store';
import { readAmount, tenth, useAmounts } from '../amounts';
import { useComputed } from '../../visit/computed';
import { LiftChart } from './lift-chart';

const keyOf = ({ letter, stretch, from, target, limitMinutes, lift }: LiftRow) =>
  `${letter}/${stretch}/${from}/${target}/${limitMinutes}/${lift.factor}/${lift.volumes}`;
const STRETCH = { length: '', ends: ', ends', band: ', through the band' } as const;

/** Names of the panels that a row lies in, as they are said: two, and how many more. */
function usePanelNames(): (row: Pick<LiftRow, 'panels'>) => string {
  const { plan } = useVisit();
  return ({ panels }) => {
    const names = panels.map((id) => plan.panels.find((panel) => panel.id === id)?.name ?? id);
    return names.length <= 2
      ? names.join(', ')
      : `${names.slice(0, 2).join(', ')} and ${names.length - 2} more`;
  };
}

/**
 * How far and when: the curve of each mix on this hair, strand tests that fit it, and when each panel should
 * be ready.
 */
export function LiftSheet() {
  const {
    work: { lift: rows },
  } = useComputed();
  const [chosen, choose] = useState<string>();
  if (rows.length === 0)
    return (
      <p className="m-5 card p-5 text-base text-ink-soft">
        Nothing lifts yet: lay foils in the pattern, with a formula that lifts.
      </p>
    );
  const row = rows.find((liftRow) => keyOf(liftRow) === chosen) ?? rows[0];
  return (
    <div className="grid items-start gap-5 p-3 md:p-4 lg:grid-cols-[minmax(0,1fr)_17.5rem] xl:grid-cols-[minmax(0,1fr)_21rem] xl:gap-6 xl:p-5">
      <div className="grid gap-4">
        <Curve row={row} />
        <Rows rows={rows} chosen={keyOf(row)} onChoose={choose} />
        <Ideas />
      </div>
      <div className="grid gap-4">
        <StrandTests row={row} />
        <Undercoats row={row} />
      </div>
    </div>
  );
}

function Curve({ row: panel }: { row: LiftRow }) {
  const visit = useComputed();
  const { mix } = useVisit();
  const nameOf = usePanelNames();
  const until = Math.ceil((panel.limitMinutes + 12) / 5) * 5;
  const points = curveOf(panel, visit.work.head, until);
  const tests = mix.tests.filter(
    ({ formula, from }) => formula === panel.letter && Math.abs(from - panel.from) < 0.75,
  );
  return (
    <section aria-label="Lift curve" className="card p-4">
      <h2 className="text-md font-bold">
        Formula {panel.letter}
        {STRETCH[panel.stretch]}, {nameOf(panel)}: from level {tenth(panel.from)} to {tenth(panel.target)}
      </h2>
      <p className="mb-2 text-base">
        <ReadyWords row={panel} />
      </p>
      <LiftChart
        points={points}
        target={panel.target}
        limitMinutes={panel.limitMinutes}
        tests={tests}
        readyMinutes={panel.ready?.minutes ?? null}
      />
      <p className="mt-1 text-xs text-ink-soft">
        Minutes since the foil was closed; eight heads in ten lie in the band. An estimate: look at the first
        foils, and never past the maker’s{' '}
        {Math.round(panel.limitMinutes - (panel.lift.second?.afterMinutes ?? 0))} min
        {panel.lift.second && ' each time'} without a decision.
      </p>
    </section>
  );
}

function ReadyWords({
  row: { ready, lift, limitMinutes, atLimit, target, oldestBowlMinutes, readyFromOldest },
}: {
  row: LiftRow;
}) {
  if (ready === null || ready.minutes > limitMinutes) {
    return (
      <>
        <b className="text-amber-bark">
          Level {tenth(target)} is not expected{ready && ` within ${limitMinutes} min`}.
        </b>{' '}
        At {limitMinutes} min: level {tenth(atLimit.level)}, between {tenth(atLimit.low)} and{' '}
        {tenth(atLimit.high)}.
      </>
    );
  }
  const late =
    readyFromOldest === null
      ? 'not expected from its oldest bowl'
      : readyFromOldest - ready.minutes >= 1
        ? `${Math.round(readyFromOldest)} min from a bowl ${Math.round(oldestBowlMinutes)} min old`
        : undefined;
  const { second, warmth } = lift;
  return (
    <>
      <b>Ready after about {Math.round(ready.minutes)} min</b>
      {second &&
        (ready.minutes <= second.afterMinutes ? (
          <span className="font-medium text-amber-bark">
            , before it is painted again at {Math.round(second.afterMinutes)}: that is not needed
          </span>
        ) : (
          `, painted again at ${Math.round(second.afterMinutes)}`
        ))}
      {warmth && warmth.fromMinutes > 0 && `, warm from ${Math.round(warmth.fromMinutes)} on`}, between{' '}
      {Math.round(ready.soonest)} and {ready.latest === null ? 'never' : `${Math.round(ready.latest)} min`}
      {late && `; ${late}`}.
    </>
  );
}

function Rows({
  rows,
  chosen,
  onChoose,
}: {
  rows: readonly LiftRow[];
  chosen: string;
  onChoose(key: string): void;
}) {
  const nameOf = usePanelNames();
  return (
    <div className="card overflow-x-auto">
      <table className="w-full min-w-[34rem] border-separate border-spacing-0 text-base">
        <caption className="sr-only">When each formula should be ready</caption>
        <thead>
          <tr className="text-left text-xs text-ink-soft [&_th]:px-4 [&_th]:py-2 [&_th]:font-normal">
            <th>Formula</th>
            <th>Where</th>
            <th>Level</th>
            <th>Ready after</th>
            <th>Between</th>
            <th>At the limit</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const { ready, limitMinutes, atLimit } = row;
            const inTime = ready !== null && ready.minutes <= limitMinutes;
            const here = keyOf(row) === chosen;
            return (
              <tr
                key={keyOf(row)}
                className={`[&>*]:border-t [&>*]:border-line [&>*]:px-4 [&>*]:py-2 ${here ? 'bg-leaf-pale' : 'hover:bg-leaf-pale'}`}
              >
                <th scope="row" className="text-left font-medium">
                  <button
                    type="button"
                    aria-pressed={here}
                    onClick={() => onChoose(keyOf(row))}
                    className="min-h-8 text-left font-semibold underline-offset-2 hover:underline"
                  >
                    {row.letter}
                    {STRETCH[row.stretch]}
                  </button>
                </th>
                <td>
                  {nameOf(row)}
                  <span className="text-ink-soft">, {row.units.length}</span>
                </td>
                <td className="whitespace-nowrap">
                  {tenth(row.from)} → {tenth(row.target)}
                </td>
                <td className={`font-semibold whitespace-nowrap ${inTime ? '' : 'text-amber-bark'}`}>
                  {inTime ? `${Math.round(ready.minutes)} min` : 'not expected'}
                </td>
                <td className="whitespace-nowrap">
                  {ready === null
                    ? '–'
                    : `${Math.round(ready.soonest)}–${ready.latest === null ? 'never' : Math.round(ready.latest)} min`}
                </td>
                <td className="whitespace-nowrap">
                  {tenth(atLimit.level)} at {limitMinutes} min
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/**
 * What strength would suit some foils better, by the schools of the house: which, what changes, and one press
 * to take it.
 */
function Ideas() {
  const visit = useComputed();
  const { editVisit } = useVisit();
  const { strength } = useAmounts();
  const said = useSaid();
  const { ideas, work } = visit;
  if (ideas.length === 0) return null;
  const take = (idea: StrengthIdea) =>
    editVisit(`${idea.name}: ${strength(idea.volumes)}`, (before) => ({
      ...before,
      ...takeStrength(before, idea, work),
    }));
  return (
    <section aria-label="Suggested strengths" className="card p-4">
      <h2 className="mb-1 text-md font-bold">Other strengths, by the schools of this house</h2>
      <ul className="grid">
        {ideas.map((idea) => (
          <li
            key={`${idea.name}${idea.letter}${idea.volumes}`}
            className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-4 border-t border-line py-2 first:border-t-0"
          >
            <div>
              <p className="text-base">
                <b>
                  {idea.name}: {strength(idea.volumes)}
                </b>{' '}
                instead of {strength(idea.now)},{' '}
                {numberWords(work.units.filter(({ id }) => idea.units.includes(id)))} ({idea.letter}).
              </p>
              <p className="text-sm">
                {changeWords(idea)}
                {idea.caution && `; ${said(idea.caution)}`}.
              </p>
              <p className="text-sm text-ink-soft">{said(idea.why)}</p>
            </div>
            <Button small onClick={() => take(idea)}>
              Apply
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What changes: `Ready after 31 min instead of 22, level 9 as before`. */
function changeWords({ from, to }: StrengthIdea): string {
  const ready = (minutes: number | null) => (minutes === null ? 'not in time' : `${Math.round(minutes)} min`);
  const minutes =
    to.minutes === null
      ? from.minutes === null
        ? 'Not ready in time, as before'
        : `Not ready in time; ${ready(from.minutes)} now`
      : `Ready after ${ready(to.minutes)} instead of ${ready(from.minutes)}`;
  const same = Math.abs(to.level - from.level) < 0.05;
  return `${minutes}, level ${tenth(to.level)}${same ? ' as before' : ` instead of ${tenth(from.level)}`}`;
}

function StrandTests({ row: panel }: { row: LiftRow }) {
  const calendar = useCalendar();
  const { mix, editMix, bundle } = useVisit();
  const visit = useComputed();
  const recorded = recordedTests(bundle.safety.tests, bundle.heldOn).filter(
    ({ volumes, minutes, from, level }) =>
      volumes !== null && minutes !== null && from !== null && level !== null,
  );
  const { strength } = useAmounts();
  const [minutes, setMinutes] = useState<number>();
  const [level, setLevel] = useState<number>();
  const { factor, low, high, readings, disagree } = visit.work.head;
  const problem =
    level !== undefined && level <= panel.from
      ? `No lift was read: ${formatLevel(level)} is not above ${formatLevel(panel.from)}.`
      : undefined;
  const add = () => {
    if (minutes === undefined || level === undefined || problem) return;
    editMix('strand test added', (visitMix) => ({
      ...visitMix,
      tests: [...visitMix.tests, { formula: panel.letter, from: panel.from, minutes, level }],
    }));
    setMinutes(undefined);
    setLevel(undefined);
  };
  return (
    <section aria-label="Strand tests" className="card grid gap-3 p-4">
      <h2 className="text-md font-bold">Strand tests and checks</h2>
      <p className="text-base">
        {readings === 0 ? (
          'No test yet: heads differ by about a quarter, and one reading is worth more than any table.'
        ) : (
          <>
            This hair lifts <b className="text-lg">{factor.toFixed(2)}</b> times as fast as usual (
            {low.toFixed(2)}–{high.toFixed(2)}), from {readings} {readings === 1 ? 'reading' : 'readings'}.
          </>
        )}
        {disagree && (
          <b className="block text-amber-bark">
            The readings disagree more than an eye does: the spread is wider. Read another strand.
          </b>
        )}
      </p>
      {recorded.length > 0 && (
        <ul className="grid gap-1 text-base text-ink-soft">
          {recorded.map(({ onDay, volumes, minutes: after, from, level: read }) => (
            <li key={`${onDay}${after}`}>
              On record, {calendar.day(onDay)}: {strength(volumes!)}, level {formatLevel(from!)} →{' '}
              {formatLevel(read!)} after {after} min
            </li>
          ))}
        </ul>
      )}
      {mix.tests.length > 0 && (
        <ul className="grid gap-1">
          {mix.tests.map((test, i) => (
            <li key={i} className="flex items-center justify-between gap-2 text-base">
              <span>
                {test.formula}: level {formatLevel(test.from)} → <b>{formatLevel(test.level)}</b> after{' '}
                {tenth(test.minutes)} min
              </span>
              <Button
                small
                look="quiet"
                aria-label={`Remove the test of ${tenth(test.minutes)} min`}
                onClick={() =>
                  editMix('strand test removed', (visitMix) => ({
                    ...visitMix,
                    tests: visitMix.tests.filter((_, at) => at !== i),
                  }))
                }
              >
                ×
              </Button>
            </li>
          ))}
        </ul>
      )}
      <form
        className="grid gap-3 border-t border-line pt-3"
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <p className="text-sm text-ink-soft">
          With formula {panel.letter}, on hair of level {tenth(panel.from)}:
        </p>
        <div className="grid grid-cols-2 gap-3">
          <NumberField
            key={`m${mix.tests.length}`}
            label="Read after"
            unit="min"
            min={1}
            max={120}
            value={minutes}
            parse={readAmount}
            onChange={setMinutes}
          />
          <Select
            label="Level read"
            value={level === undefined ? '' : String(level)}
            options={[
              { value: '', words: 'choose' },
              ...Array.from({ length: 19 }, (_, i) => 1 + i / 2).map((value) => ({
                value: String(value),
                words: formatLevel(value),
              })),
            ]}
            onChange={(text) => setLevel(text === '' ? undefined : Number(text))}
          />
        </div>
        {problem && (
          <p role="alert" className="text-sm font-medium text-rowan">
            {problem}
          </p>
        )}
        <Button
          type="submit"
          disabled={minutes === undefined || level === undefined || problem !== undefined}
        >
          Add the reading
        </Button>
      </form>
    </section>
  );
}

function Undercoats({ row: panel }: { row: LiftRow }) {
  const passed = undercoatsBetween(panel.from, panel.target);
  return (
    <section aria-label="Undercoat" className="card p-4">
      <h2 className="mb-2 text-md font-bold">Undercoat on the way</h2>
      {passed.length === 0 ? (
        <p className="text-base text-ink-soft">Nothing is lifted.</p>
      ) : (
        <ol className="grid gap-1.5">
          {passed.map(({ level, exposed, neutralisedBy }) => (
            <li key={level} className="grid grid-cols-[20px_56px_minmax(0,1fr)] items-center gap-2 text-base">
              <b>{level}</b>
              <HairSwatch colour={cssColour(undercoatHair(level))} width={52} height={22} />
              <span>
                {exposed}
                <span className="text-sm text-ink-soft">
                  , {neutralisedBy ? `${neutralisedBy} neutralises` : 'needs no toner'}
                </span>
              </span>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
