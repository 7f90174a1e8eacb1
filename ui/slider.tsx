'use client';

import clsx from 'clsx';
import { Slider as Radix } from 'radix-ui';
import { useId, useState, type ReactNode } from 'react';

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
  /** Reads a typed value; with it the value can be written as well as drawn. undefined: what was typed cannot be read. */
  read?(text: string): number | undefined;
}

/** A slider with its label and its value in words; arrow keys move by one step. */
export function Slider({ label, value, min, max, step, said, onChange, track, hint, read }: SliderProps) {
  const id = useId();
  return (
    <div>
      <div className="flex items-baseline justify-between gap-3">
        <span id={id} className="text-base text-ink-soft">{label}</span>
        {read ? <Entry id={id} label={label} {...{ said, min, max, read, onChange }} /> : <span className="text-lg font-semibold">{said}</span>}
      </div>
      <Radix.Root
        className="relative flex h-9 w-full touch-none items-center select-none"
        value={[Math.min(max, Math.max(min, value))]}
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

interface EntryProps extends Required<Pick<SliderProps, 'label' | 'said' | 'min' | 'max' | 'read' | 'onChange'>> {
  id: string;
}

/** The value as text: what is typed is taken when it can be read, and stays with a sentence when it cannot. */
function Entry({ id, label, said, min, max, read, onChange }: EntryProps) {
  const [text, setText] = useState<string>();
  const [wrong, setWrong] = useState(false);
  const take = () => {
    if (text === undefined) return;
    const value = read(text);
    if (value === undefined || value < min || value > max) return setWrong(true);
    if (text !== said) onChange(value);
    setText(undefined);
    setWrong(false);
  };
  return (
    <span className="relative">
      <input
        aria-label={`${label}, typed`} value={text ?? said} autoComplete="off" inputMode="text" aria-invalid={wrong || undefined} aria-describedby={wrong ? `${id}-wrong` : undefined}
        onChange={(event) => {
          setText(event.target.value);
          setWrong(false);
        }}
        onFocus={(event) => event.target.select()} onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
          if (event.key === 'Escape') {
            setText(undefined);
            setWrong(false);
          }
        }}
        className={clsx('-mr-1.5 h-8 w-[104px] rounded-ui border bg-transparent px-1.5 text-right text-lg font-semibold', wrong ? 'border-rowan' : 'border-transparent hover:border-edge focus:border-edge focus:bg-field')}
      />
      {wrong && (
        <span id={`${id}-wrong`} role="alert" className="absolute top-8 right-0 z-20 w-[230px] rounded-ui border border-rowan bg-field px-2 py-1 text-right text-sm font-medium text-rowan shadow-lg">
          “{text}” cannot be taken for {label.toLowerCase()} here.
        </span>
      )}
    </span>
  );
}
