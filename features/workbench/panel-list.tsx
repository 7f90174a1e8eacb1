'use client';

import clsx from 'clsx';
import { memo, useRef, useState, type DragEvent } from 'react';
import {
  addPanel,
  addPanelFirst,
  changePanel,
  duplicatePanel,
  freeId,
  mirrorPanelIn,
  movePanel,
  recipeLine,
  removePanel,
  type Panel,
} from '@/core/pattern';
import { PANEL_STARTS } from '@/core/technique';
import { FoldIcon, MoreIcon, PlusIcon } from '@/ui/icons';
import { Menu } from '@/ui/menu';
import { Switch } from '@/ui/switch';
import { useUnits } from '../house/context';
import { download } from '../download';
import { useVisit } from '../visit/store';
import { FoilTable } from './foil-table';
import { PanelRows } from './panel-rows';

/** Panels in the order of work: select one, switch it on or off, move, copy, mirror or remove it. */
export function PanelList({ onLibrary, onFit }: { onLibrary(): void; onFit(): void }) {
  const { bundle, plan, computed, selected, select, editPlan, flush } = useVisit();
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const { unit } = useUnits();
  const [dragged, setDragged] = useState<string>();
  const [over, setOver] = useState<number>();
  const table = useRef<HTMLInputElement>(null);
  const counts = new Map(computed.sheet.panels.map((panel) => [panel.panel, panel.foils]));

  /** The sheet is made from what is saved, so that is done first. */
  const openSheet = (form: 'pdf' | 'svg') => {
    const page = window.open('', '_blank');
    void flush().then(() => {
      page?.location.replace(`/visits/${bundle.id}/sheet/pattern.${form}`);
    });
  };
  const fold = (id: string) =>
    setOpen((before) => {
      const next = new Set(before);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  const drop = (event: DragEvent, to: number) => {
    event.preventDefault();
    if (dragged) move(dragged, to);
    setDragged(undefined);
    setOver(undefined);
  };
  const move = (id: string, to: number) => {
    const name = plan.panels.find((panel) => panel.id === id)?.name ?? id;
    editPlan(`order of work, ${name}`, (before) => movePanel(before, id, to));
  };

  return (
    <nav
      aria-label="Panels in working order"
      className="flex flex-col overflow-y-auto border-r border-line bg-raised"
    >
      <div className="px-4 pt-3 pb-2">
        <label htmlFor="plan-name" className="block text-sm text-ink-soft">
          Pattern
        </label>
        <input
          id="plan-name"
          value={plan.name}
          maxLength={120}
          autoComplete="off"
          onChange={(event) => {
            const name = event.target.value;
            if (name.trim() !== '')
              editPlan(`name of the pattern, ${name}`, (before) => ({ ...before, name }), 'plan name');
          }}
          className="-mx-2 h-9 w-[calc(100%+16px)] rounded-ui border border-transparent bg-transparent px-2 text-md font-semibold hover:border-edge focus:border-edge focus:bg-field"
        />
        <div className="mt-1 grid grid-cols-3 gap-1.5">
          <button
            type="button"
            onClick={onLibrary}
            className="h-10 rounded-ui border border-edge bg-field text-sm font-semibold hover:border-ink xl:text-base"
          >
            Library …
          </button>
          <button
            type="button"
            onClick={onFit}
            className="h-10 rounded-ui border border-edge bg-field text-sm font-semibold hover:border-ink xl:text-base"
          >
            Fit to …
          </button>
          <Menu
            label="Print the sheet"
            trigger="Sheet …"
            className="h-10 rounded-ui border border-edge bg-field text-sm xl:text-base font-semibold hover:border-ink"
            items={[
              {
                words: 'One page for the station, PDF',
                hint: 'opens to print',
                choose: () => openSheet('pdf'),
              },
              { words: 'The same as a drawing, SVG', choose: () => openSheet('svg') },
              {
                words: 'The list of foils as a table, CSV',
                choose: () => void flush().then(() => download(`/visits/${bundle.id}/sheet/foils.csv`)),
              },
              {
                words: 'Import a table of foils, CSV',
                hint: 'with a preview',
                choose: () => table.current?.click(),
              },
              {
                words: 'The pattern as a document, JSON',
                choose: () => void flush().then(() => download(`/visits/${bundle.id}/sheet/pattern.json`)),
              },
              {
                words: 'The whole visit as a document, JSON',
                choose: () => void flush().then(() => download(`/visits/${bundle.id}/sheet/visit.json`)),
              },
            ]}
          />
        </div>
        <FoilTable input={table} />
      </div>
      <h2 className="border-t border-line px-4 pt-3 pb-2 text-sm font-semibold">Panels in working order</h2>
      <ol>
        {plan.panels.map((panel, i) => (
          <li
            key={panel.id}
            draggable
            onDragStart={(event) => {
              event.dataTransfer.effectAllowed = 'move';
              setDragged(panel.id);
            }}
            onDragOver={(event) => {
              event.preventDefault();
              setOver(i);
            }}
            onDragEnd={() => {
              setDragged(undefined);
              setOver(undefined);
            }}
            onDrop={(event) => drop(event, i)}
            className={clsx(
              'group cursor-grab border-l-[3px]',
              panel.id === selected.panel ? 'border-leaf bg-leaf-pale' : 'border-transparent hover:bg-ground',
              dragged && over === i && dragged !== panel.id && 'outline-2 -outline-offset-2 outline-leaf',
            )}
          >
            <div className="flex items-center pl-1">
              <button
                type="button"
                aria-expanded={open.has(panel.id)}
                aria-label={`Rows of ${panel.name}`}
                onClick={() => fold(panel.id)}
                className="grid size-7 shrink-0 place-items-center rounded-ui text-ink-soft hover:bg-field hover:text-ink"
              >
                <FoldIcon open={open.has(panel.id)} />
              </button>
              <button
                type="button"
                onClick={() => select(panel.id)}
                aria-current={panel.id === selected.panel || undefined}
                onKeyDown={(event) => {
                  const by =
                    event.altKey && event.key === 'ArrowUp'
                      ? -1
                      : event.altKey && event.key === 'ArrowDown'
                        ? 1
                        : 0;
                  if (by === 0) return;
                  event.preventDefault();
                  move(panel.id, i + by);
                }}
                className={clsx(
                  'grid min-w-0 flex-1 grid-cols-[14px_1fr_auto] items-center gap-1 py-2.5 pointer-coarse:grid-cols-[1fr_auto] text-left',
                  panel.muted && 'text-ink-soft',
                )}
              >
                <span className="text-sm text-ink-soft pointer-coarse:hidden">{i + 1}</span>
                <span className="min-w-0">
                  <span className="line-clamp-2 leading-tight font-semibold">{panel.name}</span>
                  <span className="line-clamp-2 text-sm leading-tight text-balance text-ink-soft narrow">
                    {panel.muted ? (panel.reserves ? 'kept plain' : 'off') : recipeLine(panel, unit)}
                  </span>
                </span>
                <span className="pr-1 text-lg font-bold xl:pr-2 xl:text-xl" data-panel-foils={panel.id}>
                  {panel.muted ? '–' : (counts.get(panel.id) ?? 0)}
                </span>
              </button>
              <Switch
                label={`Foil the panel ${panel.name}`}
                on={!panel.muted}
                onChange={(on) =>
                  editPlan(`${panel.name} ${on ? 'on' : 'off'}`, (before) =>
                    changePanel(before, panel.id, (current) => ({ ...current, muted: !on })),
                  )
                }
              />
              <PanelMenu
                id={panel.id}
                name={panel.name}
                side={panel.side}
                place={i}
                last={i === plan.panels.length - 1}
                after={(plan.panels[i + 1] ?? plan.panels[i - 1])?.id ?? ''}
              />
            </div>
            {open.has(panel.id) && <PanelRows panel={panel.id} />}
          </li>
        ))}
      </ol>
      {plan.panels.length === 0 && (
        <p className="px-4 pb-3 text-base text-ink-soft">
          No panels yet. Choose a pattern from the library, or add a panel.
        </p>
      )}
      <div className="px-4 py-3">
        <Menu
          label="Add a panel"
          className="flex h-10 w-full items-center justify-center gap-2 rounded-ui border border-edge bg-field text-base font-semibold hover:border-ink"
          trigger={
            <>
              <PlusIcon /> Add a panel
            </>
          }
          items={PANEL_STARTS.map(({ words, hint, panel, first }) => ({
            words,
            hint,
            choose: () => {
              const id = freeId(plan, panel.id);
              editPlan(
                (_, after) =>
                  `panel ${after.panels.find((other) => other.id === id)?.name ?? panel.name} added`,
                (before) => (first ? addPanelFirst : addPanel)(before, panel, selected.panel),
              );
              select(id);
            },
          }))}
        />
      </div>
    </nav>
  );
}

interface PanelMenuProps extends Pick<Panel, 'id' | 'name' | 'side'> {
  /** Place in the order of work, from 0. */
  place: number;
  last: boolean;
  /** The panel that is selected when this one goes. */
  after: string;
}

function PanelMenu(props: PanelMenuProps) {
  const { select, editPlan } = useVisit();
  return <PanelMenuItems {...props} select={select} editPlan={editPlan} />;
}

const PanelMenuItems = memo(function PanelMenuItems({
  id,
  name,
  side,
  place,
  last,
  after,
  select,
  editPlan,
}: PanelMenuProps & Pick<ReturnType<typeof useVisit>, 'select' | 'editPlan'>) {
  const oneSided = side === 'left' || side === 'right';
  const move = (to: number) => editPlan(`order of work, ${name}`, (before) => movePanel(before, id, to));
  return (
    <Menu
      label={`More for ${name}`}
      trigger={<MoreIcon />}
      className="grid size-9 shrink-0 place-items-center rounded-ui text-ink-soft hover:bg-field hover:text-ink"
      items={[
        {
          words: 'Duplicate',
          choose: () => editPlan(`${name} duplicated`, (before) => duplicatePanel(before, id)),
        },
        {
          words: oneSided ? 'Mirror to the other side' : 'Turn into its mirror image',
          choose: () => editPlan(`${name} mirrored`, (before) => mirrorPanelIn(before, id)),
        },
        { words: 'Move up', hint: 'Alt + ↑', disabled: place === 0, choose: () => move(place - 1) },
        { words: 'Move down', hint: 'Alt + ↓', disabled: last, choose: () => move(place + 1) },
        {
          words: 'Remove',
          danger: true,
          choose: () => {
            editPlan(`${name} removed`, (before) => removePanel(before, id));
            select(after);
          },
        },
      ]}
    />
  );
});
