'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import { checksOf, type Check } from '@/core/check';
import { clearLostEdits } from '@/core/pattern';
import { limitsOf, timeThereIs } from '@/core/visit';
import { WarnIcon } from '@/ui/icons';
import { useHouse, useMoney } from '../house/context';
import { useComputed } from '../visit/computed';
import { useVisit } from '../visit/store';

/**
 * What is worth a second look in the pattern: each finding with its reason, its place, and a mend where there
 * is one.
 */
export function Checks() {
  const { plan, computed, consult, editPlan, select, light } = useVisit();
  const house = useHouse();
  const money = useMoney();
  const visit = useComputed();
  const [open, setOpen] = useState(false);
  // Findings may come a moment after the drawing: the drawing answers first.
  const settled = useDeferredValue(computed);
  const settledPlan = useDeferredValue(plan);
  const { minutesAtMost } = consult;
  const checks = useMemo(
    () =>
      checksOf({
        plan: settledPlan,
        computed: settled,
        limits: { ...limitsOf(house), minutes: timeThereIs(house, minutesAtMost) },
        off: house.rulesOff,
        facts: visit.checkFacts(money),
      }),
    [settledPlan, settled, house, money, visit, minutesAtMost],
  );
  const { problems } = visit.work;
  const lost = settled.sheet.edits.filter(({ applied }) => !applied);
  const count = problems.length + checks.length + (lost.length > 0 ? 1 : 0);
  if (count === 0) {
    return (
      <p className="absolute top-4 right-4 text-sm text-ink-soft max-xl:hidden">
        {computed.sheet.foils.length > 0 ? 'No issues' : ''}
      </p>
    );
  }
  const show = (check: Check) => {
    if (check.panel) select(check.panel, check.foils[0]);
  };
  return (
    <div className="pointer-events-none absolute top-4 right-3 z-10 flex w-[min(19rem,90vw)] flex-col items-end *:pointer-events-auto">
      <button
        type="button"
        onClick={() => setOpen(!open)}
        aria-expanded={open}
        className="flex h-10 items-center gap-2 rounded-ui border border-amber-bark bg-amber-pale px-3 text-base font-semibold text-amber-bark"
      >
        <WarnIcon /> {count}{' '}
        <span className="max-xl:sr-only">{count === 1 ? 'thing to look at' : 'things to look at'}</span>
      </button>
      {open && (
        <ul
          aria-label="Findings"
          className="mt-5 grid max-h-[60dvh] w-full gap-2 overflow-y-auto rounded-[8px] bg-ground/90 p-1 shadow-2xl"
        >
          {lost.length > 0 && (
            <li className="card border-l-[3px] border-l-amber-bark p-3">
              <p className="text-base font-medium">
                {lost.length === 1
                  ? lost[0].note
                  : `${lost.length} changes by hand no longer find their foil.`}
              </p>
              <p className="mt-0.5 text-sm text-ink-soft">
                The recipe has changed under them. They come back when their foil does.
              </p>
              <button
                type="button"
                className="mt-1 h-9 text-base font-semibold text-leaf hover:text-leaf-dark"
                onClick={() =>
                  editPlan('lost changes by hand cleared', (before) => clearLostEdits(before, lost))
                }
              >
                Clear them
              </button>
            </li>
          )}
          {problems.map(({ panel, words }) => (
            <li key={words} className="card border-l-[3px] border-l-rowan p-3">
              <p className="text-base font-medium">{words}</p>
              {panel !== null && (
                <button
                  type="button"
                  className="mt-1 h-9 text-base font-semibold text-leaf hover:text-leaf-dark"
                  onClick={() => select(panel)}
                >
                  Show the panel
                </button>
              )}
            </li>
          ))}
          {checks.map((check) => (
            <li
              key={check.seen}
              className="card border-l-[3px] border-l-amber-bark p-3"
              onPointerEnter={() => light(check.foils[0])}
              onPointerLeave={() => light(undefined)}
            >
              <p className="text-base font-medium">{check.seen}</p>
              <p className="mt-0.5 text-sm text-ink-soft">{check.why}</p>
              <div className="mt-1 flex gap-3">
                {check.mend && (
                  <button
                    type="button"
                    className="h-9 text-base font-semibold text-leaf hover:text-leaf-dark"
                    onClick={() => editPlan(check.mend!.words, check.mend!.apply)}
                  >
                    {check.mend.words}
                  </button>
                )}
                {check.panel && (
                  <button
                    type="button"
                    className="h-9 text-base text-ink-soft hover:text-ink"
                    onClick={() => show(check)}
                  >
                    Show
                  </button>
                )}
              </div>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
