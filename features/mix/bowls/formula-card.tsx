'use client';

import { useState } from 'react';
import { groupsOf, groupWords, type FormulaRow } from '@/core/work';
import { bottlesFor, strengthOf } from '@/core/bowl';
import { productsOf } from '@/core/products';
import { formatLevel } from '@/core/units';
import type { ColourEnds, DepositFormula, LiftFormula, PermanentFormula, Reach } from '@/core/visit';
import { Button } from '@/ui/button';
import { NumberField } from '@/ui/number-field';
import { Segmented } from '@/ui/segmented';
import { Select } from '@/ui/select';
import { Slider } from '@/ui/slider';
import { Switch } from '@/ui/switch';
import { useVisit } from '../../visit/store';
import { percentSaid, readAmount, tenth } from '../amounts';
import { useFormulaEdit } from '../edit';
import { useComputed } from '../../visit/computed';
import { ShadeParts } from '../tone/shade-parts';

const REACH = [{ value: 'ends', words: 'to the ends' }, { value: 'regrowth', words: 'regrowth only' }, { value: 'stretch', words: 'from … to' }] as const;
const KIND_WORDS = { lift: 'Lifts', deposit: 'Lowlight, deposits', permanent: 'Permanent, lifts and deposits' } as const;
const readVolumes = (text: string): number | undefined => {
  const found = /^(\d{1,2}(?:[.,]\d)?)\s*(vol|%)?/.exec(text.trim());
  if (!found) return undefined;
  const value = Number(found[1].replace(',', '.'));
  return found[2] === '%' ? Math.round((value * 100) / 3) / 10 : value;
};
const readRatio = (text: string): number | undefined => readAmount(text.replace(/^1\s*:\s*/, ''));

/** One formula: what, how strong, how thick, and how far along the hair. */
export function FormulaCard({ row }: { row: FormulaRow }) {
  const { letter, formula, units, chosen, problem, notes } = row;
  const { work } = useComputed();
  const taken = work.units.filter((unit) => unit.letter === letter);
  const { editMix } = useVisit();
  const remove = () =>
    editMix(`formula ${letter} removed`, (mix) => {
      const formulas = { ...mix.formulas };
      delete formulas[letter];
      return { ...mix, formulas };
    });
  return (
    <article aria-label={`Formula ${letter}`} className="card grid gap-3 p-4">
      <header className="flex items-center gap-3">
        <span className="grid size-9 place-items-center rounded-ui bg-ink text-lg font-bold text-raised">{letter}</span>
        <h3 className="flex-1 text-md font-bold">{KIND_WORDS[formula.kind]}</h3>
        <p className="text-sm text-ink-soft">{units === 0 ? 'in no foil yet' : groupWords(groupsOf(taken)).replaceAll(` ${letter}`, '')}{!chosen && ', usual'}</p>
        {chosen && units === 0 && <Button small look="quiet" onClick={remove}>Remove</Button>}
      </header>
      {problem && <p role="alert" className="text-base font-semibold text-rowan">Formula {letter}: {problem}.</p>}
      {formula.kind === 'lift' ? <LiftFields letter={letter} formula={formula} /> : <ColourFields letter={letter} formula={formula} />}
      {notes.length > 0 && <ul className="grid gap-1">{notes.map((note) => <li key={note} className="text-sm font-medium text-amber-bark">{note}.</li>)}</ul>}
    </article>
  );
}

