'use client';

import clsx from 'clsx';
import { recipeLine } from '@/core/pattern';
import { Switch } from '@/ui/switch';
import { useVisit } from '../visit/store';

/** Panels in the order of work: select one, switch it on or off. */
export function PanelList() {
  const { plan, computed, selected, select, editPlan } = useVisit();
  const counts = new Map(computed.sheet.panels.map((panel) => [panel.panel, panel.foils]));
  return (
    <nav aria-label="Panels in working order" className="overflow-y-auto border-r border-line bg-raised">
      <div className="px-4 pt-3 pb-2">
        <label htmlFor="plan-name" className="block text-sm text-ink-soft">Pattern</label>
        <input
          id="plan-name" value={plan.name} maxLength={120} autoComplete="off"
          onChange={(event) => {
            const name = event.target.value;
            if (name.trim() !== '') editPlan(`name of the pattern, ${name}`, (before) => ({ ...before, name }), 'plan name');
          }}
          className="-mx-2 h-9 w-[calc(100%+16px)] rounded-ui border border-transparent bg-transparent px-2 text-md font-semibold hover:border-edge focus:border-edge focus:bg-white"
        />
      </div>
      <h2 className="border-t border-line px-4 pt-3 pb-2 text-sm font-semibold">Panels in working order</h2>
      <ol>
        {plan.panels.map((panel, i) => {
          const current = panel.id === selected.panel;
          return (
            <li
              key={panel.id}
              className={clsx('flex items-center border-l-[3px] pr-4', current ? 'border-leaf bg-leaf-pale' : 'border-transparent hover:bg-ground')}
            >
              <button
                type="button" onClick={() => select(panel.id)} aria-current={current || undefined}
                className={clsx('grid min-w-0 flex-1 grid-cols-[20px_1fr_auto] items-center gap-2 py-3 pl-3 text-left', panel.muted && 'text-ink-soft')}
              >
                <span className="text-sm text-ink-soft">{i + 1}</span>
                <span className="min-w-0">
                  <span className="block font-semibold">{panel.name}</span>
                  <span className="block truncate text-sm text-ink-soft narrow">{panel.muted ? 'off' : recipeLine(panel)}</span>
                </span>
                <span className="pr-3 text-xl font-bold" data-panel-foils={panel.id}>{panel.muted ? '–' : (counts.get(panel.id) ?? 0)}</span>
              </button>
              <Switch
                label={`Foil the panel ${panel.name}`} on={!panel.muted}
                onChange={(on) =>
                  editPlan(`${panel.name} ${on ? 'on' : 'off'}`, (before) => ({
                    ...before,
                    panels: before.panels.map((other) => (other.id === panel.id ? { ...other, muted: !on } : other)),
                  }))
                }
              />
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
