'use client';

import type { Foil } from '@/core/pattern';
import { useUnits } from '../house/context';
import { useLit, useVisit } from '../visit/store';

/** The rows of a panel, unfolded: each foil of a row with its width, to be pointed at and chosen. */
export function PanelRows({ panel }: { panel: string }) {
  const { computed, selected, light, select } = useVisit();
  const lit = useLit();
  const { say } = useUnits();
  const rows = new Map<number, Foil[]>();
  for (const foil of computed.sheet.foils)
    if (foil.panel === panel) rows.set(foil.row, [...(rows.get(foil.row) ?? []), foil]);
  if (rows.size === 0) return <p className="pb-2 pl-9 text-sm text-ink-soft">No foils.</p>;
  return (
    <ol className="max-h-[38dvh] overflow-y-auto pb-2 pl-8 text-sm" aria-label="Rows">
      {[...rows]
        .sort(([a], [b]) => a - b)
        .map(([row, foils]) => (
          <li key={row} className="flex items-baseline gap-1">
            <span className="w-7 shrink-0 text-right text-ink-soft">{row > 1000 ? '+' : row}</span>
            <span className="flex flex-wrap">
              {foils.map((foil) => (
                <button
                  key={foil.id}
                  type="button"
                  onClick={() => select(panel, foil.id)}
                  onPointerEnter={() => light(foil.id)}
                  onPointerLeave={() => light(undefined)}
                  onFocus={() => light(foil.id)}
                  onBlur={() => light(undefined)}
                  aria-label={`Row ${row}, foil ${foil.order}, ${say(Math.round(foil.widthMm))} wide`}
                  className={`rounded-ui px-1.5 py-1 narrow ${foil.id === selected.foil ? 'bg-leaf text-on-leaf' : foil.id === lit ? 'bg-field' : 'hover:bg-field'}`}
                >
                  {say(Math.round(foil.widthMm))}
                </button>
              ))}
            </span>
          </li>
        ))}
    </ol>
  );
}
