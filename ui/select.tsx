'use client';

import { useId } from 'react';

interface SelectProps<T extends string> {
  label: string;
  value: T;
  options: readonly { readonly value: T; readonly words: string }[];
  onChange(value: NoInfer<T>): void;
  hideLabel?: boolean;
}

/** A choice of many: the system's own list, which every keyboard, finger and screen reader knows. */
export function Select<T extends string>({ label, value, options, onChange, hideLabel }: SelectProps<T>) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'mb-1 block text-sm font-semibold'}>
        {label}
      </label>
      <select
        id={id}
        value={value}
        onChange={(event) => {
          const chosen = options.find((option) => option.value === event.target.value);
          if (chosen) onChange(chosen.value);
        }}
        className="h-[40px] w-full pointer-coarse:h-[44px] rounded-ui border border-edge bg-field px-2 text-base font-medium hover:border-ink"
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.words}
          </option>
        ))}
      </select>
    </div>
  );
}
