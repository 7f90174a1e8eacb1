'use client';

import clsx from 'clsx';
import type { ReactNode } from 'react';
import {
  endOf,
  unitName,
  type NextStep,
  type ServiceScript,
  type ServiceState,
  type StepState,
} from '@/core/chair';
import { basinMinutes } from '@/core/clock';
import { zoneName } from '@/core/head';
import { angleName, gatherName, partingName, type Plan, type SingleGather } from '@/core/pattern';
import { isAtBasin } from '@/core/steps';
import { capital } from '@/core/units';
import { placeWords } from '@/core/visit';
import { endsSentence, groupsOf, groupWords, numberWords, reachWords, startWords } from '@/core/work';
import { useSaid } from '@/ui/measures';
import { FoilGlyph } from '../head/foil-glyph';
import { useCalendar } from '../house/calendar';
import { Stitches } from './stitches';
import { detailWords } from './words-of-steps';
import { seconds, until } from './words';
import { useStepName } from './use-step-name';

interface StepViewProps {
  script: ServiceScript;
  state: ServiceState;
  step: NextStep;
  now: number;
  /** What was done here and the server has not taken yet. */
  unsent: number;
}

/** The one thing that is to be done, in type that is read at two metres. */
export function StepView({ script, state, step, now, unsent }: StepViewProps) {
  const calendar = useCalendar();
  const said = useSaid();
  const nameOf = useStepName();
  const names = (ids: readonly string[]) =>
    ids.map((id) => script.blocks.find((block) => block.id === id)?.name ?? id).join(', ');
  switch (step.kind) {
    case 'start':
      if (script.units.length === 0)
        return <Words over="No foils" big="Start" under="What follows is timed: wash, colour, rinse, dry." />;
      return (
        <Words
          over={`${groupWords(groupsOf(script.units))}, in ${script.blocks.length} parts`}
          big="Start"
          under="The clock runs from the first foil on. Mix the first bowl, section the first panel."
        />
      );
    case 'foil':
      return <FoilWords plan={script.plan} state={state} step={step} now={now} />;
    case 'bowl':
      return (
        <Words
          over={BOWL_WORDS[step.why]}
          big={`Fresh bowl ${step.mix}`}
          under={said(state.mixes[step.mix]?.words ?? '')}
        />
      );
    case 'wait':
      return (
        <Words
          over="Nothing to foil until then: check, sweep, talk"
          big={until(step.until, now)}
          under={`${{ pull: `Foils of ${names(step.blocks)} are opened`, again: `${names(step.blocks)}: foils are painted again`, rinse: `${names(step.blocks)} to the basin` }[step.then]} at ${calendar.timeOf(step.until)}, by the estimate.`}
        />
      );
    case 'rinse':
      return <Words over="To the basin now" big="Rinse" under={names(step.blocks)} blue />;
    case 'pull':
      return (
        <Words
          over={
            step.by === 1 ? 'The second person opens and wipes, oldest first' : 'Open and wipe, oldest first'
          }
          big={unitName(step.units[0].unit)}
          under={
            step.units.length === 1
              ? `${step.units[0].unit.panelName}, ${step.units[0].unit.letter}.`
              : `${step.units[0].unit.panelName}. Then ${numberWords(step.units.slice(1).map(({ unit }) => unit))}.`
          }
        />
      );
    case 'again': {
      const [first, ...rest] = step.units;
      return (
        <Words
          over={`${step.by === 1 ? 'The second person opens, wipes and paints again' : 'Open, wipe and paint again'}, with bowl ${step.mix}`}
          big={unitName(first.unit)}
          under={
            <>
              <b className="block" aria-label="Mix">
                {said(step.words)}
              </b>
              {first.unit.panelName}, {first.unit.letter}.
              {rest.length > 0 && ` Then ${numberWords(rest.map(({ unit }) => unit))}.`}
            </>
          }
        />
      );
    }
    case 'at-basin':
      return (
        <Words
          over={`At the basin: ${names(step.blocks)}`}
          big={seconds(now - step.begunAt)}
          under={`Usually ${basinMinutes(step.blocks.length, script.rules)} min.`}
          blue
        />
      );
    case 'step-begin':
      return (
        <Words
          over={
            step.on.length > 0
              ? `When the colour is right, by ${calendar.timeOf(Math.min(...step.on.map(endOf)))}`
              : 'Next'
          }
          big={step.own.step.name}
          under={<StepDetails own={step.own} wrong={step.wrong} />}
          blue={isAtBasin(step.own.step)}
        />
      );
    case 'step-done':
      return (
        <Words
          over={nameOf(step.own.step)}
          big={seconds(now - step.own.begunAt!)}
          under={<StepDetails own={step.own} wrong={null} />}
          blue={isAtBasin(step.own.step)}
        />
      );
    case 'step-until':
      return (
        <Words
          over={`Next: ${step.own.step.name}, at ${calendar.timeOf(step.at)}`}
          big={until(step.at, now)}
          under={
            <>
              Put on then, everything is done together. <StepDetails own={step.own} wrong={null} />
            </>
          }
        />
      );
    case 'finish':
      return (
        <Words
          over="Everything is done"
          big="Finish"
          under="The record is written with it: planned against actual, foil by foil."
        />
      );
    case 'finished':
      return (
        <Words
          over={state.finishedAt ? `Finished at ${calendar.timeOf(state.finishedAt)}` : ''}
          big={unsent > 0 ? 'Being recorded …' : 'Recorded'}
          under={
            unsent > 0
              ? 'It is kept on this device, and recorded as soon as the server has it.'
              : 'Look at it in Record: the level reached, photos, the next visit.'
          }
        />
      );
  }
}

