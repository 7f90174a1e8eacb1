'use client';

import { offsetWords, openedPart } from '@/core/head';
import { useSaid } from '@/ui/measures';
import { useVisit } from '../../visit/store';
import { GripMark } from './grip-mark';

/** Farthest that a part runs from the middle, mm. */
const MOST_MM = 60;

/** The part, taken at the forehead and moved to either side; panels beside it are solved anew. */
export function PartGrip({ times }: { times: number }) {
  const { plan, computed, editConsult } = useVisit();
  const said = useSaid();
  const { part } = plan.head;
  if (part.none) return null;
  const { head } = computed.drawing;
  const at = openedPart(head, part.offsetMm)[0] ?? { x: part.offsetMm, y: head.hairArc(0) };
  return (
    <GripMark
      at={{ x: at.x, y: at.y + 5 * head.k }}
      label="part"
      said={said(offsetWords(part.offsetMm))}
      times={times}
      onMove={({ x }, gesture) => {
        const offsetMm = Math.round(Math.min(MOST_MM, Math.max(-MOST_MM, x)));
        if (offsetMm === part.offsetMm) return;
        editConsult(
          (before, after) =>
            `part ${offsetWords(before.head.part.offsetMm)} → ${offsetWords(after.head.part.offsetMm)}`,
          (before) => ({ ...before, head: { ...before.head, part: { ...before.head.part, offsetMm } } }),
          gesture,
        );
      }}
    />
  );
}
