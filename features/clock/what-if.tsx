'use client';

import { useEffect, useMemo, useState } from 'react';
import { changesBetween, fewerFoils, type ClockPlanned, type Figures } from '@/core/clock';
import { levelAfter, onThisHead } from '@/core/lift';
import { formatLevel } from '@/core/units';
import { plainQuestion, type ClockPlan, type WorkBlock, type WorkUnit } from '@/core/work';
import type { VisitClock } from '@/core/visit';
import { Button } from '@/ui/button';
import { Segmented } from '@/ui/segmented';
import { Select } from '@/ui/select';
import { Slider } from '@/ui/slider';
import { Switch } from '@/ui/switch';
import { useComputed } from '../visit/computed';
import { useVisit } from '../visit/store';
import { askPlans, usePlans } from './use-clock';

const SECOND = [
  { value: 'none', words: 'Alone' },
  { value: 'pulls', words: 'Mixes, pulls' },
  { value: 'foils', words: 'Foils too' },
] as const;
const PAINTING = [
  { value: 'as-you-foil', words: 'As you foil' },
  { value: 'after', words: 'Afterwards' },
] as const;
const USUAL_AWAY = { from: 40, minutes: 20 } as const;

interface WhatIfProps {
  clock: ClockPlan;
  /** The plan that is followed; undefined while it is worked out. */
  plan: ClockPlanned | undefined;
}

/**
 * What could be otherwise: hands, pace, start, another client, warmth, a foil pulled early, painting between
 * foils.
 */
export function WhatIf({ clock: computed, plan }: WhatIfProps) {
  const { mix, editMix } = useVisit();
  const { clock } = mix;
  const { blocks } = computed;
  const painted = blocks.some(({ units }) => units.some(({ laidWith }) => laidWith === 'between foils'));
  const [before, setBefore] = useState<Figures>();
  if (!before && plan) setBefore(plan.figures);
  const decide = (label: string, part: Partial<VisitClock>) =>
    editMix(
      label,
      (before) => ({ ...before, clock: { ...before.clock, ...part } }),
      `clock ${Object.keys(part).join()}`,
    );
  const { away, pulled } = clock;
  return (
    <section aria-label="What if" className="grid gap-4">
      <div className="rounded-ui bg-leaf-pale p-3">
        <h3 className="text-sm font-semibold">Against what it was</h3>
        <p role="status" aria-label="Change" className="text-base">
          {plan && before ? changesBetween(before, plan.figures) : 'Working it out …'}
        </p>
        {before && plan && plan.figures !== before && (
          <Button small onClick={() => setBefore(plan.figures)}>
            Compare from here
          </Button>
        )}
      </div>
      <div>
        <h3 className="mb-1 text-sm font-semibold">A second person</h3>
        <Segmented
          label="A second person"
          value={clock.second}
          options={SECOND}
          onChange={(second) => decide('second person', { second })}
        />
        <p className="mt-1 text-xs text-ink-soft">
          {
            {
              none: 'One person foils, mixes and rinses.',
              pulls: 'Fresh bowls are handed over; single foils are opened and wiped, half a minute each.',
              foils: 'Two people foil at once, never at the same side or both at the back.',
            }[clock.second]
          }
        </p>
      </div>
      <Line words="Other strengths may be taken">
        <Switch
          label="Other strengths may be taken"
          on={clock.strengths}
          onChange={(strengths) => decide(strengths ? 'other strengths' : 'chosen strengths', { strengths })}
        />
      </Line>
      <Slider
        label="If a foil takes"
        value={clock.pace}
        min={60}
        max={160}
        step={5}
        said={clock.pace === 100 ? 'the usual time' : `${clock.pace}% of the usual time`}
        onChange={(pace) => decide('pace', { pace })}
      />
      <OwnPace pace={clock.pace} onTake={(pace) => decide('own pace', { pace })} />
      <Slider
        label="Starting late"
        value={clock.lateMinutes}
        min={0}
        max={60}
        step={5}
        said={clock.lateMinutes === 0 ? 'on time' : `${clock.lateMinutes} min late`}
        onChange={(lateMinutes) => decide('late start', { lateMinutes })}
      />
      <Line words="One more client in between">
        <Switch
          label="One more client in between"
          on={away !== null}
          onChange={(on) =>
            decide(on ? 'another client' : 'nobody between', { away: on ? USUAL_AWAY : null })
          }
        />
      </Line>
      {away && (
        <>
          <Slider
            label="Away from"
            value={away.from}
            min={5}
            max={180}
            step={5}
            said={`minute ${away.from}`}
            onChange={(from) => decide('away from', { away: { ...away, from } })}
          />
          <Slider
            label="Away for"
            value={away.minutes}
            min={5}
            max={60}
            step={5}
            said={`${away.minutes} min`}
            onChange={(minutes) => decide('away for', { away: { ...away, minutes } })}
          />
        </>
      )}
      <Line words="Warmth is added">
        <Switch
          label="Warmth is added"
          on={clock.heat}
          onChange={(heat) => decide(heat ? 'warmth' : 'no warmth', { heat })}
        />
      </Line>
      {clock.heat && (
        <p className="-mt-3 text-xs font-medium text-amber-bark">
          Warmth quickens the lift and swells the product; it asks for a reason before you begin. Choose it in
          Mix to keep it.
        </p>
      )}
      {painted && (
        <div>
          <h3 className="mb-1 text-sm font-semibold">Hair between the foils is painted</h3>
          <Segmented
            label="Hair between the foils is painted"
            value={clock.painting}
            options={PAINTING}
            onChange={(painting) => decide('painting', { painting })}
          />
          <p className="mt-1 text-xs text-ink-soft">
            Painted afterwards it starts late and must rinse with the foils that it lies between.
          </p>
        </div>
      )}
      <Select
        label="A foil pulled early"
        value={pulled ? `${pulled.block}/${pulled.index}` : ''}
        options={[{ value: '', words: 'none' }, ...foilsOf(blocks)]}
        onChange={(value: string) => {
          const at = value.lastIndexOf('/');
          decide('a foil pulled', {
            pulled:
              value === ''
                ? null
                : {
                    block: value.slice(0, at),
                    index: Number(value.slice(at + 1)),
                    minutes: pulled?.minutes ?? 20,
                  },
          });
        }}
      />
      {pulled && (
        <>
          <Slider
            label="Pulled after"
            value={pulled.minutes}
            min={5}
            max={60}
            step={1}
            said={`${pulled.minutes} min`}
            onChange={(minutes) => decide('pulled after', { pulled: { ...pulled, minutes } })}
          />
          <PulledLevel
            unit={blocks.find(({ id }) => id === pulled.block)?.units[pulled.index]}
            minutes={pulled.minutes}
          />
        </>
      )}
      <Fewer clock={computed} plan={plan} />
    </section>
  );
}

