'use client';

import clsx from 'clsx';
import { ToggleGroup } from 'radix-ui';

interface SegmentedProps<T extends string> {
  label: string;
  /** null where none is chosen yet. */
  value: T | null;
  options: readonly { readonly value: T; readonly words: string }[];
  onChange(value: NoInfer<T>): void;
}

/** A choice of a few, all in sight. */
export function Segmented<T extends string>({ label, value, options, onChange }: SegmentedProps<T>) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value ?? ''}
      onValueChange={(next) => {
        // Pressed again, the one that is chosen answers with nothing, and stays.
        const chosen = options.find((option) => option.value === next);
        if (chosen) onChange(chosen.value);
      }}
      className="grid auto-cols-[minmax(min-content,1fr)] grid-flow-col overflow-hidden rounded-ui border border-edge bg-field"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          className={clsx(
            'min-h-[40px] border-r pointer-coarse:min-h-[44px] border-line px-0.5 text-base leading-tight font-medium last:border-r-0 eases',
            option.value === value ? 'bg-leaf text-on-leaf' : 'hover:bg-leaf-pale',
          )}
        >
          {option.words}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
