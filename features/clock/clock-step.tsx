'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import { bindingsOf, compareCosts, runService, USUAL_RULES, type Block, type Timeline } from '@/core/clock';
import { timeThereIs } from '@/core/formats';
import { blocksOf, clockBlocks } from '@/core/mix';
import { Button } from '@/ui/button';
import { Segmented } from '@/ui/segmented';
import { Slider } from '@/ui/slider';
import { useHouse } from '../house/context';
import { useMixed } from '../mix/mixed';
import { hoursAndMinutes } from '../shared';
import { useVisit } from '../visit/store';
import { TimeAxis } from './time-axis';
import { useClock } from './use-clock';

const USUAL_PACE = 100;
const OWN = [{ value: 'own', words: 'Your order' }, { value: 'best', words: 'Best order found' }] as const;

/** In what order to foil and rinse so that nothing stays on too long, and what holds it. */
export function ClockStep() {
  const { mixed } = useMixed();
  const { consult } = useVisit();
  const house = useHouse();
  const [pace, setPace] = useState(USUAL_PACE);
  const { blocks, cut, unexpected } = useBlocks(useDeferredValue(pace));
  const order = useMemo(() => blocks.map((_, i) => i), [blocks]);
  const own = useClock(blocks, order);
  const best = useClock(blocks, null);
  const [shown, show] = useState<'own' | 'best'>('own');
  const timelines = useMemo(() => {
    const of = (clocked: typeof own) => clocked.answer && runService(blocks, clocked.answer.actions);
    return { own: of(own), best: of(best) };
  }, [blocks, own, best]);
  if (blocks.length === 0) return <p className="m-5 card p-5 text-base text-ink-soft">Nothing to time yet: lay foils in the pattern{mixed.formulas.length === 0 ? ', and mix for them' : ''}.</p>;
  const timeline = timelines[shown];
  const problem = own.problem ?? best.problem;
  const slot = timeThereIs(house, consult.minutesAtMost);
  return (
    <main className="grid h-full grid-cols-[minmax(0,1fr)_300px] overflow-hidden xl:grid-cols-[minmax(0,1fr)_340px]">
      <section aria-label="Time axis" className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4 overflow-y-auto p-5">
        <header className="flex flex-wrap items-end justify-between gap-4">
          <Headline timeline={timeline} slot={slot} />
          <div className="w-[300px]"><Segmented label="Order" value={shown} options={OWN} onChange={show} /></div>
        </header>
        {problem && <p role="alert" className="text-base font-semibold text-rowan">It could not be worked out: {problem}.</p>}
        {timeline && (
          <div className="card min-w-0 p-4">
            <TimeAxis blocks={blocks} timeline={timeline} />
            <p className="mt-2 text-xs text-ink-soft">Minutes from the first foil on. Dark: foiled (number of foils). Grey: lifting. Gold: ready, until the maker’s limit (red). Dot: rinsed. Letters: a bowl is mixed. Estimates; {USUAL_RULES.margin} min are kept in hand before every limit.</p>
          </div>
        )}
      </section>
      <aside aria-label="What holds it" tabIndex={0} className="grid content-start gap-4 overflow-y-auto border-l border-line bg-raised p-5">
        <Slider label="If a foil takes" value={pace} min={60} max={160} step={5} said={pace === USUAL_PACE ? 'the usual time' : `${pace} % of the usual time`} onChange={setPace} hint="Slower with talk or interruptions; quicker with a second pair of hands." />
        {timeline && <Binds blocks={blocks} timeline={timeline} />}
        <Compared own={timelines.own} best={timelines.best} done={Boolean(own.answer?.done && best.answer?.done)} proved={best.answer?.proved ?? false} />
        {best.answer && <TakeOrder blocks={blocks} actions={best.answer.actions} />}
        {timeline && <Order blocks={blocks} timeline={timeline} />}
        {cut.length > 0 && <p className="text-sm text-ink-soft">{cut.join(', ')}: too many foils for one time on, so {cut.length === 1 ? 'it is' : 'they are'} worked in parts from below, and rinsed part by part.</p>}
        {unexpected.length > 0 && <p className="text-sm font-medium text-amber-bark">{unexpected.join(', ')}: the target is not expected with this mix; timed to the maker’s limit.</p>}
      </aside>
    </main>
  );
}

/** Blocks of the visit, at a pace in hundredths of the usual time for a foil. */
function useBlocks(pace: number) {
  const { mixed } = useMixed();
  return useMemo(() => {
    const panels = blocksOf(mixed).map((own) => ({ ...own, seconds: own.seconds.map((seconds) => (seconds * pace) / 100) }));
    const { blocks, cut } = clockBlocks(panels);
    // A worker takes what it needs and no more.
    const plain = blocks.map(({ id, panel, name, formula, seconds, readyMinutes, limitMinutes, touches }): Block => ({ id, panel, name, formula, seconds, readyMinutes, limitMinutes, touches }));
    return { blocks: plain, cut, unexpected: panels.filter(({ expected }) => !expected).map(({ name }) => name) };
  }, [mixed, pace]);
}

