'use client';

import { useCallback, useMemo, useState } from 'react';
import { applyTechnique, applyToPanel, TECHNIQUES } from '@/core/technique';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { useSaid } from '@/ui/measures';
import { Segmented } from '@/ui/segmented';
import { barkOf } from '../../visit/bark';
import { useVisit } from '../../visit/store';
import { HouseLibrary } from './house-library';
import { PatternCard } from './pattern-card';
import { RecordShelf } from './record-shelf';
import { Suggestions } from './suggestions';
import { TakeButtons, type TakePattern } from './take';
import { useLaid } from './use-laid';
import { ANY, fits, WishFields, type Wish } from './wish';

type Shelf = 'suggested' | 'all' | 'house' | 'record';
const SHELVES: readonly { value: Shelf; words: string }[] = [
  { value: 'all', words: 'All patterns' },
  { value: 'suggested', words: 'Suggested for this visit' },
  { value: 'house', words: 'Of this house' },
  { value: 'record', words: 'From the record' },
];
const BUILT_IN = TECHNIQUES.map((technique) => ({ key: technique.key, technique }));

/** Patterns to take: the built-in ones, those suggested for this visit, and the house's own. */
export function Library({ open, onOpenChange }: { open: boolean; onOpenChange(open: boolean): void }) {
  const { plan, selected, editPlan, select } = useVisit();
  const [shelf, setShelf] = useState<Shelf>('all');
  const panel = plan.panels.find(({ id }) => id === selected.panel);
  const close = useCallback(() => onOpenChange(false), [onOpenChange]);
  const take = useMemo<TakePattern>(
    () => ({
      whole: (technique) => {
        editPlan(`pattern ${technique.name}`, (before) => applyTechnique(before, technique));
        select(technique.panels[0].id);
        close();
      },
      panel:
        panel &&
        ((technique) => {
          editPlan(`recipe of ${technique.name}, ${panel.name}`, (before) =>
            applyToPanel(before, panel.id, technique),
          );
          close();
        }),
      plan: (next, name) => {
        editPlan(`pattern ${name}`, (before) => ({
          ...before,
          name: next.name,
          panels: next.panels,
          sectioning: next.sectioning,
          edits: [],
        }));
        select(next.panels[0]?.id ?? '');
        close();
      },
    }),
    [panel, editPlan, select, close],
  );
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Patterns for this head" wide>
      <div className="mb-3 max-w-[720px]">
        <Segmented label="Shelf" value={shelf} options={SHELVES} onChange={(next) => setShelf(next)} />
      </div>
      <p className="mb-4 text-base text-ink-soft">
        Foils and minutes are for this head, hair and part; minutes are estimates. A pattern takes the place
        of all panels, or its recipe that of the selected one; undo brings them back.
      </p>
      {shelf === 'all' && <BuiltIn open={open} take={take} panelName={panel?.name} />}
      {shelf === 'suggested' && <Suggestions take={take} />}
      {shelf === 'record' && <RecordShelf onTaken={close} />}
      {shelf === 'house' && <HouseLibrary take={take} panelName={panel?.name} />}
    </Dialog>
  );
}

function BuiltIn({
  open,
  take,
  panelName,
}: {
  open: boolean;
  take: TakePattern;
  panelName: string | undefined;
}) {
  const said = useSaid();
  const { plan, consult } = useVisit();
  const laid = useLaid(open, plan, BUILT_IN);
  const bark = barkOf(consult.naturalLevel);
  const [wish, setWish] = useState<Wish>(ANY);
  const shown = TECHNIQUES.filter((technique) => fits(technique, wish));
  return (
    <>
      <WishFields wish={wish} onChange={setWish} none={shown.length === 0}>
        <Button
          onClick={() =>
            take.plan({ ...plan, name: 'New pattern', panels: [], sectioning: [] }, 'of one’s own')
          }
        >
          Begin with an empty head
        </Button>
      </WishFields>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(300px,1fr))] gap-4">
        {shown.map((technique) => (
          <PatternCard
            key={technique.key}
            name={technique.name}
            laid={laid.get(technique.key)}
            bark={bark}
            purpose={technique.purpose}
            more={
              <ul className="text-xs text-amber-bark">
                {technique.cautions.map((caution) => (
                  <li key={caution} className="mt-0.5">
                    {said(caution)}
                  </li>
                ))}
              </ul>
            }
            actions={
              <TakeButtons
                technique={technique}
                take={take}
                panelName={panelName}
                current={plan.name === technique.name}
              />
            }
          />
        ))}
      </ul>
    </>
  );
}
