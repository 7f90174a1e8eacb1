'use client';

import clsx from 'clsx';
import { Slider as Radix } from 'radix-ui';
import { useId, type ReactNode } from 'react';

interface SliderProps {
  label: string;
  value: number;
  min: number;
  max: number;
  step: number;
  /** The value as it is said: `5 mm`. */
  said: string;
  onChange(value: number): void;
  /** Painted under the thumb instead of the plain track. */
  track?: ReactNode;
  hint?: ReactNode;
}

/** A slider with its label and its value in words; arrow keys move by one step. */
export function Slider({ label, value, min, max, step, said, onChange, track, hint }: SliderProps) {
  const id = useId();
  return (
    <div>
      <div className="flex items-baseline justify-between gap-3">
        <span id={id} className="text-base text-ink-soft">{label}</span>
        <span className="text-lg font-semibold">{said}</span>
      </div>
      <Radix.Root
        className="relative flex h-9 w-full touch-none items-center select-none"
        value={[value]}
        min={min}
        max={max}
        step={step}
        onValueChange={([next]) => onChange(next)}
      >
        <Radix.Track className={clsx('relative w-full grow overflow-hidden rounded-full', track ? 'h-4' : 'h-1 bg-edge')}>
          {track ?? <Radix.Range className="absolute h-full rounded-full bg-leaf" />}
        </Radix.Track>
        <Radix.Thumb
          aria-labelledby={id}
          aria-valuetext={said}
          className="block size-6 rounded-full border-[3px] border-leaf bg-field shadow-sm hover:border-leaf-dark"
        />
      </Radix.Root>
      {hint && <p className="-mt-1 text-xs text-ink-soft">{hint}</p>}
    </div>
  );
}
