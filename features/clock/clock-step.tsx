'use client';

import { useMemo, useState } from 'react';
import { bindingsOf, compareCosts, nearestAlternative, runService, type Action, type Block, type Timeline } from '@/core/clock';
import { plainBlock, type ClockPlan } from '@/core/work';
import { timeThereIs } from '@/core/visit';
import { Segmented } from '@/ui/segmented';
import { useHouse } from '../house/context';
import { useComputed } from '../visit/computed';
import { useVisit } from '../visit/store';
import { Headline } from './headline';
import { OrderList } from './order-list';
import { TakeOrder } from './take-order';
import { TimeAxis } from './time-axis';
import { TimeRibbon } from './time-ribbon';
import { useClock, type Clocked } from './use-clock';
import { WhatIf } from './what-if';

const ORDERS = [{ value: 'own', words: 'Your order' }, { value: 'best', words: 'Best order found' }] as const;
const SHEETS = [{ value: 'plan', words: 'Plan' }, { value: 'what-if', words: 'What if' }] as const;

/** In what order to foil and rinse so that nothing stays on too long, and what holds it. */
export function ClockStep() {
  const visit = useComputed();
  const { consult, mix, plan: pattern, editMix } = useVisit();
  const house = useHouse();
  const plan = visit.clock;
  const questions = useMemo(() => {
    const blocks = plan.blocks.map(plainBlock);
    return { own: { blocks, rules: plan.rules, fixed: plan.fixed.own }, best: { blocks, rules: plan.rules, fixed: plan.fixed.best } };
  }, [plan]);
  const own = useClock(questions.own);
  const best = useClock(questions.best);
  const { blocks } = questions.own;
  const shown = mix.clock.order;
  const timelines = useMemo(() => {
    const of = (clocked: Clocked) => clocked.answer && runService(blocks, clocked.answer.actions, plan.rules);
    return { own: of(own), best: of(best) };
  }, [blocks, plan, own, best]);
  const { after } = visit;
  const [sheet, setSheet] = useState<'plan' | 'what-if'>('plan');
  if (blocks.length === 0) return <main className="p-5"><p className="card p-5 text-base text-ink-soft">{pattern.panels.length === 0 ? 'A visit without foils: what follows them (toner, root, dry) is timed at the chair. Lay foils in the pattern if it becomes one with.' : `Nothing to time yet: lay foils in the pattern${visit.work.letters.length === 0 ? ', and mix for them' : ''}.`}</p></main>;
  const timeline = timelines[shown];
  const answer = { own, best }[shown].answer;
  const problem = { own, best }[shown].problem;
  const painted = visit.work.units.some(({ laidWith }) => laidWith === 'between foils');
  return (
    <main className="grid h-full grid-cols-[minmax(0,1fr)_320px] grid-rows-[minmax(0,1fr)_auto] overflow-hidden xl:grid-cols-[minmax(0,1fr)_360px]">
      <section aria-label="Time axis" className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4 overflow-y-auto p-5">
        <header className="flex flex-wrap items-end justify-between gap-4">
          <Headline timeline={timeline} slot={timeThereIs(house, consult.minutesAtMost)} lateMinutes={mix.clock.lateMinutes} afterMinutes={after.at(-1)?.to ?? 0} />
          <div className="w-[300px]"><Segmented label="Order" value={shown} options={ORDERS} onChange={(order) => editMix(order === 'own' ? 'your order' : 'best order', (before) => ({ ...before, clock: { ...before.clock, order } }))} /></div>
        </header>
        {problem && <p role="alert" className="text-base font-semibold text-rowan">It could not be worked out: {problem}</p>}
        {timeline && (
          <div className="card min-w-0 p-4">
            <TimeAxis blocks={blocks} timeline={timeline} rules={plan.rules} after={after} />
            <p className="mt-2 text-xs text-ink-soft">
              Minutes from the first foil on. Dark: foiled (number of foils){plan.rules.second === 'foils' && ', green by the second person'}. Grey: lifting. Gold: ready, until the maker’s limit (red). Dot: rinsed{plan.rules.second === 'mixes' && '; dashed: foils opened one by one'}. Letters: a bowl is mixed.
              Estimates; {plan.rules.margin} min are kept in hand before every limit.
            </p>
          </div>
        )}
      </section>
      <aside aria-label="What holds it" tabIndex={0} className="grid content-start gap-4 overflow-y-auto border-l border-line bg-raised p-5">
        <div className="h-10"><Segmented label="Sheet" value={sheet} options={SHEETS} onChange={setSheet} /></div>
        {sheet === 'what-if' ? <WhatIf blocks={plan.blocks} timeline={timeline} painted={painted} /> : (
          <>
            {timeline && answer && <Binds blocks={blocks} timeline={timeline} actions={answer.actions} plan={plan} shown={shown} />}
            <Compared own={timelines.own} best={timelines.best} done={Boolean(own.answer?.done && best.answer?.done)} proved={best.answer?.proved ?? false} />
            {best.answer && timelines.best && <TakeOrder blocks={plan.blocks} timeline={timelines.best} />}
            {timeline && <OrderList blocks={blocks} timeline={timeline} searched={shown === 'best'} />}
            {plan.cut.length > 0 && <p className="text-sm text-ink-soft">{plan.cut.join(', ')}: too many foils for one time on, so {plan.cut.length === 1 ? 'it is' : 'they are'} worked in parts from below, and rinsed part by part.</p>}
            {plan.unexpected.length > 0 && <p className="text-sm font-medium text-amber-bark">{plan.unexpected.join(', ')}: the target is not expected with this mix; timed to the maker’s limit.</p>}
          </>
        )}
      </aside>
      <div className="col-span-2 min-w-0"><TimeRibbon blocks={blocks} work={plan.blocks} timeline={timeline} after={after} /></div>
    </main>
  );
}

