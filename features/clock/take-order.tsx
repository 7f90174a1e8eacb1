'use client';

import type { Timeline } from '@/core/clock';
import type { WorkBlock } from '@/core/work';
import type { Formula } from '@/core/visit';
import { Button } from '@/ui/button';
import { useComputed } from '../visit/computed';
import { useVisit } from '../visit/store';

/** Puts what was found into the plan: the order of the panels, and the strengths as formulas of their own. */
export function TakeOrder({ blocks, timeline }: { blocks: readonly WorkBlock[]; timeline: Timeline }) {
  const { plan, editVisit } = useVisit();
  const visit = useComputed();
  const places = blocks.map((_, b) => b).sort((a, b) => placed(timeline, a) - placed(timeline, b));
  const wanted = [...new Set(places.map((b) => blocks[b].panel))];
  const now = [...new Set(blocks.map(({ panel }) => panel))];
  // A panel whose parts were given different strengths keeps its own: it has one formula.
  const volumes = wanted.flatMap((panel) => {
    const own = [...new Set(blocks.flatMap((block, b) => (block.panel === panel ? [timeline.strengths[b] === 0 ? null : block.others![timeline.strengths[b] - 1].volumes] : [])))];
    return own.length === 1 && own[0] !== null ? [{ panel, letter: blocks.find((block) => block.panel === panel)!.units[0].letter, volumes: own[0] }] : [];
  });
  const moved = wanted.join() !== now.join();
  if (!moved && volumes.length === 0) return null;
  const nameOf = (id: string) => plan.panels.find((panel) => panel.id === id)?.name ?? id;
  const take = () =>
    editVisit('order and strengths by the clock', (before) => {
      const at = (id: string) => (wanted.includes(id) ? wanted.indexOf(id) : wanted.length);
      let panels = [...before.plan.panels].sort((a, b) => at(a.id) - at(b.id));
      let formulas: Readonly<Record<string, Formula>> = before.mix.formulas;
      for (const own of volumes) {
        const from = formulas[own.letter] ?? visit.work.letters.find(({ letter }) => letter === own.letter)?.formula;
        if (from?.kind !== 'lift') continue;
        const made: Formula = { ...from, volumes: own.volumes };
        const same = Object.keys(formulas).find((letter) => JSON.stringify(formulas[letter]) === JSON.stringify(made));
        const letter = same ?? [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].find((free) => !(free in formulas) && !before.plan.panels.some(({ formula }) => formula === free));
        if (letter === undefined) continue;
        formulas = { ...formulas, [own.letter]: from, [letter]: made };
        panels = panels.map((panel) => (panel.id === own.panel ? { ...panel, formula: letter } : panel));
      }
      return { ...before, plan: { ...before.plan, panels }, mix: { ...before.mix, formulas } };
    });
  return (
    <Button onClick={take}>
      {moved ? `Work in this order: ${wanted.map(nameOf).join(', ')}` : 'Take these strengths'}{volumes.length > 0 && `${moved ? '; ' : ': '}${volumes.map((own) => `${nameOf(own.panel)} ${own.volumes} vol`).join(', ')}`}
    </Button>
  );
}

const placed = ({ foils }: Timeline, b: number) => foils.find((own) => own.block === b)!.placed;