const MOST_FEWER = 60;

/** What so many foils fewer would save: nothing is changed in the pattern. */
function Fewer({ clock, plan }: WhatIfProps) {
  const [fewer, setFewer] = useState(0);
  const total = clock.blocks.reduce((sum, { foils }) => sum + foils.length, 0);
  const asked = useMemo(
    () => (fewer === 0 ? null : askPlans(fewerFoils(plainQuestion(clock), fewer))),
    [clock, fewer],
  );
  const { answer, current } = usePlans(asked);
  return (
    <div>
      <Slider
        label="If there were fewer foils"
        value={Math.min(fewer, total - 1)}
        min={0}
        max={Math.min(MOST_FEWER, total - 1)}
        step={1}
        said={fewer === 0 ? `all ${total}` : `${fewer} fewer`}
        onChange={setFewer}
      />
      {fewer > 0 && (
        <p role="status" className="text-sm">
          {answer && current && plan ? changesBetween(plan.figures, answer[0].figures) : 'Working it out …'}{' '}
          Take them out in Pattern.
        </p>
      )}
    </div>
  );
}

function Line({ words, children }: { words: string; children: React.ReactNode }) {
  return (
    <div className="flex min-h-9 items-center justify-between gap-4">
      <span className="text-base">{words}</span>
      {children}
    </div>
  );
}

/** First and last foil of each part: those that bind. */
function foilsOf(blocks: readonly WorkBlock[]) {
  return blocks.flatMap(({ id, name, foils }) =>
    [...new Set([0, foils.length - 1])].map((index) => ({
      value: `${id}/${index}`,
      words: `${name}, foil ${index + 1}`,
    })),
  );
}

/** Level that a foil has reached when it is pulled (estimate). */
function PulledLevel({ unit, minutes }: { unit: WorkUnit | undefined; minutes: number }) {
  const { work } = useComputed();
  const lift = unit?.liftRows.map((at) => work.lift[at]).find(({ stretch }) => stretch === 'length');
  if (!lift)
    return (
      <p className="text-sm text-ink-soft">
        {unit ? 'That foil only deposits: it lifts nothing.' : 'That foil is not in this order any more.'}
      </p>
    );
  const at = (head: number) => levelAfter(lift.from, onThisHead(lift.lift, head), minutes);
  return (
    <p role="status" className="text-sm">
      Level <b>{formatLevel(at(work.head.factor))}</b> by then, {formatLevel(at(work.head.low))} to{' '}
      {formatLevel(at(work.head.high))} (estimate); wanted {formatLevel(lift.target)}.
    </p>
  );
}

interface Learnt {
  readonly percent: number;
  readonly foils: number;
  readonly name: string;
}
/** Fewer foils than these say little of a pace. */
const ENOUGH_FOILS = 10;
const STEP = 5;

/** The pace that the records show of whoever is signed in, to be taken for this visit. */
function OwnPace({ pace, onTake }: { pace: number; onTake(pace: number): void }) {
  const [learnt, setLearnt] = useState<Learnt>();
  useEffect(() => {
    const over = new AbortController();
    fetch('/api/pace', { cache: 'no-store', signal: over.signal }).then(
      async (answer) => answer.ok && setLearnt((await answer.json()) as Learnt),
      () => undefined,
    );
    return () => over.abort();
  }, []);
  if (!learnt || learnt.foils < ENOUGH_FOILS) return null;
  const wanted = Math.min(160, Math.max(60, Math.round(learnt.percent / STEP) * STEP));
  return (
    <p className="-mt-2 flex items-center justify-between gap-3 text-sm text-ink-soft">
      <span>
        {learnt.name}, by {learnt.foils} foils at the chair: {learnt.percent}% of the usual time.
      </span>
      {wanted !== pace && (
        <Button small onClick={() => onTake(wanted)}>
          Take {wanted}%
        </Button>
      )}
    </p>
  );
}
