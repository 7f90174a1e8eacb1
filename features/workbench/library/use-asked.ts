'use client';

import type { VisitAsked } from '@/workers/pattern-asks';
import { useComputed } from '../../visit/computed';

/** The open visit, for what it comes to with another pattern. */
export function useAsked(): VisitAsked {
  const { consult, mix, facts } = useComputed();
  return { documents: { consult, mix, outcome: null }, facts };
}
