'use client';

import { useMemo } from 'react';
import { cautionsOf, factsIn, openCautions, type Caution } from '@/core/caution';
import { useHouse } from '../house/context';
import { useVisit } from '../visit/store';

/** The cautions of the open visit as it stands here, and those that keep it from beginning. */
export function useCautions(): { cautions: readonly Caution[]; open: readonly Caution[] } {
  const { bundle, consult } = useVisit();
  const { cautions: limits } = useHouse();
  return useMemo(() => {
    const { tests, consents, reasons } = bundle.safety;
    const guardianConsent = consents.some(({ kind, withdrawnAt }) => kind === 'guardian' && withdrawnAt === null);
    const cautions = cautionsOf({ ...factsIn(consult), onDay: bundle.heldOn, bornOn: bundle.client.bornOn, tests, guardianConsent }, limits);
    return { cautions, open: openCautions(cautions, reasons.map(({ caution }) => caution)) };
  }, [bundle, consult, limits]);
}
