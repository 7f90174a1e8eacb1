'use client';

import { useMemo } from 'react';
import { openCautions, type Caution } from '@/core/caution';
import { useComputed } from '../visit/computed';
import { useVisit } from '../visit/store';

/** The cautions of the open visit as it stands here, and those that keep it from beginning. */
export function useCautions(): { cautions: readonly Caution[]; open: readonly Caution[] } {
  const { bundle } = useVisit();
  const { cautions } = useComputed();
  return useMemo(
    () => ({
      cautions,
      open: openCautions(
        cautions,
        bundle.safety.reasons.map(({ caution }) => caution),
      ),
    }),
    [cautions, bundle],
  );
}
