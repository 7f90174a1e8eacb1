'use client';

import clsx from 'clsx';
import { useId, useState } from 'react';
import { useWritten } from './decimal';
import { useShownUnit } from './measures';

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
  /** Said beside the unit: `of 40 g`. */
  hint?: string;
}

/**
 * A figure with its unit, said and read as the house has it. What cannot be read stays in the field, with a
 * sentence that names it; the value stays as it was.
 */
export function NumberField({
  label,
  unit: kept,
  value,
  min,
  max,
  placeholder,
  parse: plain,
  onChange,
  onFocus,
  onBlur,
  hideLabel,
  hint,
}: NumberFieldProps) {
  const id = useId();
  const { unit, show, read: readShown } = useShownUnit(kept);
  const parse = readShown ?? plain;
  const written = useWritten();
  const [text, setText] = useState<string>();
  const read = text === undefined || text.trim() === '' ? undefined : parse(text);
  // Half a step of what is shown is no reason to refuse an end of the range.
  const spare = readShown ? 0.5 : 0;
  const inside = (figure: number) => figure >= min - spare && figure <= max + spare;
  const within = (figure: number) => Math.min(max, Math.max(min, figure));
  const wrong = text !== undefined && text.trim() !== '' && (read === undefined || !inside(read));
  const take = (typed: string) => {
    setText(typed);
    if (typed.trim() === '') return onChange(undefined);
    const next = parse(typed);
    if (next !== undefined && inside(next)) onChange(within(next));
  };
  return (
    <div>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'mb-1 block text-sm font-semibold'}>
        {label}
      </label>
      <div
        className={clsx(
          'flex h-[40px] items-center pointer-coarse:h-[44px] rounded-ui border bg-field pr-3',
          wrong ? 'border-rowan' : 'border-edge hover:border-ink',
        )}
      >
        <input
          id={id}
          inputMode="decimal"
          autoComplete="off"
          value={text ?? (value === undefined ? '' : written(show(value)))}
          placeholder={placeholder}
          onChange={(event) => take(event.target.value)}
          onFocus={onFocus}
          onBlur={() => {
            if (!wrong) setText(undefined);
            onBlur?.();
          }}
          aria-invalid={wrong || undefined}
          aria-describedby={wrong ? `${id}-problem` : undefined}
          className="h-full w-full min-w-0 rounded-ui bg-transparent px-3 text-right text-md font-semibold"
        />
        <span className="text-sm whitespace-nowrap text-ink-soft">
          {unit}
          {hint && ` ${hint}`}
        </span>
      </div>
      {wrong && (
        <p id={`${id}-problem`} role="alert" className="mt-1 text-sm font-medium text-rowan">
          {label}: write a figure from {written(show(min))} to {written(show(max))} {unit}.
        </p>
      )}
    </div>
  );
}
