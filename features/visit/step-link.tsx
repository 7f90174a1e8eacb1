'use client';

import { usePathname, useRouter } from 'next/navigation';
import { useCallback, type ComponentProps, type MouseEvent } from 'react';
import { useVisit } from './store';
import { hrefOf, isVisitStep, type Step, type VisitStep } from './step-names';

/** The step that is open. */
export function useStep(): VisitStep {
  const last = usePathname().split('/').at(-1) ?? '';
  return isVisitStep(last) ? last : 'consult';
}

/** Goes to a step of the open visit. All of them are in the page already: only its address changes, and no server is asked. */
export function useGoToStep(): (step: Step) => void {
  const { bundle } = useVisit();
  const router = useRouter();
  return useCallback((step) => {
    if (step === 'chair') return router.push(hrefOf(bundle.id, step));
    window.history.pushState(null, '', hrefOf(bundle.id, step));
    window.scrollTo(0, 0);
  }, [bundle.id, router]);
}

/** A link to a step of the open visit. */
export function StepLink({ step, ...rest }: { step: Step } & Omit<ComponentProps<'a'>, 'href'>) {
  const { bundle } = useVisit();
  const go = useGoToStep();
  const onClick = (event: MouseEvent) => {
    // Another tab is the browser's business.
    if (event.defaultPrevented || event.button !== 0 || event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
    event.preventDefault();
    go(step);
  };
  return <a {...rest} href={hrefOf(bundle.id, step)} onClick={onClick} />;
}
