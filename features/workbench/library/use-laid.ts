'use client';

import { useEffect, useState } from 'react';
import type { Plan } from '@/core/pattern';
import { applyTechnique, type Laid } from '@/core/technique';
import type { LaidPattern } from '@/workers/pattern-asks';
import { PatternWorker } from '../pattern-worker';
import { useAsked } from './use-asked';

export interface KeyedTechnique {
  readonly key: string;
  readonly technique: Laid;
}

const NONE: ReadonlyMap<string, LaidPattern> = new Map();

/** Patterns laid on this head one after the other, off the page's thread; begun when they are wanted. */
export function useLaid(
  wanted: boolean,
  plan: Plan,
  techniques: readonly KeyedTechnique[],
): ReadonlyMap<string, LaidPattern> {
  const [laid, setLaid] = useState<{
    of: Plan['head'];
    techniques: readonly KeyedTechnique[];
    answers: ReadonlyMap<string, LaidPattern>;
  }>();
  const { head, hair, foil } = plan;
  const visit = useAsked();
  useEffect(() => {
    if (!wanted) return;
    const worker = new PatternWorker();
    for (const { key, technique } of techniques) {
      void worker
        .ask('lay', { plan: applyTechnique(plan, technique), deposits: technique.deposits ?? [], visit })
        .then((answer) =>
          setLaid((before) => ({
            of: head,
            techniques,
            answers: new Map(
              before?.of === head && before.techniques === techniques ? before.answers : [],
            ).set(key, answer),
          })),
        );
    }
    return () => worker.stop();
    // Laid anew for another head, not for every edit of the plan.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [wanted, head, hair, foil, techniques]);
  return laid?.techniques === techniques ? laid.answers : NONE;
}
