'use client';

import { usePathname, useRouter } from 'next/navigation';
import { useCallback, useEffect, type ComponentProps, type MouseEvent } from 'react';
import { hrefOf, isVisitStep, type Step, type VisitStep } from './step-names';
import { useVisit } from './store';
import { Way } from './way';

/** The step that is open. */
export function useStep(): VisitStep {
  const last = usePathname().split('/').at(-1) ?? '';
  return isVisitStep(last) ? last : 'consult';
}

/** A window shows one visit. */
const way = new Way();

/** The step that the page is at, or on its way to. */
export const stepAhead = (): string => way.end.split('/').at(-1) ?? '';

/** Tells the way what is drawn; once for a page. */
export function useWay(): void {
  const path = usePathname();
  useEffect(() => way.arrived(path), [path]);
  useEffect(() => {
    // Back, before what was asked for is drawn, leads to a page that is drawn already.
    const back = () => way.arrived(window.location.pathname);
    window.addEventListener('popstate', back);
    return () => window.removeEventListener('popstate', back);
  }, []);
}

/**
 * Goes to a step of the open visit. All of them are in the page already: only its address changes, and no
 * server is asked.
 */
export function useGoToStep(): (step: Step) => void {
  const { bundle } = useVisit();
  const router = useRouter();
  return useCallback(
    (step) => {
      if (step === 'chair') return router.push(hrefOf(bundle.id, step));
      way.go(hrefOf(bundle.id, step));
    },
    [bundle.id, router],
  );
}

/** A link to a step of the open visit. */
export function StepLink({ step, ...rest }: { step: Step } & Omit<ComponentProps<'a'>, 'href'>) {
  const { bundle } = useVisit();
  const go = useGoToStep();
  const onClick = (event: MouseEvent) => {
    // Another tab is the browser's business.
    if (
      event.defaultPrevented ||
      event.button !== 0 ||
      event.metaKey ||
      event.ctrlKey ||
      event.shiftKey ||
      event.altKey
    )
      return;
    event.preventDefault();
    go(step);
  };
  return <a {...rest} href={hrefOf(bundle.id, step)} onClick={onClick} />;
}
