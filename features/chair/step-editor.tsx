'use client';

import { useState } from 'react';
import { scaled, STEP_HAIR, STEP_HAIR_WORDS, type ServiceStep } from '@/core/steps';
import { EVERYWHERE } from '@/core/visit';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { useSaid } from '@/ui/measures';
import { Segmented } from '@/ui/segmented';
import { PlaceEditor } from '../places/place-editor';
import { detailWords } from './words-of-steps';

interface StepEditorProps {
  step: ServiceStep;
  onChange(step: ServiceStep): void;
}

const LESS_AND_MORE = [-5, -1, 1, 5] as const;
const AMOUNTS = [
  { words: 'Half the amount', by: 0.5 },
  { words: 'Twice the amount', by: 2 },
] as const;

/** Minutes, place, hair and amount of a step that is not begun. */
export function StepEditor({ step, onChange }: StepEditorProps) {
  const [placing, setPlacing] = useState(false);
  const set = (part: Partial<ServiceStep>) => onChange({ ...step, ...part });
  const said = useSaid();
  const detail = said(detailWords(step));
  return (
    <div className="grid gap-3">
      {detail !== '' && <p className="text-lg">{detail}</p>}
      {step.items?.ok === false && (
        <p className="text-lg font-semibold text-rowan">It cannot be mixed: {said(step.items.problem)}.</p>
      )}
      {step.kind === 'own' && (
        <TextField
          label="What it is"
          value={step.name}
          maxLength={120}
          onChange={(event) => set({ name: event.target.value })}
        />
      )}
      <div className="flex flex-wrap items-center gap-2">
        <b className="w-28 text-2xl whitespace-nowrap">{Math.round(step.minutes)} min</b>
        {LESS_AND_MORE.map((by) => (
          <Button
            key={by}
            className="h-[48px] min-w-14"
            disabled={step.minutes + by < 1 || step.minutes + by > 240}
            onClick={() => set({ minutes: step.minutes + by })}
          >
            {by > 0 ? `+${by}` : `−${-by}`}
          </Button>
        ))}
        {step.items?.ok &&
          AMOUNTS.map(({ words, by }) => (
            <Button key={words} className="h-[48px]" onClick={() => onChange(scaled(step, by))}>
              {words}
            </Button>
          ))}
      </div>
      <Segmented
        label="Hair"
        value={step.hair}
        options={STEP_HAIR.map((value) => ({ value, words: STEP_HAIR_WORDS[value] }))}
        onChange={(hair) => set({ hair })}
      />
      {placing ? (
        <PlaceEditor place={step.place ?? EVERYWHERE} onChange={(place) => set({ place })} />
      ) : (
        <Button className="h-[48px] justify-self-start" onClick={() => setPlacing(true)}>
          Where …
        </Button>
      )}
    </div>
  );
}
