import type { ReactNode } from 'react';
import { Segmented } from '@/ui/segmented';

interface ChoiceProps<T extends string> {
  label: string;
  value: T | null;
  options: readonly { readonly value: T; readonly words: string }[];
  onChange(value: T): void;
  hint?: ReactNode;
}

/** A question with a few answers; none is chosen until it was asked. */
export function Choice<T extends string>({ label, value, options, onChange, hint }: ChoiceProps<T>) {
  return (
    <div>
      <p aria-hidden className="mb-1 text-sm font-semibold">
        {label}
      </p>
      <Segmented label={label} value={value} options={options} onChange={onChange} />
      {hint && <p className="mt-1 text-xs text-ink-soft">{hint}</p>}
    </div>
  );
}

/** Questions that belong together. */
export function Questions({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="grid content-start gap-4">
      <h3 className="border-b border-line pb-1 text-md font-bold">{title}</h3>
      {children}
    </section>
  );
}
