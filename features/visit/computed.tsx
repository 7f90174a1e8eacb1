'use client';

import { createContext, useContext, useDeferredValue, useMemo, type ReactNode } from 'react';
import { factsOf, type ComputedVisit } from '@/core/visit/computed';
import { useHouse } from '../house/context';
import { visitEngine } from './engine';
import { useVisit } from './store';

const Context = createContext<ComputedVisit | null>(null);

/**
 * All that is computed of the open visit as it stands here; a moment behind the drawing, which answers first.
 */
export function ComputedProvider({ children }: { children: ReactNode }) {
  const { consult, plan, mix, outcome, bundle } = useVisit();
  const recorded = outcome?.document ?? null;
  const house = useHouse();
  const documents = useDeferredValue(
    useMemo(() => ({ consult, plan, mix, outcome: recorded }), [consult, plan, mix, recorded]),
  );
  const facts = useMemo(() => factsOf(bundle, house), [bundle, house]);
  const value = useMemo(() => visitEngine.compute(documents, facts), [documents, facts]);
  return <Context value={value}>{children}</Context>;
}

/**
 * The open visit as it is computed: its work, bowls, clock, cautions, price and growth, one truth for every
 * step.
 */
export function useComputed(): ComputedVisit {
  const visit = useContext(Context);
  if (!visit) throw new Error('useComputed needs a ComputedProvider above it.');
  return visit;
}

/** Letters of the open visit whose formulas only deposit, as one word. */
export function useDarkLetters(): string {
  return useComputed()
    .work.letters.filter(({ recipe }) => recipe?.lifts === false)
    .map(({ letter }) => letter)
    .join('');
}
