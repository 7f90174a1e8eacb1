'use client';

import { useMemo } from 'react';
import { followsHair, hangingHair, type HangingHair, type Place } from '@/core/pattern';
import { useVisit } from '../visit/store';

/**
 * The line of hair that hangs out of a place, and how many hairs are wanted on each mm; null where its width
 * does not follow the hair.
 */
export function useHangingHair(
  place: Place | undefined,
): { wanted: number; all: readonly HangingHair[] } | null {
  const { plan, computed } = useVisit();
  const { hair } = plan;
  const { head } = computed.drawing;
  const { grid } = computed;
  return useMemo(() => {
    if (place?.kind !== 'hairline-band' || !followsHair(place.widthMm)) return null;
    const { fromDeg, toDeg, insetMm } = place;
    const { hairsPerMm } = place.widthMm;
    const within = ({ azimuthDeg }: HangingHair) =>
      Math.abs(azimuthDeg) >= fromDeg && Math.abs(azimuthDeg) <= toDeg;
    return { wanted: hairsPerMm, all: hangingHair(hairsPerMm, hair, { head, grid }, insetMm).filter(within) };
  }, [place, hair, head, grid]);
}
