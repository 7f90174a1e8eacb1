'use client';

import { keysOf } from '@/core/units';
import { Popover } from 'radix-ui';
import { memo, useMemo, useState } from 'react';
import type { Panel, SingleGather } from '@/core/pattern';
import type { WorkUnit } from '@/core/work';
import { useNarrow } from '@/ui/use-narrow';
import { useWidth } from '@/ui/use-width';
import { FoilGlyph } from '../head/foil-glyph';
import { barkOf } from './bark';
import { useComputed } from './computed';
import { useLit, useVisit } from './store';

const HEIGHT = 44;
const LETTER = 15;
const GROUP_GAP = 10;
/** What takes seconds only must still be seen, px. */
const LEAST_CELL = 3;

/**
 * The ribbon: everything that product is put on in the order of work, a cell each, width by minutes, glyph by
 * gather, letter by formula,
 * grouped by panel. It stays in the same place through the whole visit.
 */
export function Ribbon() {
  const { consult, selected, select, light } = useVisit();
  const lit = useLit();
  // The head answers first; the ribbon follows within the same moment.
  const { plan, work } = useComputed();
  return (
    <Cells
      panels={plan.panels}
      units={work.units}
      bark={barkOf(consult.naturalLevel)}
      panel={selected.panel}
      chosen={selected.foil}
      lit={lit}
      onSelect={select}
      onLight={light}
    />
  );
}

interface CellsProps {
  panels: readonly Panel[];
  units: readonly WorkUnit[];
  bark: string;
  panel: string;
  chosen: string | undefined;
  lit: string | undefined;
  onSelect(panel: string, foil?: string): void;
  onLight(foil: string | undefined): void;
}

const Cells = memo(function Cells({
  panels,
  units,
  bark,
  panel: current,
  chosen,
  lit,
  onSelect,
  onLight,
}: CellsProps) {
  const [width, frame] = useWidth();
  const narrow = useNarrow();
  const groups = useMemo(() => grouped(panels, units), [panels, units]);
  const seconds = units.reduce((sum, unit) => sum + unit.seconds, 0);
  const room = Math.max(0, width - 32 - GROUP_GAP * Math.max(0, groups.length - 1));
  // Never thinner than a pointer can hit; a long plan scrolls. On a phone panels are touched, and all of them
  // are in sight.
  const least = narrow ? 1 : LEAST_CELL;
  const perSecond = seconds > 0 ? Math.min(26 / 60, Math.max(narrow ? 0 : 7.5 / 60, room / seconds)) : 0;

  if (groups.length === 0) {
    return (
      <footer className="grid h-[88px] shrink-0 place-items-center border-t border-line bg-raised text-ink-soft">
        No foils yet: switch a panel on in Pattern.
      </footer>
    );
  }
  return (
    <footer
      ref={frame}
      aria-label="Foils in the order of work"
      className="h-[92px] shrink-0 overflow-x-auto overflow-y-hidden border-t border-line bg-raised px-4 pt-2"
    >
      <div className="flex w-max" style={{ gap: GROUP_GAP }}>
        {groups.map(({ panel, units: own }) => {
          const foils = own.filter(({ kind }) => kind === 'foil').length;
          const cells = own.map((unit) => Math.max(least, unit.seconds * perSecond));
          const total = cells.reduce((a, b) => a + b, 0);
          const starts = cells.map((_, i) => cells.slice(0, i).reduce((a, b) => a + b, 0));
          return (
            <div key={panel.id} className="relative" style={{ width: total }}>
              <button
                type="button"
                onClick={() => onSelect(panel.id)}
                aria-pressed={current === panel.id}
                className={`mb-1 flex w-full items-baseline gap-2 overflow-hidden rounded-[3px] text-sm narrow pointer-coarse:hidden ${current === panel.id ? 'font-bold text-leaf' : 'text-ink-soft hover:text-ink'}`}
              >
                <PanelWords name={panel.name} foils={foils} between={own.length - foils} />
              </button>
              <div className="hidden h-6 pointer-coarse:block" />
              <svg
                width={total}
                height={HEIGHT + LETTER}
                role="group"
                aria-label={`${panel.name}: ${foils} foils${own.length > foils ? ` and ${own.length - foils} between them` : ''}`}
                className="block cursor-pointer overflow-visible"
                onPointerOver={(event) => onLight(foilOf(event))}
                onPointerLeave={() => onLight(undefined)}
                onClick={(event) => onSelect(panel.id, foilOf(event))}
              >
                {own.map(({ id, kind, letter, lifts, gather }, i) => (
                  <Cell
                    key={id}
                    id={id}
                    foil={kind === 'foil'}
                    x={starts[i]}
                    width={cells[i]}
                    gather={gather}
                    bark={bark}
                    deposits={!lifts}
                    on={lit === id || chosen === id}
                    letter={
                      cells[i] >= 7.4 && (i === 0 || own[i - 1].letter !== letter || cells[i] >= 12)
                        ? letter
                        : undefined
                    }
                  />
                ))}
              </svg>
              <ByFinger
                panel={panel}
                units={own}
                chosen={chosen}
                current={current === panel.id}
                onSelect={onSelect}
              />
            </div>
          );
        })}
      </div>
    </footer>
  );
});