function LiftFields({ letter, formula }: { letter: string; formula: LiftFormula }) {
  const visit = useComputed();
  const { consult } = useVisit();
  const { lift } = useFormulaEdit(letter);
  const [more, setMore] = useState(formula.ends !== null || formula.additives.length > 0 || formula.heat || formula.target !== null);
  const { shelf } = visit;
  const product = shelf.lightener(formula.product);
  const bottles = bottlesFor(formula.volumes, formula.bottles, shelf);
  const recipe = visit.work.letters.find((row) => row.letter === letter)?.recipe;
  return (
    <>
      <Select
        label="Lightener" value={formula.product}
        options={[...(product ? [] : [{ value: formula.product, words: `${formula.product} (gone)` }]), ...shelf.lighteners.map(({ id, name }) => ({ value: id, words: name }))]}
        onChange={(id) => {
          const next = shelf.lightener(id)!;
          lift(next.name, { product: id, ratio: next.ratio.usual, volumes: Math.min(next.volumes.most, Math.max(next.volumes.least, formula.volumes)) });
        }}
      />
      <Slider
        label="Strength" value={formula.volumes} min={5} max={40} step={1} said={`${tenth(formula.volumes)} vol`} read={readVolumes}
        hint={
          <>
            {percentSaid(formula.volumes)}; {typeof bottles === 'string' ? <span className="font-semibold text-rowan">{bottles}.</span> : bottles.length === 2 ? `from ${bottles[0].volumes} and ${bottles[1].volumes} vol` : 'from the bottle'}
            {recipe && recipe.volumes < formula.volumes - 0.05 && `; ${tenth(recipe.volumes)} vol on the hair`}
          </>
        }
        onChange={(volumes) => lift(`${tenth(volumes)} vol`, { volumes })}
      />
      <Slider label="Ratio" value={formula.ratio} min={0.5} max={4} step={0.25} said={`1:${tenth(formula.ratio)}`} read={readRatio} onChange={(ratio) => lift(`1:${tenth(ratio)}`, { ratio })} hint={product && `${product.name} takes 1:${product.ratio.least} to 1:${product.ratio.most}; thicker swells and runs less`} />
      <ReachField letter={letter} reach={formula.reach} onChange={(words, reach) => lift(words, { reach })} />
      <button type="button" aria-expanded={more} onClick={() => setMore(!more)} className="h-9 justify-self-start text-base font-semibold text-leaf hover:text-leaf-dark">{more ? 'Less' : 'Target, additives, ends, warmth'}</button>
      {more && (
        <div className="grid gap-3 border-t border-line pt-3">
          <Select
            label="To level" value={String(formula.target ?? '')}
            options={[{ value: '', words: `as wished, ${formatLevel(consult.goalLevel)}` }, ...Array.from({ length: 17 }, (_, i) => 2 + i / 2).map((level) => ({ value: String(level), words: formatLevel(level) }))]}
            onChange={(text) => lift('target', { target: text === '' ? null : Number(text) })}
          />
          <Additives letter={letter} formula={formula} />
          <Ends letter={letter} formula={formula} />
          <div className="flex min-h-9 items-center justify-between gap-4"><span className="text-base">Warmth is added</span><Switch label={`Warmth on formula ${letter}`} on={formula.heat} onChange={(heat) => lift(heat ? 'warmth' : 'no warmth', { heat })} /></div>
        </div>
      )}
    </>
  );
}

function Additives({ letter, formula }: { letter: string; formula: LiftFormula }) {
  const visit = useComputed();
  const { lift } = useFormulaEdit(letter);
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 text-sm font-semibold">Beside it, for 10 g of lightener</legend>
      {productsOf(visit.shelf.all, 'additive').map((own) => {
        const added = formula.additives.find(({ product }) => product === own.id);
        const set = (perGram: number | undefined) => lift(own.name, { additives: [...formula.additives.filter(({ product }) => product !== own.id), ...(perGram ? [{ product: own.id, perGram }] : [])] });
        return (
          <div key={own.id} className="grid grid-cols-[minmax(0,1fr)_124px] items-center gap-3">
            <span className="text-base">{own.name}{own.weakens && added && <span className="text-sm text-ink-soft">, weakens to {tenth(strengthOf(formula.volumes, formula.ratio, added.perGram))} vol</span>}</span>
            <NumberField label={`${own.name} in ${letter}`} hideLabel unit="g" min={0.1} max={100} value={added ? Math.round(added.perGram * 100) / 10 : undefined} placeholder={`none (${tenth(own.perGram * 10)})`} parse={readAmount} onChange={(grams) => set(grams === undefined ? undefined : grams / 10)} />
          </div>
        );
      })}
    </fieldset>
  );
}

function Ends({ letter, formula }: { letter: string; formula: LiftFormula }) {
  const { lift } = useFormulaEdit(letter);
  const { ends } = formula;
  const set = (part: Partial<NonNullable<typeof ends>>) => ends && lift('ends', { ends: { ...ends, ...part } });
  return (
    <fieldset className="grid gap-2">
      <div className="flex min-h-9 items-center justify-between gap-4">
        <span className="text-base">Another mix on the ends</span>
        <Switch label={`Another mix on the ends of ${letter}`} on={ends !== null} onChange={(on) => lift(on ? 'ends apart' : 'ends as the length', { ends: on ? { volumes: Math.min(10, formula.volumes), ratio: formula.ratio, lastMm: 80 } : null })} />
      </div>
      {ends && (
        <div className="grid grid-cols-3 gap-2">
          <NumberField label="Strength" unit="vol" min={1} max={40} value={ends.volumes} parse={readAmount} onChange={(volumes) => volumes !== undefined && set({ volumes })} />
          <NumberField label="Ratio 1 :" unit="" min={0.5} max={5} value={ends.ratio} parse={readAmount} onChange={(ratio) => ratio !== undefined && set({ ratio })} />
          <NumberField label="The last" unit="mm" min={10} max={1000} value={ends.lastMm} parse={readAmount} onChange={(lastMm) => lastMm !== undefined && set({ lastMm })} />
        </div>
      )}
    </fieldset>
  );
}

