'use client';

import { useState } from 'react';
import { cssColour, undercoatHair, undercoatsBetween } from '@/core/lift';
import { curveOf, type PanelLift, type StrengthIdea, type VisitMix, recordedTests } from '@/core/mix';
import { formatLevel } from '@/core/units';
import { Button } from '@/ui/button';
import { HairSwatch } from '@/ui/hair-swatch';
import { NumberField } from '@/ui/number-field';
import { Select } from '@/ui/select';
import { sayDay } from '../../shared';
import { useVisit } from '../../visit/store';
import type { VisitWork } from '../../visit/types';
import { readAmount, tenth } from '../amounts';
import { useMixed } from '../mixed';
import { LiftChart } from './lift-chart';

const keyOf = ({ panel, formula, stretch }: Pick<PanelLift, 'panel' | 'formula' | 'stretch'>) => `${panel}/${formula}/${stretch}`;
const STRETCH = { length: '', ends: ', ends', band: ', through the band' } as const;

/** How far and when: the curve of each mix on this hair, strand tests that fit it, and when each panel should be ready. */
export function LiftSheet() {
  const { mixed } = useMixed();
  const [chosen, choose] = useState<string>();
  const { panels } = mixed.mixed;
  if (panels.length === 0) return <p className="m-5 card p-5 text-base text-ink-soft">Nothing lifts yet: lay foils in the pattern, with a formula that lifts.</p>;
  const panel = panels.find((own) => keyOf(own) === chosen) ?? panels[0];
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_276px] items-start gap-5 p-4 xl:grid-cols-[minmax(0,1fr)_340px] xl:gap-6 xl:p-5">
      <div className="grid gap-4">
        <Curve panel={panel} />
        <Panels panels={panels} chosen={keyOf(panel)} onChoose={choose} />
        <Ideas />
      </div>
      <div className="grid gap-4">
        <StrandTests panel={panel} />
        <Undercoats panel={panel} />
      </div>
    </div>
  );
}

function Curve({ panel }: { panel: PanelLift }) {
  const { mixed } = useMixed();
  const { mix } = useVisit();
  const until = Math.ceil((panel.limitMinutes + 12) / 5) * 5;
  const points = curveOf(panel, mixed.head, until);
  const tests = mix.tests.filter(({ formula, from }) => formula === panel.formula && Math.abs(from - panel.from) < 0.75);
  return (
    <section aria-label="Lift curve" className="card p-4">
      <h2 className="text-md font-bold">{panel.name}, formula {panel.formula}{STRETCH[panel.stretch]}: from level {tenth(panel.from)} to {tenth(panel.target)}</h2>
      <p className="mb-2 text-base"><ReadyWords panel={panel} /></p>
      <LiftChart points={points} target={panel.target} limitMinutes={panel.limitMinutes} tests={tests} readyMinutes={panel.ready?.minutes ?? null} />
      <p className="mt-1 text-xs text-ink-soft">Minutes since the foil was closed; eight heads in ten lie in the band. An estimate: look at the first foils, and never past the maker’s {panel.limitMinutes} min without a decision.</p>
    </section>
  );
}

function ReadyWords({ panel: { ready, limitMinutes, atLimit, target, oldestBowlMinutes, readyFromOldest } }: { panel: PanelLift }) {
  if (ready === null || ready.minutes > limitMinutes) {
    return <><b className="text-amber-bark">Level {tenth(target)} is not expected{ready && ` within ${limitMinutes} min`}.</b> At {limitMinutes} min: level {tenth(atLimit.level)}, between {tenth(atLimit.low)} and {tenth(atLimit.high)}.</>;
  }
  const late = readyFromOldest === null ? 'not expected from its oldest bowl' : readyFromOldest - ready.minutes >= 1 ? `${Math.round(readyFromOldest)} min from a bowl ${Math.round(oldestBowlMinutes)} min old` : undefined;
  return <><b>Ready after about {Math.round(ready.minutes)} min</b>, between {Math.round(ready.soonest)} and {ready.latest === null ? 'never' : `${Math.round(ready.latest)} min`}{late && `; ${late}`}.</>;
}

