'use client';

import { useMemo } from 'react';
import type { Consult } from '@/core/visit';
import { useVisit } from './store';

/** The hair of the open visit as heads draw it; the same object as long as nothing of it changes. */
export function useOwnHair(): Pick<Consult, 'naturalLevel' | 'map'> {
  const {
    consult: { naturalLevel, map },
  } = useVisit();
  return useMemo(() => ({ naturalLevel, map }), [naturalLevel, map]);
}
