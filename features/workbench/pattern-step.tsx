'use client';

import { useState } from 'react';
import { Checks } from './checks';
import { FitDialog } from './fit-dialog';
import { FoilFacts } from './foil-facts';
import { Heads } from './hand/heads';
import { Library } from './library/library';
import { PanelList } from './panel-list';
import { Recipe } from './recipe/recipe';
import { Totals } from './totals';

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
