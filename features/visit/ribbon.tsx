'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { foilSeconds } from '@/core/clock';
import type { Foil, Panel } from '@/core/pattern';
import { FoilGlyph } from '@/ui/foil-glyph';
import { barkOf } from './bark';
import { useVisit } from './store';

const HEIGHT = 44;
const LETTER = 15;
const GROUP_GAP = 10;

/**
 * The ribbon: every foil in the order of work, a cell each, width by minutes, glyph by gather, letter by formula,
 * grouped by panel. It stays in the same place through the whole visit.
 */
export function Ribbon() {
  const { plan, computed, consult, selected, lit, select, light } = useVisit();
  const { foils } = computed.sheet;
  const [width, frame] = useWidth();
  const groups = useMemo(() => grouped(plan.panels, foils), [plan.panels, foils]);
  const gathers = useMemo(() => new Map(computed.drawing.paths.map((path) => [path.id, path.gather])), [computed]);
  const seconds = foils.reduce((sum, foil) => sum + foilSeconds(foil), 0);
  const room = Math.max(0, width - 32 - GROUP_GAP * Math.max(0, groups.length - 1));
  // Never thinner than a pointer can hit; a long plan scrolls.
  const perSecond = seconds > 0 ? Math.min(26 / 60, Math.max(7.5 / 60, room / seconds)) : 0;

  if (groups.length === 0) {
    return (
      <footer className="grid h-[88px] shrink-0 place-items-center border-t border-line bg-raised text-ink-soft">
        No foils yet: switch a panel on in Pattern.
      </footer>
    );
  }
  return (
    <footer ref={frame} aria-label="Foils in the order of work" className="h-[92px] shrink-0 overflow-x-auto overflow-y-hidden border-t border-line bg-raised px-4 pt-2">
      <div className="flex w-max" style={{ gap: GROUP_GAP }}>
        {groups.map(({ panel, foils: own }) => {
          const current = selected.panel === panel.id;
          const cells = own.map((foil) => foilSeconds(foil) * perSecond);
          const total = cells.reduce((a, b) => a + b, 0);
          const starts = cells.map((_, i) => cells.slice(0, i).reduce((a, b) => a + b, 0));
          return (
            <div key={panel.id} style={{ width: total }}>
              <button
                type="button" onClick={() => select(panel.id)} aria-pressed={current}
                className={`mb-1 flex w-full items-baseline gap-2 overflow-hidden rounded-[3px] text-sm narrow ${current ? 'font-bold text-leaf' : 'text-ink-soft hover:text-ink'}`}
              >
                <span className="truncate">{panel.name}</span>
                <span className="ml-auto font-semibold text-ink">{own.length}</span>
              </button>
              <svg width={total} height={HEIGHT + LETTER} role="group" aria-label={`${panel.name}: ${own.length} foils`} className="block overflow-visible">
                {own.map((foil, i) => {
                  const on = lit === foil.id || selected.foil === foil.id;
                  return (
                    <g
                      key={foil.id} transform={`translate(${starts[i]} 0)`} className="cursor-pointer"
                      onPointerEnter={() => light(foil.id)} onPointerLeave={() => light(undefined)}
                      onClick={() => select(panel.id, foil.id)}
                    >
                      <rect width={cells[i]} height={HEIGHT + LETTER} fill="transparent" />
                      <rect x={0.75} width={cells[i] - 1.5} height={HEIGHT} rx={2} fill={barkOf(consult.naturalLevel)} stroke={on ? 'var(--color-leaf)' : 'none'} strokeWidth={3} paintOrder="stroke" />
                      <FoilGlyph gather={gathers.get(foil.id)!} width={cells[i]} height={HEIGHT} />
                      {cells[i] >= 7.4 && (i === 0 || own[i - 1].formula !== foil.formula || cells[i] >= 12) && (
                        <text x={cells[i] / 2} y={HEIGHT + 12} textAnchor="middle" fontSize="11" className="fill-ink-soft" fontWeight={on ? 700 : 500}>
                          {foil.formula}
                        </text>
                      )}
                    </g>
                  );
                })}
              </svg>
            </div>
          );
        })}
      </div>
    </footer>
  );
}

function grouped(panels: readonly Panel[], foils: readonly Foil[]): { panel: Panel; foils: Foil[] }[] {
  return panels
    .map((panel) => ({ panel, foils: foils.filter((foil) => foil.panel === panel.id) }))
    .filter((group) => group.foils.length > 0);
}

/** Width of an element, kept as the window changes. */
function useWidth(): [number, React.RefObject<HTMLElement | null>] {
  const ref = useRef<HTMLElement>(null);
  const [width, setWidth] = useState(1280);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => setWidth(entry.target.clientWidth));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [width, ref];
}
