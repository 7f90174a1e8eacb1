'use client';

import { useState } from 'react';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { useNarrow } from '@/ui/use-narrow';
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
  const [sheet, setSheet] = useState<'panels' | 'recipe'>();
  const narrow = useNarrow();
  const panels = <PanelList onLibrary={() => setLibrary(true)} onFit={() => setFit(true)} />;
  return (
    <main className="workbench h-full max-lg:flex max-lg:flex-col lg:grid lg:grid-cols-[15.5rem_minmax(0,1fr)_17rem] xl:grid-cols-[17rem_minmax(0,1fr)_18.5rem]">
      {!narrow && panels}
      <Library open={library} onOpenChange={setLibrary} />
      <FitDialog open={fit} onOpenChange={setFit} />
      <section aria-label="The head" className="relative flex min-h-0 flex-1 flex-col">
        <Totals />
        <Checks />
        <Heads />
        <FoilFacts />
      </section>
      {narrow ? (
        <div className="grid shrink-0 grid-cols-2 gap-2 border-t border-line bg-raised p-2">
          <Button onClick={() => setSheet('panels')}>Panels</Button>
          <Button onClick={() => setSheet('recipe')}>Recipe</Button>
          <Dialog
            open={sheet !== undefined}
            onOpenChange={(open) => !open && setSheet(undefined)}
            title={sheet === 'recipe' ? 'Recipe' : 'Panels'}
            middle
          >
            <div className="-mx-4 md:-mx-6">{sheet === 'recipe' ? <Recipe /> : panels}</div>
          </Dialog>
        </div>
      ) : (
        <Recipe />
      )}
    </main>
  );
}
