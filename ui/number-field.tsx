'use client';

import clsx from 'clsx';
import { useId, useState } from 'react';
import { useWritten } from './decimal';

interface NumberFieldProps {
  label: string;
  unit: string;
  value: number | undefined;
  min: number;
  max: number;
  /** Shown when there is no value. */
  placeholder?: string;
  /** Reads what was typed; undefined for what cannot be read. */
  parse(text: string): number | undefined;
  /** undefined when the field was emptied. */
  onChange(value: number | undefined): void;
  onFocus?(): void;
  onBlur?(): void;
  hideLabel?: boolean;
}

/** A figure with its unit. What cannot be read stays in the field, with a sentence that names it; the value stays as it was. */
export function NumberField({ label, unit, value, min, max, placeholder, parse, onChange, onFocus, onBlur, hideLabel }: NumberFieldProps) {
  const id = useId();
  const written = useWritten();
  const [text, setText] = useState<string>();
  const read = text === undefined || text.trim() === '' ? undefined : parse(text);
  const wrong = text !== undefined && text.trim() !== '' && (read === undefined || read < min || read > max);
  const take = (typed: string) => {
    setText(typed);
    if (typed.trim() === '') return onChange(undefined);
    const next = parse(typed);
    if (next !== undefined && next >= min && next <= max) onChange(next);
  };
  return (
    <div>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'mb-1 block text-sm font-semibold'}>{label}</label>
      <div className={clsx('flex h-[40px] items-center pointer-coarse:h-[44px] rounded-ui border bg-field pr-3', wrong ? 'border-rowan' : 'border-edge hover:border-ink')}>
        <input
          id={id} inputMode="decimal" autoComplete="off" value={text ?? (value === undefined ? '' : written(String(value)))} placeholder={placeholder}
          onChange={(event) => take(event.target.value)} onFocus={onFocus}
          onBlur={() => {
            if (!wrong) setText(undefined);
            onBlur?.();
          }}
          aria-invalid={wrong || undefined} aria-describedby={wrong ? `${id}-problem` : undefined}
          className="h-full w-full min-w-0 rounded-ui bg-transparent px-3 text-right text-md font-semibold"
        />
        <span className="text-sm whitespace-nowrap text-ink-soft">{unit}</span>
      </div>
      {wrong && (
        <p id={`${id}-problem`} role="alert" className="mt-1 text-sm font-medium text-rowan">
          {label}: write a figure from {min} to {max} {unit}.
        </p>
      )}
    </div>
  );
}
