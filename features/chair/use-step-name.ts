'use client';

import { stepName, type ServiceStep } from '@/core/steps';
import { useSaid } from '@/ui/measures';

/** Names steps with their place, in the measures of the house. */
export function useStepName(): (step: ServiceStep) => string {
  const said = useSaid();
  return (step) => said(stepName(step));
}
