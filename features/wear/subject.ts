'use client';

import { useMemo } from 'react';
import type { Plan } from '@/core/pattern';
import type { WearSubject } from '@/core/wear';
import { useComputed } from '../visit/computed';

/**
 * The open visit as wear looks at it, with a plan of it. An edit elsewhere counts only where it changes what
 * is seen.
 */
export function useWearSubject(plan: Plan): WearSubject {
  const { wear } = useComputed();
  const key = JSON.stringify({ ...wear, plan: null });
  return useMemo((): WearSubject => ({ ...(JSON.parse(key) as WearSubject), plan }), [key, plan]);
}
