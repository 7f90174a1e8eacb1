'use client';

import { useState } from 'react';
import {
  neededBefore,
  type EventBody,
  type ServiceScript,
  type ServiceState,
  type StepState,
} from '@/core/chair';
import { plainStep, scaled, type ServiceStep } from '@/core/steps';
import { splitPlace } from '@/core/visit';
import { Button } from '@/ui/button';
import { useSaid } from '@/ui/measures';
import { Presets } from './presets';
import { StepEditor } from './step-editor';
import { detailWords } from './words-of-steps';
import { USUAL_MORE, USUAL_STEP_SKIPS } from './words';
import { useStepName } from './use-step-name';

interface StepSheetProps {
  script: ServiceScript;
  state: ServiceState;
  act(body: EventBody): void;
  onClose(): void;
}

const fresh = (step: ServiceStep): ServiceStep => ({ ...step, id: crypto.randomUUID() });

/** Says some things to the service and closes the sheet. */
const taking =
  (act: StepSheetProps['act'], onClose: () => void) =>
  (...bodies: readonly EventBody[]): void => {
    for (const body of bodies) act(body);
    onClose();
  };

/** Adds a step, with a drying or a treatment before it where the hair is another by then. */
function add(
  step: ServiceStep,
  after: string | null,
  { state, act }: Pick<StepSheetProps, 'state' | 'act'>,
): void {
  const needed = neededBefore(step, state, after, crypto.randomUUID());
  if (needed) act({ kind: 'step-added', step: needed, after });
  act({ kind: 'step-added', step, after: needed?.id ?? after });
}

