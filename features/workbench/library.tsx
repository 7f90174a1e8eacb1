'use client';

import { memo, useCallback, useEffect, useRef, useState } from 'react';
import { openedHairline } from '@/core/head';
import { createPatternEngine, pathPoints, type ComputedPlan, type FoilPath } from '@/core/pattern';
import { applyTechnique, TECHNIQUES, type Technique } from '@/core/technique';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { pathThrough } from '../head/scalp-map';
import { hoursAndMinutes } from '../shared';
import { barkOf } from '../visit/bark';
import { useVisit } from '../visit/store';

interface LibraryProps {
  open: boolean;
  onOpenChange(open: boolean): void;
}

/** The built-in patterns, each drawn on this head with what it comes to on it. */
export function Library({ open, onOpenChange }: LibraryProps) {
  const { plan, consult, editPlan, select } = useVisit();
  const laid = useLaid(open);
  const latest = useRef({ editPlan, select, onOpenChange });
  useEffect(() => {
    latest.current = { editPlan, select, onOpenChange };
  });
  // One and the same function for all cards, so that a card is only drawn when its own pattern has been laid.
  const take = useCallback((technique: Technique) => {
    latest.current.editPlan(`pattern ${technique.name}`, (before) => applyTechnique(before, technique));
    latest.current.select(technique.panels[0].id);
    latest.current.onOpenChange(false);
  }, []);
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Patterns for this head" wide>
      <p className="mb-4 text-base text-ink-soft">
        Foils and minutes are for this head, hair and part; minutes are estimates. A pattern takes the place of the panels; undo brings them back.
      </p>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(300px,1fr))] gap-4">
        {TECHNIQUES.map((technique) => (
          <Card
            key={technique.key} technique={technique} computed={laid.get(technique.key)} bark={barkOf(consult.naturalLevel)}
            onApply={take} current={plan.name === technique.name}
          />
        ))}
      </ul>
    </Dialog>
  );
}

interface CardProps {
  technique: Technique;
  computed: ComputedPlan | undefined;
  bark: string;
  current: boolean;
  onApply(technique: Technique): void;
}

const Card = memo(function Card({ technique, computed, bark, current, onApply }: CardProps) {
  const totals = computed?.sheet.totals;
  const painted = computed?.sheet.painted.length ?? 0;
  return (
    <li className="card flex flex-col gap-2 p-3">
      <div className="flex gap-3">
        <div className="h-[112px] w-[120px] shrink-0">{computed && <Thumbnail computed={computed} bark={bark} />}</div>
        <div className="min-w-0">
          <h3 className="leading-tight font-semibold">{technique.name}</h3>
          <p className="mt-1 text-sm">
            {totals ? (
              <><b className="text-lg">{totals.foils}</b> foils{painted > 0 && `, ${painted} painted`} · {hoursAndMinutes(totals.foilingMinutes)} · {Math.round(totals.lightenedShare * 100)} % lightened</>
            ) : (
              <span className="text-ink-soft">laying it on this head …</span>
            )}
          </p>
          <p className="mt-1 text-sm text-ink-soft">{technique.purpose}</p>
        </div>
      </div>
      <ul className="grow text-xs text-amber-bark">
        {technique.cautions.map((caution) => <li key={caution} className="mt-0.5">{caution}</li>)}
      </ul>
      <Button small onClick={() => onApply(technique)} aria-label={`${current ? 'Take it anew' : 'Take this pattern'}: ${technique.name}`}>{current ? 'Take it anew' : 'Take this pattern'}</Button>
    </li>
  );
});

/** The whole pattern as two shapes: quick to draw eighteen times. */
const Thumbnail = memo(function Thumbnail({ computed, bark }: { computed: ComputedPlan; bark: string }) {
  const { head, paths, painted } = computed.drawing;
  const { k } = head;
  return (
    <svg viewBox={`${-170 * k} ${-112 * k} ${340 * k} ${362 * k}`} className="h-full w-full" role="img" aria-label={`Drawing with ${paths.length} foils`}>
      <path d={pathThrough(openedHairline(head, 90), true)} fill={bark} />
      <path d={painted.map(ribbon).join('')} fill="var(--color-sun)" fillOpacity="0.6" />
      <path d={paths.map(ribbon).join('')} fill="var(--color-sun)" />
    </svg>
  );
});

function ribbon(path: FoilPath): string {
  const few = <T,>(points: readonly T[]) => points.filter((_, i) => i % 3 === 0 || i === points.length - 1);
  return pathThrough([...few(pathPoints(path, 'before')), ...few(pathPoints(path, 'after')).reverse()], true);
}

/** Every pattern laid on this head, one after the other so that the page stays awake; begun when the library opens. */
function useLaid(open: boolean): ReadonlyMap<string, ComputedPlan> {
  const { plan } = useVisit();
  const { head, hair, foil } = plan;
  const [laid, setLaid] = useState<ReadonlyMap<string, ComputedPlan>>(new Map());
  useEffect(() => {
    if (!open) return;
    const engine = createPatternEngine();
    const made = new Map<string, ComputedPlan>();
    let stopped = false;
    const next = (i: number) => {
      if (stopped || i >= TECHNIQUES.length) return;
      const technique = TECHNIQUES[i];
      made.set(technique.key, engine.compute(applyTechnique(plan, technique)));
      setLaid(new Map(made));
      setTimeout(() => next(i + 1));
    };
    const first = setTimeout(() => next(0));
    return () => {
      stopped = true;
      clearTimeout(first);
    };
    // Laid anew for another head, not for every edit of the plan.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [open, head, hair, foil]);
  return laid;
}
