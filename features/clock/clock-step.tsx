'use client';

import { useMemo, useState } from 'react';
import { bindingsOf, type ClockPlanned } from '@/core/clock';
import { USUAL_WARM_CELSIUS } from '@/core/lift';
import { timeThereIs, type LiftFormula } from '@/core/visit';
import { wholeMinutes } from '@/core/steps';
import { cannotWith, plainQuestion, type ClockPlan, type Remedy } from '@/core/work';
import { capital } from '@/core/units';
import { Button } from '@/ui/button';
import { useSaid } from '@/ui/measures';
import { Segmented } from '@/ui/segmented';
import { useHouse } from '../house/context';
import { useComputed } from '../visit/computed';
import { useVisit } from '../visit/store';
import { FrameBar } from './frame-bar';
import { Headline } from './headline';
import { OrderList } from './order-list';
import { PlanList } from './plan-list';
import { TakeOrder } from './take-order';
import { TimeAxis } from './time-axis';
import { TimeRibbon } from './time-ribbon';
import { askPlans, usePlans } from './use-clock';
import { useTakeStrengths } from './use-take-strengths';
import { WhatIf } from './what-if';

const SHEETS = [
  { value: 'plan', words: 'Plan' },
  { value: 'what-if', words: 'What if' },
] as const;

/**
 * In what order to foil, when to open foils and when to go to the basin, so that nothing stays on too long:
 * the plans, and the one that is followed.
 */
export function ClockStep() {
  const visit = useComputed();
  const { consult, mix, plan: pattern, editMix } = useVisit();
  const house = useHouse();
  const { clock, after } = visit;
  const question = useMemo(
    () => (clock.blocks.length === 0 ? null : askPlans(plainQuestion(clock))),
    [clock],
  );
  const { answer: plans, problem, again, current } = usePlans(question);
  const takeStrengths = useTakeStrengths(clock.blocks);
  const [sheet, setSheet] = useState<'plan' | 'what-if'>('plan');
  if (clock.blocks.length === 0)
    return (
      <main className="p-5">
        <p className="card p-5 text-base text-ink-soft">
          {pattern.panels.length === 0
            ? 'A visit without foils: what follows them (toner, root, dry) is timed at the chair. Lay foils in the pattern if it becomes one with.'
            : `Nothing to time yet: lay foils in the pattern${visit.work.letters.length === 0 ? ', and mix for them' : ''}.`}
        </p>
      </main>
    );
  // An older answer stays in sight until the new one is there, as long as it is about the same foils.
  const fits = plans?.[0].timeline.foils.every(
    ({ block, index }) => clock.blocks[block]?.units[index] !== undefined,
  );
  const shown = fits ? plans : undefined;
  const followed = shown?.[0];
  const choose = (plan: ClockPlanned) => {
    if (plan.figures.strengthsChanged > 0) return takeStrengths(plan);
    editMix('plan chosen', (before) => ({
      ...before,
      clock: {
        ...before.clock,
        chosen: plan.key,
        ...(plan.second !== before.clock.second && { second: plan.second }),
      },
    }));
  };
  return (
    <main className="h-full max-lg:overflow-y-auto lg:grid lg:grid-cols-[minmax(0,1fr)_20rem] lg:grid-rows-[minmax(0,1fr)_auto] lg:overflow-hidden xl:grid-cols-[minmax(0,1fr)_22.5rem]">
      <section
        aria-label="Time axis"
        className="relative grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4 p-3 md:p-5 lg:overflow-y-auto"
      >
        <header>
          <Headline
            plan={current ? followed : undefined}
            slot={timeThereIs(house, consult.minutesAtMost)}
            lateMinutes={mix.clock.lateMinutes}
            afterMinutes={wholeMinutes(after)}
          />
        </header>
        {problem && (
          <p role="alert" className="flex items-center gap-3 text-base font-semibold text-rowan">
            It could not be worked out: {problem}.{' '}
            <Button small onClick={again}>
              Try again
            </Button>
          </p>
        )}
        <FrameBar />
        {shown && followed && (
          <>
            <PlanList plans={shown} value={followed.key} onChoose={choose} />
            <div className="card min-w-0 p-4">
              <TimeAxis
                blocks={clock.blocks}
                timeline={followed.timeline}
                rules={clock.rules}
                after={after}
              />
              <p className="mt-2 text-xs text-ink-soft">
                Minutes from the first foil on, a line for each foil. Dark: placed. Grey: lifting (purple:
                depositing). Gold: ready. Red: past the maker’s limit. It ends blue where the foil is rinsed,
                green where it is opened and wiped. Letters: a bowl is mixed. Estimates; {clock.rules.margin}{' '}
                min are kept in hand before every limit. Opened hair goes on lifting a little, at about{' '}
                {Math.round(clock.liftsOn * 100)}% of its rate, until it is rinsed.
              </p>
            </div>
          </>
        )}
      </section>
      <aside
        aria-label="What sets the time"
        tabIndex={0}
        className="relative grid content-start gap-4 border-line bg-raised p-4 md:p-5 max-lg:border-t lg:overflow-y-auto lg:border-l"
      >
        <div className="h-10">
          <Segmented label="Sheet" value={sheet} options={SHEETS} onChange={setSheet} />
        </div>
        {sheet === 'what-if' ? (
          <WhatIf clock={clock} plan={current ? followed : undefined} />
        ) : (
          followed && (
            <>
              <Holds clock={clock} plan={followed} />
              <TakeOrder blocks={clock.blocks} plan={followed} />
              <OrderList blocks={clock.blocks} timeline={followed.timeline} />
            </>
          )
        )}
      </aside>
      <div className="col-span-2 min-w-0">
        <TimeRibbon blocks={clock.blocks} timeline={followed?.timeline} after={after} />
      </div>
    </main>
  );
}

