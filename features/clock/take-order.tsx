'use client';

import type { ClockPlanned } from '@/core/clock';
import type { WorkBlock } from '@/core/work';
import { Button } from '@/ui/button';
import { useVisit } from '../visit/store';

/** Puts the order of a plan into the pattern, so that foils are numbered as they are worked. */
export function TakeOrder({ blocks, plan }: { blocks: readonly WorkBlock[]; plan: ClockPlanned }) {
  const { plan: pattern, editVisit } = useVisit();
  const wanted = [...new Set(plan.course.order.map((b) => blocks[b].panel))];
  const now = [...new Set(blocks.map(({ panel }) => panel))];
  if (wanted.join() === now.join()) return null;
  const nameOf = (id: string) => pattern.panels.find((panel) => panel.id === id)?.name ?? id;
  const at = (id: string) => (wanted.includes(id) ? wanted.indexOf(id) : wanted.length);
  const take = () =>
    editVisit('order by the clock', (before) => ({
      ...before,
      plan: { ...before.plan, panels: [...before.plan.panels].sort((a, b) => at(a.id) - at(b.id)) },
      mix: { ...before.mix, clock: { ...before.mix.clock, chosen: null, pinned: {} } },
    }));
  return <Button onClick={take}>Number the foils in this order: {wanted.map(nameOf).join(', ')}</Button>;
}
