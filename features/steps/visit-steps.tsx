'use client';

import { lazy, Suspense, useEffect, type ComponentType } from 'react';
import { useVisit } from '../visit/store';
import { useStep } from '../visit/step-link';
import { stepName, type VisitStep } from '../visit/step-names';

const LOADS = {
  consult: () => import('../consult/consult-step').then((own) => own.ConsultStep),
  pattern: () => import('../workbench/pattern-step').then((own) => own.PatternStep),
  wear: () => import('../wear/wear-step').then((own) => own.WearStep),
  mix: () => import('../mix/mix-step').then((own) => own.MixStep),
  clock: () => import('../clock/clock-step').then((own) => own.ClockStep),
  record: () => import('../record/record-step').then((own) => own.RecordStep),
} as const satisfies Record<VisitStep, () => Promise<ComponentType>>;

const VIEWS: Record<VisitStep, ComponentType> = {
  consult: viewOf('consult'),
  pattern: viewOf('pattern'),
  wear: viewOf('wear'),
  mix: viewOf('mix'),
  clock: viewOf('clock'),
  record: viewOf('record'),
};

function viewOf(step: VisitStep): ComponentType {
  return lazy(async () => ({ default: await LOADS[step]() }));
}

/**
 * The step of the open visit that the address names. The others are loaded meanwhile, so that they open
 * without a network.
 */
export function VisitSteps() {
  const { bundle } = useVisit();
  const step = useStep();
  useEffect(() => {
    document.title = `${stepName(step)} · ${bundle.client.name}`;
  }, [step, bundle.client.name]);
  useEffect(() => {
    const timer = setTimeout(
      () => Object.values(LOADS).forEach((load) => void load().catch(() => undefined)),
      LATER_MS,
    );
    return () => clearTimeout(timer);
  }, []);
  const View = VIEWS[step];
  return (
    <Suspense
      fallback={
        <p role="status" data-opening className="grid h-full place-content-center text-ink-soft">
          Opening {stepName(step)} …
        </p>
      }
    >
      <View />
    </Suspense>
  );
}

/** First the step that was asked for. */
const LATER_MS = 1500;
