'use client';

import clsx from 'clsx';
import { useState, type DragEvent } from 'react';
import {
  addPanel, addPanelFirst, changePanel, duplicatePanel, freeId, mirrorPanelIn, movePanel, recipeLine, removePanel, type Panel,
} from '@/core/pattern';
import { PANEL_STARTS } from '@/core/technique';
import { GripIcon, MoreIcon, PlusIcon } from '@/ui/icons';
import { Menu } from '@/ui/menu';
import { Switch } from '@/ui/switch';
import { useUnits } from '../house/context';
import { useVisit } from '../visit/store';

/** Panels in the order of work: select one, switch it on or off, move, copy, mirror or remove it. */
export function PanelList({ onLibrary, onFit }: { onLibrary(): void; onFit(): void }) {
  const { plan, computed, selected, select, editPlan } = useVisit();
  const { unit } = useUnits();
  const [dragged, setDragged] = useState<string>();
  const [over, setOver] = useState<number>();
  const counts = new Map(computed.sheet.panels.map((panel) => [panel.panel, panel.foils]));

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
    <nav aria-label="Panels in working order" className="flex flex-col overflow-y-auto border-r border-line bg-raised">
      <div className="px-4 pt-3 pb-2">
        <label htmlFor="plan-name" className="block text-sm text-ink-soft">Pattern</label>
        <input
          id="plan-name" value={plan.name} maxLength={120} autoComplete="off"
          onChange={(event) => {
            const name = event.target.value;
            if (name.trim() !== '') editPlan(`name of the pattern, ${name}`, (before) => ({ ...before, name }), 'plan name');
          }}
          className="-mx-2 h-9 w-[calc(100%+16px)] rounded-ui border border-transparent bg-transparent px-2 text-md font-semibold hover:border-edge focus:border-edge focus:bg-field"
        />
        <div className="mt-1 grid grid-cols-2 gap-2">
          <button type="button" onClick={onLibrary} className="h-10 rounded-ui border border-edge bg-field text-base font-semibold hover:border-ink">Library …</button>
          <button type="button" onClick={onFit} className="h-10 rounded-ui border border-edge bg-field text-base font-semibold hover:border-ink">Fit to …</button>
        </div>
      </div>
      <h2 className="border-t border-line px-4 pt-3 pb-2 text-sm font-semibold">Panels in working order</h2>
      <ol>
        {plan.panels.map((panel, i) => (
          <li
            key={panel.id} draggable
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
              'group flex items-center border-l-[3px]', panel.id === selected.panel ? 'border-leaf bg-leaf-pale' : 'border-transparent hover:bg-ground',
              dragged && over === i && dragged !== panel.id && 'outline-2 -outline-offset-2 outline-leaf',
            )}
          >
            <span className="cursor-grab pl-1 text-edge" aria-hidden="true"><GripIcon /></span>
            <button
              type="button" onClick={() => select(panel.id)} aria-current={panel.id === selected.panel || undefined}
              onKeyDown={(event) => {
                const by = event.altKey && event.key === 'ArrowUp' ? -1 : event.altKey && event.key === 'ArrowDown' ? 1 : 0;
                if (by === 0) return;
                event.preventDefault();
                move(panel.id, i + by);
              }}
              className={clsx('grid min-w-0 flex-1 grid-cols-[16px_1fr_auto] items-center gap-1.5 py-2.5 pl-1 text-left', panel.muted && 'text-ink-soft')}
            >
              <span className="text-sm text-ink-soft">{i + 1}</span>
              <span className="min-w-0">
                <span className="block truncate font-semibold">{panel.name}</span>
                <span className="line-clamp-2 text-sm leading-tight text-ink-soft narrow">{panel.muted ? 'off' : recipeLine(panel, unit)}</span>
              </span>
              <span className="pr-2 text-xl font-bold" data-panel-foils={panel.id}>{panel.muted ? '–' : (counts.get(panel.id) ?? 0)}</span>
            </button>
            <Switch
              label={`Foil the panel ${panel.name}`} on={!panel.muted}
              onChange={(on) =>
                editPlan(`${panel.name} ${on ? 'on' : 'off'}`, (before) => changePanel(before, panel.id, (own) => ({ ...own, muted: !on })))
              }
            />
            <PanelMenu panel={panel} place={i} onMove={move} />
          </li>
        ))}
      </ol>
      {plan.panels.length === 0 && <p className="px-4 pb-3 text-base text-ink-soft">No panels yet. Take a pattern from the library, or add a panel.</p>}
      <div className="px-4 py-3">
        <Menu
          label="Add a panel"
          className="flex h-10 w-full items-center justify-center gap-2 rounded-ui border border-edge bg-field text-base font-semibold hover:border-ink"
          trigger={<><PlusIcon /> Add a panel</>}
          items={PANEL_STARTS.map(({ words, hint, panel, first }) => ({
            words,
            hint,
            choose: () => {
              const id = freeId(plan, panel.id);
              editPlan(
                (_, after) => `panel ${after.panels.find((own) => own.id === id)?.name ?? panel.name} added`,
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

function PanelMenu({ panel, place, onMove }: { panel: Panel; place: number; onMove(id: string, to: number): void }) {
  const { plan, select, editPlan } = useVisit();
  const oneSided = panel.side === 'left' || panel.side === 'right';
  return (
    <Menu
      label={`More for ${panel.name}`} trigger={<MoreIcon />}
      className="grid size-9 shrink-0 place-items-center rounded-ui text-ink-soft hover:bg-field hover:text-ink"
      items={[
        { words: 'Duplicate', choose: () => editPlan(`${panel.name} duplicated`, (before) => duplicatePanel(before, panel.id)) },
        {
          words: oneSided ? 'Mirror to the other side' : 'Turn into its mirror image',
          choose: () => editPlan(`${panel.name} mirrored`, (before) => mirrorPanelIn(before, panel.id)),
        },
        { words: 'Move up', hint: 'Alt + ↑', disabled: place === 0, choose: () => onMove(panel.id, place - 1) },
        { words: 'Move down', hint: 'Alt + ↓', disabled: place === plan.panels.length - 1, choose: () => onMove(panel.id, place + 1) },
        {
          words: 'Remove', danger: true,
          choose: () => {
            editPlan(`${panel.name} removed`, (before) => removePanel(before, panel.id));
            const left = plan.panels.filter(({ id }) => id !== panel.id);
            select((left[place] ?? left[place - 1])?.id ?? '');
          },
        },
      ]}
    />
  );
}
