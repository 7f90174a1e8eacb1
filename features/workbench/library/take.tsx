'use client';

import type { Plan } from '@/core/pattern';
import type { Laid } from '@/core/technique';
import { Button } from '@/ui/button';

/** How a pattern of the library is taken. */
export interface TakePattern {
  /** In place of all panels. */
  whole(technique: Laid): void;
  /** Its recipe for the selected panel alone; undefined without a panel. */
  panel: ((technique: Laid) => void) | undefined;
  /** A plan as it stands. */
  plan(plan: Plan, name: string): void;
}

/** Applies a pattern in place of all panels, or its recipe for one. */
export function TakeButtons({
  technique,
  take,
  panelName,
  current = false,
}: {
  technique: Laid;
  take: TakePattern;
  panelName: string | undefined;
  current?: boolean;
}) {
  const words = current ? 'Apply again' : 'Apply';
  return (
    <>
      <Button
        small
        className="grow"
        onClick={() => take.whole(technique)}
        aria-label={`${words}: ${technique.name}`}
      >
        {words}
      </Button>
      {take.panel && (
        <Button
          small
          onClick={() => take.panel?.(technique)}
          aria-label={`For one panel, ${panelName}: ${technique.name}`}
        >
          For one panel
        </Button>
      )}
    </>
  );
}
