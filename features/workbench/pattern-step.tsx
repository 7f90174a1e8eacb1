'use client';

import { useState, type ReactNode } from 'react';
import { brightnessStep } from '@/core/pattern';
import { hoursAndMinutes } from '../shared';
import { useVisit } from '../visit/store';
import { Checks } from './checks';
import { FitDialog } from './fit-dialog';
import { FoilFacts } from './foil-facts';
import { Heads } from './heads';
import { Library } from './library';
import { PanelList } from './panel-list';
import { Recipe } from './recipe';

/** The workbench: panels in working order, the head in the middle, the selected panel's recipe. */
export function PatternStep() {
  const [library, setLibrary] = useState(false);
  const [fit, setFit] = useState(false);
  return (
    <main className="workbench grid h-full grid-cols-[236px_minmax(0,1fr)_264px] xl:grid-cols-[264px_minmax(0,1fr)_284px]">
      <PanelList onLibrary={() => setLibrary(true)} onFit={() => setFit(true)} />
      <Library open={library} onOpenChange={setLibrary} />
      <FitDialog open={fit} onOpenChange={setFit} />
      <section aria-label="The head" className="relative flex min-h-0 flex-col">
        <Totals />
        <Checks />
        <Heads />
        <FoilFacts />
      </section>
      <Recipe />
    </main>
  );
}

function Totals() {
  const { computed, consult } = useVisit();
  const { totals } = computed.sheet;
  const { share } = brightnessStep(consult.brightness);
  const percent = (value: number) => Math.round(value * 100);
  const against = totals.lightenedShare < share[0] ? 'below' : totals.lightenedShare > share[1] ? 'above' : 'within';
  return (
    <dl className="flex flex-wrap gap-x-5 pt-4 pr-24 pl-5 xl:gap-x-6 xl:pr-52">
      <Total figure={String(totals.foils)} name="foils" id="total-foils" />
      <Total figure={hoursAndMinutes(totals.foilingMinutes)} name="foiling, estimated" />
      <Total
        figure={`${percent(totals.lightenedShare)} %`}
        name={<>lightened<span className="hidden xl:inline">, {against} {percent(share[0])}–{percent(share[1])} % wished</span></>}
      />
      <Total figure={`${Math.round(totals.hairGrams)} g`} name="hair picked, estimated" wide />
    </dl>
  );
}

/** @param wide shown only where there is room */
function Total({ figure, name, id, wide = false }: { figure: string; name: ReactNode; id?: string; wide?: boolean }) {
  return (
    <div className={wide ? 'hidden flex-col xl:flex' : 'flex flex-col'}>
      <dt className="order-2 text-sm leading-tight text-ink-soft narrow">{name}</dt>
      <dd id={id} className="order-1 text-2xl leading-tight font-bold">{figure}</dd>
    </div>
  );
}