function Words({
  over,
  big,
  under,
  blue = false,
}: {
  over: string;
  big: string;
  under: ReactNode;
  blue?: boolean;
}) {
  return (
    <div className="grid content-center gap-2">
      <p className="text-2xl leading-tight font-semibold text-ink-soft">{over}</p>
      <p
        className={`text-[clamp(44px,min(7vw,12vh),96px)] leading-none font-extrabold break-words wide ${blue ? 'text-sky' : ''}`}
      >
        {big}
      </p>
      <p className="text-xl leading-snug">{under}</p>
    </div>
  );
}

/**
 * The unit in hand: its letter and number, mix, where it begins and how far it goes, how it is gathered and
 * which way it runs.
 */
function FoilWords({
  plan,
  state,
  step,
  now,
}: Pick<StepViewProps, 'state' | 'now'> & { plan: Plan; step: Extract<NextStep, { kind: 'foil' }> }) {
  const {
    own: { unit, added },
    block,
    place,
    turned,
  } = step;
  const said = useSaid();
  const spent = state.freeAt === null ? 0 : now - state.freeAt;
  const ends = endsSentence(unit);
  const panel = plan.panels.find(({ id }) => id === unit.panel);
  return (
    <div className="grid content-center gap-[clamp(4px,1.4vh,14px)]">
      <p className="text-xl font-semibold text-ink-soft">
        {unit.panelName} · {zoneName(unit.zone).toLowerCase()} · {place + 1} of {block.units.length}
      </p>
      <div className="flex items-center gap-4">
        <LetterMark letter={unit.letter} lifts={unit.lifts} gather={unit.gather} />
        <p className="text-[clamp(46px,min(6.6vw,10vh),88px)] leading-none font-extrabold wide">
          {added ? 'Foil +' : unitName(unit)}
        </p>
      </div>
      {turned && (
        <p role="alert" className="rounded-ui bg-amber-bark px-4 py-2 text-3xl font-extrabold text-[#fff]">
          Now {unit.letter}, not {turned.from}
        </p>
      )}
      <p className="text-2xl leading-tight font-semibold" aria-label="Mix">
        {unit.letter}: {said(unit.mix)}
        {!unit.lifts && ' (deposits)'}
      </p>
      <p className="text-xl leading-snug" aria-label="Where">
        {said(capital(startWords(unit)))}; {said(reachWords(unit))}
        {unit.laidWith === 'between foils'
          ? '; between the foils'
          : unit.laidWith === 'open air'
            ? '; in the open air'
            : panel?.cover === 'under-and-over'
              ? '; one sheet under, one over'
              : ''}
        .{ends && <b> {said(capital(ends))}.</b>}
        {unit.again && <b> Painted again after {Math.round(unit.again.afterMinutes)} min.</b>}
      </p>
      <div className="grid gap-1">
        <p className="text-xl" aria-label="Section">
          {said(
            `${capital(gatherName(unit.gather, unit.thicknessMm))}, ${Math.round(unit.widthMm)} × ${round(unit.thicknessMm)} mm`,
          )}
          , {panel ? partingName(panel.direction, unit.angleDeg) : angleName(unit.angleDeg)}
        </p>
        <Stitches gather={unit.gather} widthMm={unit.widthMm} deposits={!unit.lifts} />
      </div>
      <p className="text-[clamp(34px,6vh,52px)] leading-none font-bold" aria-label="Seconds spent">
        {seconds(spent)}{' '}
        <span className="text-2xl font-medium text-ink-soft">usually {seconds(unit.seconds * 1000)}</span>
      </p>
    </div>
  );
}

/** The letter of a formula with the glyph of the gather: dark and purple where it deposits. */
function LetterMark({ letter, lifts, gather }: { letter: string; lifts: boolean; gather: SingleGather }) {
  return (
    <span
      className={clsx(
        'flex h-[84px] shrink-0 items-center gap-2 rounded-ui px-4',
        lifts ? 'bg-ink text-raised' : 'bg-dusk text-[#fff]',
      )}
    >
      <span className="text-[64px] leading-none font-extrabold">{letter}</span>
      <svg width={18} height={64} aria-hidden className="rounded-[3px] bg-[#2b211b]">
        <FoilGlyph gather={gather} width={18} height={64} deposits={!lifts} />
      </svg>
    </span>
  );
}

const BOWL_WORDS = {
  first: 'Another mix',
  spent: 'The bowl is used up',
  changed: 'Another strength from here on',
} as const;

/** How long, what it is mixed of, on what hair and where; and what is wrong with the hair for it. */
function StepDetails({ own, wrong }: { own: StepState; wrong: string | null }) {
  const calendar = useCalendar();
  const { step, begunAt } = own;
  const said = useSaid();
  const minutes = Math.round(step.minutes);
  return (
    <>
      {begunAt === null && step.place && (
        <b className="mb-2 block text-3xl leading-tight font-bold">{capital(placeWords(step.place))}</b>
      )}
      {begunAt === null
        ? `${minutes} min.`
        : `${minutes} min, until ${calendar.timeOf(endOf(own))}; watched.`}
      <span className="mt-2 block text-xl">{said(detailWords({ ...step, place: null }))}</span>
      {step.items?.ok === false && (
        <b className="block text-rowan">It cannot be mixed: {said(step.items.problem)}.</b>
      )}
      {wrong && (
        <b role="alert" className="mt-2 block text-amber-bark">
          {wrong}
        </b>
      )}
    </>
  );
}

const round = (mm: number) => Math.round(mm * 10) / 10;
