'use client';

import { createContext, useContext, useDeferredValue, useMemo, type ReactNode } from 'react';
import type { MixCautionFacts } from '@/core/caution';
import { itemise, type Itemised, type PricedVisit } from '@/core/fee';
import { cautionFactsOf, mixOfVisit, pricedVisit, type VisitMixed, recordedTests } from '@/core/mix';
import { useHouse } from '../house/context';
import { useVisit } from '../visit/store';

interface MixContext {
  readonly mixed: VisitMixed;
  readonly cautions: MixCautionFacts;
  readonly priced: PricedVisit;
  readonly estimate: Itemised;
}

const Context = createContext<MixContext | null>(null);

/** What the visit takes in the bowl and comes to; a moment behind the drawing, which answers first. */
export function MixedProvider({ children }: { children: ReactNode }) {
  const { consult, plan, computed, mix, bundle } = useVisit();
  const { schools, prices, cautions: { strongVolumes } } = useHouse();
  const visit = useDeferredValue(useMemo(() => ({ consult, plan, computed, mix }), [consult, plan, computed, mix]));
  const { range, uses, safety, heldOn, previous } = bundle;
  const mixed = useMemo(() => mixOfVisit({ ...visit, range, uses, schools, strongVolumes, recorded: recordedTests(safety.tests, heldOn), levelBefore: previous?.outcome.levelReached ?? null }), [visit, range, uses, schools, strongVolumes, safety, heldOn, previous]);
  const value = useMemo<MixContext>(() => {
    const priced = pricedVisit(visit, mixed);
    return { mixed, cautions: cautionFactsOf(visit, mixed), priced, estimate: itemise(priced, prices) };
  }, [visit, mixed, prices]);
  return <Context value={value}>{children}</Context>;
}

/** The mix of the open visit as it stands here. */
export function useMixed(): MixContext {
  const mixed = useContext(Context);
  if (!mixed) throw new Error('useMixed needs a MixedProvider above it.');
  return mixed;
}