/** How far along the hair a formula is painted. */
function ReachField({ letter, reach, onChange }: { letter: string; reach: Reach; onChange(words: string, reach: Reach): void }) {
  const { plan } = useVisit();
  const kind = typeof reach === 'string' ? reach : 'stretch';
  const stretch = typeof reach === 'string' ? { fromMm: 0, toMm: Math.round(plan.hair.lengthMm / 2) } : reach;
  return (
    <div className="grid gap-2">
      <p aria-hidden className="-mb-1 text-sm font-semibold">Painted</p>
      <Segmented label="Painted" value={kind} options={REACH} onChange={(next) => onChange(next === 'ends' ? 'painted to the ends' : next === 'regrowth' ? 'painted on the regrowth only' : 'painted on a stretch', next === 'stretch' ? stretch : next)} />
      {kind === 'stretch' && (
        <div className="grid grid-cols-2 gap-2">
          <NumberField label={`${letter} begins`} unit="mm" min={0} max={1199} value={stretch.fromMm} parse={readAmount} onChange={(fromMm) => fromMm !== undefined && fromMm < stretch.toMm && onChange('where it begins', { ...stretch, fromMm })} />
          <NumberField label={`${letter} ends`} unit="mm" min={1} max={1200} value={stretch.toMm} parse={readAmount} onChange={(toMm) => toMm !== undefined && toMm > stretch.fromMm && onChange('where it ends', { ...stretch, toMm })} />
        </div>
      )}
    </div>
  );
}

type Colour = DepositFormula | PermanentFormula;

/** Colour that deposits, or lifts and deposits: line, shades, developer, time, how far it goes, and ends of their own. */
function ColourFields({ letter, formula }: { letter: string; formula: Colour }) {
  const { shelf } = useComputed();
  const { set } = useFormulaEdit(letter);
  const change = (label: string, part: Partial<Omit<Colour, 'kind'>>) => set(label, (own) => (own.kind === 'lift' ? own : { ...own, ...part }), `${letter} ${Object.keys(part).join()}`);
  const { ends } = formula;
  const changeEnds = (label: string, part: Partial<ColourEnds>) => ends && change(label, { ends: { ...ends, ...part } });
  const line = shelf.line(formula.line);
  // A line that is used as it comes has no developer.
  const direct = line?.ratio.most === 0;
  return (
    <>
      <Select
        label="Line" value={formula.line} options={shelf.lines.map(({ id, name }) => ({ value: id, words: name }))}
        onChange={(id) => {
          const [shade] = shelf.shadesOf(id);
          const next = shelf.line(id);
          if (!shade || !next) return;
          set('line', (own) => (own.kind === 'lift' ? own : {
            ...own, kind: next.lifts ? 'permanent' : 'deposit', line: id, parts: [{ shade: shade.id, parts: 1 }], ratio: next.ratio.usual, minutes: next.minutes.most, ends: null,
            volumes: Math.min(next.volumes.most, Math.max(next.volumes.least, own.volumes)),
          }));
        }}
      />
      <ShadeParts line={formula.line} parts={formula.parts} onChange={(parts) => change('shades', { parts })} />
      <div className="grid grid-cols-3 gap-2">
        {!direct && <NumberField label="Strength" unit="vol" min={1} max={40} value={formula.volumes} parse={readAmount} onChange={(volumes) => volumes !== undefined && change('strength', { volumes })} />}
        {!direct && <NumberField label="Ratio 1 :" unit="" min={0.5} max={5} value={formula.ratio} parse={readAmount} onChange={(ratio) => ratio !== undefined && change('ratio', { ratio })} />}
        <NumberField label="Time" unit="min" min={1} max={240} value={formula.minutes} parse={readAmount} onChange={(minutes) => minutes !== undefined && change('time', { minutes })} />
      </div>
      {direct && <p className="text-sm text-ink-soft">{line.name} is used as it comes, without developer.</p>}
      <ReachField letter={letter} reach={formula.reach} onChange={(words, reach) => change(words, { reach })} />
      <div className="flex min-h-9 items-center justify-between gap-4">
        <span className="text-base">Another colour on the ends</span>
        <Switch
          label={`Another colour on the ends of ${letter}`} on={ends !== null}
          onChange={(on) => change(on ? 'ends apart' : 'ends as the length', { ends: on ? { parts: formula.parts, volumes: formula.volumes, ratio: formula.ratio, lastMm: 80, minutes: Math.min(15, formula.minutes) } : null })}
        />
      </div>
      {ends && (
        <>
          <ShadeParts line={formula.line} parts={ends.parts} onChange={(parts) => changeEnds('shades on the ends', { parts })} />
          <div className="grid grid-cols-2 gap-2">
            {!direct && <NumberField label="Ends, strength" unit="vol" min={1} max={40} value={ends.volumes} parse={readAmount} onChange={(volumes) => volumes !== undefined && changeEnds('strength on the ends', { volumes })} />}
            {!direct && <NumberField label="Ends, ratio 1 :" unit="" min={0.5} max={5} value={ends.ratio} parse={readAmount} onChange={(ratio) => ratio !== undefined && changeEnds('ratio on the ends', { ratio })} />}
            <NumberField label="The last" unit="mm" min={10} max={1000} value={ends.lastMm} parse={readAmount} onChange={(lastMm) => lastMm !== undefined && changeEnds('length of the ends', { lastMm })} />
            <NumberField label="for the last" unit="min" min={1} max={240} value={ends.minutes} parse={readAmount} onChange={(minutes) => minutes !== undefined && changeEnds('time on the ends', { minutes })} />
          </div>
        </>
      )}
    </>
  );
}