interface BindsProps {
  blocks: readonly Block[];
  timeline: Timeline;
  actions: readonly Action[];
  plan: ClockPlan;
  shown: 'own' | 'best';
}

const MOST_BINDINGS = 4;

function Binds({ blocks, timeline, actions, plan, shown }: BindsProps) {
  const other = useMemo(() => nearestAlternative(blocks, actions, plan.rules, plan.fixed[shown]), [blocks, actions, plan, shown]);
  return (
    <section aria-label="What binds">
      <h2 className="mb-1 text-md font-bold">What holds it</h2>
      <ul className="grid gap-1.5">{bindingsOf(blocks, timeline, plan.rules).slice(0, MOST_BINDINGS).map(({ kind, words }) => <li key={words} className={`text-base ${kind === 'over' ? 'font-semibold text-rowan' : ''}`}>{words}</li>)}</ul>
      {other && <p className="mt-2 text-sm text-ink-soft"><b className="text-ink">Nearest alternative.</b> {other.words}</p>}
    </section>
  );
}

/** What the search gains over one's own order, and whether it is proved. */
function Compared({ own, best, done, proved }: { own: Timeline | undefined; best: Timeline | undefined; done: boolean; proved: boolean }) {
  if (!own || !best) return null;
  const better = compareCosts(best.cost, own.cost) < 0;
  const gains = [
    own.cost.over - best.cost.over > 0.05 && `${Math.round(own.cost.over - best.cost.over)} min less over a limit, all foils together`,
    own.cost.short - best.cost.short > 0.05 && `${Math.round(own.cost.short - best.cost.short)} min less short of ready`,
    own.end - best.end > 0.5 && `done ${Math.round(own.end - best.end)} min sooner`,
    own.stages.length > best.stages.length && `${own.stages.length - best.stages.length} fewer at the basin`,
  ].filter(Boolean);
  return (
    <section aria-label="Compared" className="border-t border-line pt-3">
      <h2 className="mb-1 text-md font-bold">Against your order</h2>
      <p className="text-base">{better ? `The best order found: ${gains.join(', ') || 'hair waits less past ready'}.` : 'Nothing better was found: your order stands.'}</p>
      <p className="text-sm text-ink-soft">{!done ? 'Still looking …' : proved ? 'Proved: no order of these parts does better.' : 'The best within the time; a better one may exist.'}</p>
    </section>
  );
}