function Panels({ panels, chosen, onChoose }: { panels: readonly PanelLift[]; chosen: string; onChoose(key: string): void }) {
  return (
    <table className="card w-full border-separate border-spacing-0 overflow-hidden text-base">
      <caption className="sr-only">When each panel should be ready</caption>
      <thead>
        <tr className="text-left text-xs text-ink-soft [&_th]:px-4 [&_th]:py-2 [&_th]:font-normal"><th>Panel</th><th>Formula</th><th>Level</th><th>Ready after</th><th>Between</th><th>At the limit</th></tr>
      </thead>
      <tbody>
        {panels.map((own) => {
          const { ready, limitMinutes, atLimit } = own;
          const inTime = ready !== null && ready.minutes <= limitMinutes;
          const here = keyOf(own) === chosen;
          return (
            <tr key={keyOf(own)} className={`[&>*]:border-t [&>*]:border-line [&>*]:px-4 [&>*]:py-2 ${here ? 'bg-leaf-pale' : 'hover:bg-leaf-pale'}`}>
              <th scope="row" className="text-left font-medium">
                <button type="button" aria-pressed={here} onClick={() => onChoose(keyOf(own))} className="min-h-8 text-left font-semibold underline-offset-2 hover:underline">{own.name}{STRETCH[own.stretch]}</button>
              </th>
              <td>{own.formula}</td>
              <td className="whitespace-nowrap">{tenth(own.from)} → {tenth(own.target)}</td>
              <td className={`font-semibold whitespace-nowrap ${inTime ? '' : 'text-amber-bark'}`}>{inTime ? `${Math.round(ready.minutes)} min` : 'not expected'}</td>
              <td className="whitespace-nowrap">{ready === null ? '–' : `${Math.round(ready.soonest)}–${ready.latest === null ? 'never' : Math.round(ready.latest)} min`}</td>
              <td className="whitespace-nowrap">{tenth(atLimit.level)} at {limitMinutes} min</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** What a strength would suit better, by the schools of the house, with one press to take it. */
function Ideas() {
  const { mixed } = useMixed();
  const { editVisit } = useVisit();
  const { ideas } = mixed;
  if (ideas.length === 0) return null;
  const take = (idea: StrengthIdea) => editVisit(`${idea.name}: ${tenth(idea.volumes)} vol`, (work) => withStrength(work, idea, mixed.formulas));
  return (
    <section aria-label="Suggested strengths" className="card p-4">
      <h2 className="mb-1 text-md font-bold">Other strengths, by the schools of this house</h2>
      <ul className="grid">
        {together(ideas, mixed.mixed.panels).map((idea) => (
          <li key={`${idea.panel}${idea.formula}`} className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-4 border-t border-line py-2 first:border-t-0">
            <p className="text-base"><b>{idea.name}, {idea.formula}: {tenth(idea.volumes)} vol</b> instead of {tenth(idea.now)}. <span className="text-sm text-ink-soft">{idea.why}</span></p>
            <Button small onClick={() => take(idea)}>Take it</Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** One suggestion for a formula where all its panels ask for the same; it is then taken for the formula as it is. */
function together(ideas: readonly StrengthIdea[], panels: readonly PanelLift[]): StrengthIdea[] {
  return ideas.flatMap((idea, i) => {
    const alike = ideas.filter((own) => own.formula === idea.formula && own.volumes === idea.volumes && own.why === idea.why);
    const all = panels.filter(({ formula, stretch }) => formula === idea.formula && stretch === 'length');
    if (alike.length < all.length || all.length === 1) return [idea];
    return ideas.indexOf(alike[0]) === i ? [{ ...idea, panel: EVERY, name: 'Every panel' }] : [];
  });
}
const EVERY = '*';

/** The visit with a strength taken for one panel: where other panels share the formula, the panel gets a letter of its own. */
function withStrength(work: VisitWork, idea: StrengthIdea, rows: readonly { readonly letter: string; readonly formula: VisitMix['formulas'][string] }[]): VisitWork {
  const own = work.mix.formulas[idea.formula] ?? rows.find(({ letter }) => letter === idea.formula)?.formula;
  if (own?.kind !== 'lift') return work;
  const next = { ...own, volumes: idea.volumes, bottles: null };
  const lettersOf = ({ formula, rotation }: VisitWork['plan']['panels'][number]) => [formula, ...(rotation?.sequence ?? '')];
  const shared = idea.panel !== EVERY && work.plan.panels.some((panel) => panel.id !== idea.panel && !panel.muted && lettersOf(panel).includes(idea.formula));
  const withFormula = (letter: string) => ({ ...work.mix, formulas: { ...work.mix.formulas, [letter]: next } });
  if (!shared) return { ...work, mix: withFormula(idea.formula) };
  const same = Object.entries(work.mix.formulas).find(([, formula]) => JSON.stringify(formula) === JSON.stringify(next))?.[0];
  const letter = same ?? [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].find((free) => !(free in work.mix.formulas) && !work.plan.panels.some((panel) => lettersOf(panel).includes(free)));
  if (letter === undefined) return work;
  const swap = (text: string) => text.replaceAll(idea.formula, letter);
  const panels = work.plan.panels.map((panel) => (panel.id === idea.panel ? { ...panel, formula: swap(panel.formula), rotation: panel.rotation && { ...panel.rotation, sequence: swap(panel.rotation.sequence) } } : panel));
  return { ...work, plan: { ...work.plan, panels }, mix: withFormula(letter) };
}

function StrandTests({ panel }: { panel: PanelLift }) {
  const { mix, editMix, bundle } = useVisit();
  const { mixed } = useMixed();
  const recorded = recordedTests(bundle.safety.tests, bundle.heldOn).filter(({ volumes, minutes, from, level }) => volumes !== null && minutes !== null && from !== null && level !== null);
  const [minutes, setMinutes] = useState<number>();
  const [level, setLevel] = useState<number>();
  const { factor, low, high, readings } = mixed.head;
  const problem = level !== undefined && level <= panel.from ? `No lift was read: ${formatLevel(level)} is not above ${formatLevel(panel.from)}.` : undefined;
  const add = () => {
    if (minutes === undefined || level === undefined || problem) return;
    editMix('strand test added', (own) => ({ ...own, tests: [...own.tests, { formula: panel.formula, from: panel.from, minutes, level }] }));
    setMinutes(undefined);
    setLevel(undefined);
  };
  return (
    <section aria-label="Strand tests" className="card grid gap-3 p-4">
      <h2 className="text-md font-bold">Strand tests and checks</h2>
      <p className="text-base">
        {readings === 0 ? 'No test yet: heads differ by about a quarter, and one reading is worth more than any table.' : <>This hair lifts <b className="text-lg">{factor.toFixed(2)}</b> times as fast as usual ({low.toFixed(2)}–{high.toFixed(2)}), from {readings} {readings === 1 ? 'reading' : 'readings'}.</>}
      </p>
      {recorded.length > 0 && (
        <ul className="grid gap-1 text-base text-ink-soft">
          {recorded.map(({ onDay, volumes, minutes: after, from, level: read }) => <li key={`${onDay}${after}`}>On record, {sayDay(onDay)}: {tenth(volumes!)} vol, level {formatLevel(from!)} → {formatLevel(read!)} after {after} min</li>)}
        </ul>
      )}
      {mix.tests.length > 0 && (
        <ul className="grid gap-1">
          {mix.tests.map((test, i) => (
            <li key={i} className="flex items-center justify-between gap-2 text-base">
              <span>{test.formula}: level {formatLevel(test.from)} → <b>{formatLevel(test.level)}</b> after {tenth(test.minutes)} min</span>
              <Button small look="quiet" aria-label={`Remove the test of ${tenth(test.minutes)} min`} onClick={() => editMix('strand test removed', (own) => ({ ...own, tests: own.tests.filter((_, at) => at !== i) }))}>×</Button>
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
        <p className="text-sm text-ink-soft">With formula {panel.formula}, on hair of level {tenth(panel.from)}:</p>
        <div className="grid grid-cols-2 gap-3">
          <NumberField key={`m${mix.tests.length}`} label="Read after" unit="min" min={1} max={120} value={minutes} parse={readAmount} onChange={setMinutes} />
          <Select label="Level read" value={level === undefined ? '' : String(level)} options={[{ value: '', words: 'choose' }, ...Array.from({ length: 19 }, (_, i) => 1 + i / 2).map((own) => ({ value: String(own), words: formatLevel(own) }))]} onChange={(text) => setLevel(text === '' ? undefined : Number(text))} />
        </div>
        {problem && <p role="alert" className="text-sm font-medium text-rowan">{problem}</p>}
        <Button type="submit" disabled={minutes === undefined || level === undefined || problem !== undefined}>Add the reading</Button>
      </form>
    </section>
  );
}

function Undercoats({ panel }: { panel: PanelLift }) {
  const passed = undercoatsBetween(panel.from, panel.target);
  return (
    <section aria-label="Undercoat" className="card p-4">
      <h2 className="mb-2 text-md font-bold">Undercoat on the way</h2>
      {passed.length === 0 ? <p className="text-base text-ink-soft">Nothing is lifted.</p> : (
        <ol className="grid gap-1.5">
          {passed.map(({ level, exposed, neutralisedBy }) => (
            <li key={level} className="grid grid-cols-[20px_56px_minmax(0,1fr)] items-center gap-2 text-base">
              <b>{level}</b><HairSwatch colour={cssColour(undercoatHair(level))} width={52} height={22} />
              <span>{exposed}<span className="text-sm text-ink-soft">, {neutralisedBy ? `${neutralisedBy} neutralises` : 'needs no toner'}</span></span>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