/** Something that can be added, with its usual recipe; or a step of one's own. */
export function AddStep({ script, state, act, onClose }: StepSheetProps) {
  const said = useSaid();
  const nameOf = useStepName();
  const [step, setStep] = useState<ServiceStep>();
  const last = state.steps.at(-1)?.step.id ?? null;
  const done = (after: string | null) => {
    if (!step) return;
    add(step, after, { state, act });
    onClose();
  };
  if (!step) {
    return (
      <div className="grid gap-4">
        <ul className="grid grid-cols-2 gap-2">
          {script.offers
            .filter(({ items }) => items !== null)
            .map((offer) => (
              <li key={offer.id}>
                <Button
                  aria-label={nameOf(offer)}
                  className="grid! h-full! min-h-[56px] w-full content-start justify-items-start px-3 py-2 text-left whitespace-normal!"
                  onClick={() => setStep(fresh(offer))}
                >
                  <span className="text-lg leading-tight">{nameOf(offer)}</span>
                  <span className="text-sm font-medium text-ink-soft">
                    {said(detailWords({ ...offer, place: null }))}
                  </span>
                </Button>
              </li>
            ))}
        </ul>
        <ul className="grid grid-cols-4 gap-2">
          {[
            ...script.offers.filter(({ items }) => items === null),
            plainStep('own', 'own', { name: 'Something else' }),
          ].map((serviceStep) => (
            <li key={serviceStep.id}>
              <Button
                className="h-full! min-h-[56px] w-full text-lg leading-tight whitespace-normal!"
                onClick={() => setStep(fresh(serviceStep))}
              >
                {nameOf(serviceStep)}
              </Button>
            </li>
          ))}
        </ul>
      </div>
    );
  }
  const needed = neededBefore(step, state, null, 'needed');
  return (
    <div className="grid gap-4">
      <h3 className="text-xl font-bold">{nameOf(step)}</h3>
      <StepEditor step={step} onChange={setStep} />
      {needed && (
        <p role="status" className="text-base font-semibold text-amber-bark">
          {needed.name} comes before it: the hair is not ready for it otherwise.
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <Button look="primary" className="h-14 text-lg" onClick={() => done(null)}>
          Add it next
        </Button>
        <Button className="h-14 text-lg" onClick={() => done(last)}>
          Add it at the end
        </Button>
      </div>
    </div>
  );
}

/** All that can be decided about one step. */
export function OneStep({ script, state, act, onClose, own }: StepSheetProps & { own: StepState }) {
  const said = useSaid();
  const [asking, ask] = useState<'more' | 'skip'>();
  const { step, standing } = own;
  const take = taking(act, onClose);
  if (asking === 'more') {
    return (
      <Presets
        words={USUAL_MORE}
        label="Why it stays on longer"
        onTake={(reason) => take({ kind: 'step-more', step: step.id, minutes: 5, reason })}
      />
    );
  }
  if (asking === 'skip') {
    return (
      <Presets
        words={USUAL_STEP_SKIPS}
        label="Why it is skipped"
        onTake={(why) => take({ kind: 'step-skipped', step: step.id, why })}
      />
    );
  }
  const repeat = () => add(fresh(step), step.id, { state, act });
  if (standing !== 'waiting') {
    return (
      <div className="grid gap-3">
        <p className="text-lg">{said(detailWords(step))}</p>
        <div className="grid grid-cols-2 gap-2">
          {standing === 'on' && (
            <>
              <Button
                look="primary"
                className="h-14 text-lg"
                onClick={() => take({ kind: 'step-done', step: step.id })}
              >
                Done
              </Button>
              <Button className="h-14 text-lg" onClick={() => ask('more')}>
                5 min more …
              </Button>
            </>
          )}
          {standing === 'skipped' && (
            <Button className="h-14 text-lg" onClick={() => take({ kind: 'step-changed', step })}>
              Do it after all
            </Button>
          )}
          <Button className="h-14 text-lg" onClick={() => (repeat(), onClose())}>
            Repeat it
          </Button>
        </div>
      </div>
    );
  }
  return (
    <WaitingStep
      script={script}
      state={state}
      act={act}
      onClose={onClose}
      own={own}
      onSkip={() => ask('skip')}
      onRepeat={repeat}
    />
  );
}

function WaitingStep({
  state,
  act,
  onClose,
  own,
  onSkip,
  onRepeat,
}: StepSheetProps & { own: StepState; onSkip(): void; onRepeat(): void }) {
  const [step, setStep] = useState(own.step);
  const waiting = state.steps.filter(({ standing }) => standing === 'waiting');
  const at = waiting.findIndex((one) => one.step.id === step.id);
  const split = step.place && splitPlace(step.place);
  const take = taking(act, onClose);
  const changed = step !== own.step ? [{ kind: 'step-changed', step } as const] : [];
  return (
    <div className="grid gap-4">
      <StepEditor step={step} onChange={setStep} />
      <div className="grid grid-cols-2 gap-2">
        <Button
          look="primary"
          className="h-14 text-lg"
          disabled={step === own.step}
          onClick={() => take(...changed)}
        >
          Apply
        </Button>
        <Button
          className="h-14 text-lg"
          onClick={() => take(...changed, { kind: 'step-begun', step: step.id })}
        >
          Begin it now
        </Button>
        <Button
          className="h-14 text-lg"
          disabled={at < 1}
          onClick={() => take({ kind: 'step-moved', step: step.id, after: waiting[at - 2]?.step.id ?? null })}
        >
          Earlier
        </Button>
        <Button
          className="h-14 text-lg"
          disabled={at >= waiting.length - 1}
          onClick={() => take({ kind: 'step-moved', step: step.id, after: waiting[at + 1].step.id })}
        >
          Later
        </Button>
        <Button className="h-14 text-lg" onClick={() => (onRepeat(), onClose())}>
          Repeat it
        </Button>
        <Button
          className="h-14 text-lg"
          disabled={!split}
          onClick={() =>
            split &&
            take(
              { kind: 'step-changed', step: { ...scaled(step, 0.5), place: split[0] } },
              { kind: 'step-added', step: fresh({ ...scaled(step, 0.5), place: split[1] }), after: step.id },
            )
          }
        >
          Split by place
        </Button>
        <Button className="h-14 text-lg" onClick={onSkip}>
          Skip …
        </Button>
      </div>
    </div>
  );
}
