'use client';

import { usePathname, useRouter } from 'next/navigation';
import { useCallback, useEffect, type ComponentProps, type MouseEvent } from 'react';
import { useVisit } from './store';
import { hrefOf, isVisitStep, type Step, type VisitStep } from './step-names';

/** The step that is open. */
export function useStep(): VisitStep {
  const last = usePathname().split('/').at(-1) ?? '';
  return isVisitStep(last) ? last : 'consult';
}

/**
 * The way between steps. The framework writes the address of what it has drawn, a moment after it was asked: of two quick moves the first
 * would write over the second. So one is under way at a time, and the newest of those that came meanwhile follows it.
 */
class Way {
  private underWay: string | undefined;
  private next: string | undefined;

  /** Where it will have led. */
  get end(): string {
    return this.next ?? this.underWay ?? window.location.pathname;
  }

  go(path: string): void {
    if (this.underWay !== undefined) {
      this.next = path;
      return;
    }
    if (path === window.location.pathname) return;
    this.underWay = path;
    window.history.pushState(null, '', path);
    window.scrollTo(0, 0);
  }

  /** The page of a path is drawn. */
  arrived(path: string): void {
    const { next } = this;
    this.underWay = this.next = undefined;
    if (next !== undefined && next !== path) this.go(next);
  }
}

/** A window shows one visit. */
const way = new Way();

/** The step that the page is at, or on its way to. */
export const stepAhead = (): string => way.end.split('/').at(-1) ?? '';

/** Tells the way what is drawn; once for a page. */
export function useWay(): void {
  const path = usePathname();
  useEffect(() => way.arrived(path), [path]);
}

/** Goes to a step of the open visit. All of them are in the page already: only its address changes, and no server is asked. */
export function useGoToStep(): (step: Step) => void {
  const { bundle } = useVisit();
  const router = useRouter();
  return useCallback((step) => {
    if (step === 'chair') return router.push(hrefOf(bundle.id, step));
    way.go(hrefOf(bundle.id, step));
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