const MOST_BINDINGS = 4;

/** What the plan cannot meet, what holds it, and how near it is to the best. */
function Holds({ clock, plan }: { clock: ClockPlan; plan: ClockPlanned }) {
  const cannot = cannotWith(plan, clock);
  return (
    <section aria-label="What sets the time">
      <h2 className="mb-1 text-md font-bold">What sets the time</h2>
      <ul className="grid gap-1.5">
        {cannot.map((words) => (
          <li key={words} className="text-base font-semibold text-rowan">
            {words}
          </li>
        ))}
        {bindingsOf(clock.blocks, plan.timeline, clock.rules)
          .filter(({ kind }) => kind !== 'over')
          .slice(0, MOST_BINDINGS)
          .map(({ words }) => (
            <li key={words} className="text-base">
              {words}
            </li>
          ))}
      </ul>
      <p className="mt-2 text-sm text-ink-soft">{gapWords(plan)}</p>
      {clock.unexpected.length > 0 && <Remedies unexpected={clock.unexpected} />}
    </section>
  );
}

function gapWords({ gapMinutes, figures }: ClockPlanned): string {
  if (figures.worstOver > 0) return 'It is this short only because foils stay on past their limits.';
  if (gapMinutes < 1) return 'Nothing of this kind is shorter.';
  return `At most ${Math.round(gapMinutes)} min could be saved with as many visits to the basin.`;
}

/** Remedies that a formula takes by one press; the others are words to think about. */
const TAKEN = { 'second-application': 'Paint again', warmth: 'Add warmth', stronger: 'Stronger' } as const;

/** A formula with a remedy taken. */
function withRemedy(
  formula: LiftFormula,
  { kind, volumes }: Remedy,
  limitMinutes: number,
  warmest: number,
): LiftFormula {
  if (kind === 'second-application')
    return {
      ...formula,
      second: { volumes: formula.volumes, ratio: formula.ratio, afterMinutes: Math.round(limitMinutes) },
    };
  if (kind === 'warmth')
    return { ...formula, warmth: { celsius: Math.min(USUAL_WARM_CELSIUS, warmest), lastMinutes: 15 } };
  return volumes === undefined ? formula : { ...formula, volumes, bottles: null };
}

function Remedies({ unexpected }: Pick<ClockPlan, 'unexpected'>) {
  const { editMix } = useVisit();
  const { work } = useComputed();
  const { cautions } = useHouse();
  const said = useSaid();
  const take = (letter: string, remedy: Remedy, limitMinutes: number) =>
    editMix(`formula ${letter}: ${TAKEN[remedy.kind as keyof typeof TAKEN].toLowerCase()}`, (mix) => {
      const formula = mix.formulas[letter] ?? work.letters.find((row) => row.letter === letter)?.formula;
      return formula?.kind === 'lift'
        ? {
            ...mix,
            formulas: {
              ...mix.formulas,
              [letter]: withRemedy(formula, remedy, limitMinutes, cautions.warmestCelsius),
            },
          }
        : mix;
    });
  return (
    <div className="mt-3 grid gap-2">
      <h3 className="text-sm font-semibold">What can be done (estimates)</h3>
      {unexpected.map(({ panel, letter, name, limitMinutes, remedies }) => (
        <div key={`${panel} ${letter}`} className="text-sm">
          <p className="font-semibold">
            {name}, {letter}
          </p>
          <ul className="list-disc pl-4 text-ink-soft">
            {remedies.map((remedy) => (
              <li key={remedy.kind}>
                {said(capital(remedy.words))}.{' '}
                {remedy.kind in TAKEN && (
                  <button
                    type="button"
                    className="min-h-8 font-semibold text-leaf underline-offset-2 hover:underline"
                    onClick={() => take(letter, remedy, limitMinutes)}
                  >
                    {TAKEN[remedy.kind as keyof typeof TAKEN]} ({letter})
                  </button>
                )}
              </li>
            ))}
          </ul>
        </div>
      ))}
    </div>
  );
}