function Headline({ timeline, slot }: { timeline: Timeline | undefined; slot: number | null }) {
  if (!timeline) return <p role="status" className="text-xl font-bold wide">Working it out …</p>;
  const over = timeline.foils.filter(({ clear, limit }) => clear > limit + 1e-6);
  const worst = Math.max(0, ...over.map(({ clear, limit }) => clear - limit));
  const stages = timeline.stages.length;
  // As long as nothing is foiled between two stages it is the same visit to the basin.
  const visits = timeline.stages.filter(({ from }, i) => i === 0 || timeline.foils.some(({ placed }) => placed > timeline.stages[i - 1].to && placed <= from)).length;
  const foiled = Math.max(...timeline.foils.map(({ placed }) => placed));
  return (
    <div role="status">
      <p className={`text-xl font-bold wide ${over.length > 0 ? 'text-rowan' : ''}`}>
        {over.length === 0 ? 'No foil stays on too long' : `${over.length} ${over.length === 1 ? 'foil stays' : 'foils stay'} on too long, by up to ${Math.ceil(worst)} min`}
      </p>
      <p className="text-base text-ink-soft">
        {visits === 1 ? 'Once' : `${visits} times`} at the basin{stages > visits && `, ${stages} rinses`}; foiled after {hoursAndMinutes(foiled)}, rinsed after {hoursAndMinutes(timeline.end)}
        {slot !== null && (timeline.end > slot ? <b className="text-amber-bark">; {Math.ceil(timeline.end - slot)} min more than there is ({hoursAndMinutes(slot)})</b> : `; within the ${hoursAndMinutes(slot)} that there are`)}.
      </p>
    </div>
  );
}

function Binds({ blocks, timeline }: { blocks: readonly Block[]; timeline: Timeline }) {
  return (
    <section aria-label="What binds">
      <h2 className="mb-1 text-md font-bold">What holds it</h2>
      <ul className="grid gap-1.5">{bindingsOf(blocks, timeline).slice(0, 4).map(({ kind, words }) => <li key={words} className={`text-base ${kind === 'over' ? 'font-semibold text-rowan' : ''}`}>{words}</li>)}</ul>
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

/** Puts the panels of the plan into the order that was found. */
function TakeOrder({ blocks, actions }: { blocks: readonly Block[]; actions: readonly { readonly kind: string; readonly block?: number }[] }) {
  const { plan, editPlan } = useVisit();
  const wanted = [...new Set(actions.flatMap((action) => (action.kind === 'foil' ? [blocks[action.block!].panel] : [])))];
  const now = [...new Set(blocks.map(({ panel }) => panel))];
  if (wanted.join() === now.join()) return null;
  const take = () =>
    editPlan('order of work by the clock', (before) => {
      const at = (id: string) => (wanted.includes(id) ? wanted.indexOf(id) : wanted.length);
      return { ...before, panels: [...before.panels].sort((a, b) => at(a.id) - at(b.id)) };
    });
  return <Button onClick={take}>Work in this order: {wanted.map((id) => plan.panels.find((panel) => panel.id === id)?.name ?? id).join(', ')}</Button>;
}

function Order({ blocks, timeline }: { blocks: readonly Block[]; timeline: Timeline }) {
  const steps = [
    ...blocks.map((block, b) => ({ at: timeline.foils.find((own) => own.block === b)!.placed - block.seconds[0] / 60, words: `Foil ${block.name}`, detail: `${block.seconds.length} foils, ${block.formula}`, rinse: false })),
    ...timeline.stages.map(({ from, blocks: set }) => ({ at: from, words: `Rinse ${set.map((b) => blocks[b].name).join(', ')}`, detail: '', rinse: true })),
  ].sort((a, b) => a.at - b.at);
  return (
    <section aria-label="Order of work" className="border-t border-line pt-3">
      <h2 className="mb-1 text-md font-bold">In this order</h2>
      <ol className="grid gap-1">
        {steps.map(({ at, words, detail, rinse }) => (
          <li key={words} className="grid grid-cols-[44px_minmax(0,1fr)] gap-2 text-base"><span className="text-right font-semibold">{Math.round(at)}</span><span className={rinse ? 'font-semibold text-sky' : ''}>{words}{detail && <span className="text-sm text-ink-soft">, {detail}</span>}</span></li>
        ))}
      </ol>
    </section>
  );
}
