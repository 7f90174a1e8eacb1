'use client';

import { useMemo } from 'react';
import { cautionsFor, openCautions, type Caution } from '@/core/caution';
import { useHouse } from '../house/context';
import { useMixed } from '../mix/mixed';
import { useVisit } from '../visit/store';

/** The cautions of the open visit as it stands here, and those that keep it from beginning. */
export function useCautions(): { cautions: readonly Caution[]; open: readonly Caution[] } {
  const { bundle, consult } = useVisit();
  const { cautions: limits } = useHouse();
  const { cautions: mixed } = useMixed();
  return useMemo(() => {
    const { safety, heldOn, client } = bundle;
    const cautions = cautionsFor(consult, safety, { onDay: heldOn, bornOn: client.bornOn }, limits, mixed);
    return { cautions, open: openCautions(cautions, safety.reasons.map(({ caution }) => caution)) };
  }, [bundle, consult, limits, mixed]);
}