function PanelWords({ name, foils, between }: { name: string; foils: number; between: number }) {
  return (
    <>
      <span className="truncate">{name}</span>
      <span className="ml-auto font-semibold text-ink">
        {foils}
        {between > 0 && ` + ${between}`}
      </span>
    </>
  );
}

/** By finger a panel is touched as a whole, and opens its foils at finger size. */
function ByFinger({
  panel,
  units,
  chosen,
  current,
  onSelect,
}: {
  panel: Panel;
  units: readonly WorkUnit[];
  chosen: string | undefined;
  current: boolean;
  onSelect(panel: string, foil?: string): void;
}) {
  const [open, setOpen] = useState(false);
  const foils = units.filter(({ kind }) => kind === 'foil');
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        onClick={() => onSelect(panel.id)}
        className={`absolute inset-0 hidden items-start gap-2 overflow-hidden rounded-[3px] text-sm narrow pointer-coarse:flex ${current ? 'font-bold text-leaf' : 'text-ink-soft'}`}
      >
        <PanelWords name={panel.name} foils={foils.length} between={units.length - foils.length} />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="start"
          collisionPadding={8}
          aria-label={`Foils of ${panel.name}`}
          className="z-40 max-h-[56dvh] w-[min(30rem,94vw)] overflow-y-auto rounded-[8px] border border-line bg-raised p-2 shadow-2xl"
        >
          <ol className="flex flex-wrap gap-1">
            {foils.map(({ id, number, letter }) => (
              <li key={id}>
                <button
                  type="button"
                  aria-pressed={id === chosen}
                  aria-label={`Foil ${number}, ${letter}`}
                  onClick={() => {
                    onSelect(panel.id, id);
                    setOpen(false);
                  }}
                  className={`grid h-[3rem] w-[3rem] place-items-center rounded-ui border leading-none ${id === chosen ? 'border-leaf bg-leaf text-on-leaf' : 'border-edge bg-field'}`}
                >
                  <b>{number}</b>
                  <span className="text-xs">{letter}</span>
                </button>
              </li>
            ))}
          </ol>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** The foil of the cell under a pointer. */
function foilOf(event: { target: EventTarget }): string | undefined {
  return (event.target as Element).closest('[data-foil]')?.getAttribute('data-foil') ?? undefined;
}

interface CellProps {
  id: string;
  /** false for what lies between the foils: it is drawn lower. */
  foil: boolean;
  deposits: boolean;
  x: number;
  width: number;
  gather: SingleGather;
  bark: string;
  on: boolean;
  letter: string | undefined;
}

const Cell = memo(
  function Cell({ id, foil, x, width, gather, bark, deposits, on, letter }: CellProps) {
    const top = foil ? 0 : HEIGHT / 2;
    return (
      <g data-foil={foil ? id : undefined} data-unit={id} transform={`translate(${x} 0)`}>
        <rect width={width} height={HEIGHT + LETTER} fill="transparent" />
        <rect
          x={0.75}
          y={top}
          width={Math.max(0.8, width - 1.5)}
          height={HEIGHT - top}
          rx={2}
          fill={bark}
          stroke={on ? 'var(--color-leaf)' : 'none'}
          strokeWidth={3}
          paintOrder="stroke"
        />
        <g transform={`translate(0 ${top})`}>
          <FoilGlyph gather={gather} width={width} height={HEIGHT - top} deposits={deposits} />
        </g>
        {letter !== undefined && (
          <text
            x={width / 2}
            y={HEIGHT + 12}
            textAnchor="middle"
            fontSize="11"
            className="fill-ink-soft"
            fontWeight={on ? 700 : 500}
          >
            {letter}
          </text>
        )}
      </g>
    );
  },
  // Gathers of equal figures draw the same glyph, whichever computation they come from.
  ({ gather: a, ...before }, { gather: b, ...after }) =>
    (a === b || JSON.stringify(a) === JSON.stringify(b)) &&
    keysOf(before).every((key) => before[key] === after[key]),
);

function grouped(
  panels: readonly Panel[],
  units: readonly WorkUnit[],
): { panel: Panel; units: WorkUnit[] }[] {
  return panels
    .map((panel) => ({ panel, units: units.filter((unit) => unit.panel === panel.id) }))
    .filter((group) => group.units.length > 0);
}
