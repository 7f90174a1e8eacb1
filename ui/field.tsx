import clsx from 'clsx';
import { useId, type ComponentProps, type ReactNode } from 'react';

const BOX = 'w-full rounded-ui border bg-field text-ink text-md px-3 eases placeholder:text-ink-soft';
const edge = (problem?: string) => (problem ? 'border-rowan' : 'border-edge hover:border-ink');

interface Labelled {
  label: string;
  hint?: ReactNode;
  problem?: string;
}

function Frame({ id, label, hint, problem, children }: Labelled & { id: string; children: ReactNode }) {
  return (
    <div>
      <label htmlFor={id} className="mb-1 block text-sm font-semibold">
        {label}
      </label>
      {children}
      {hint && !problem && (
        <p id={`${id}-hint`} className="mt-1 text-xs text-ink-soft">
          {hint}
        </p>
      )}
      {problem && (
        <p id={`${id}-problem`} role="alert" className="mt-1 text-sm font-medium text-rowan">
          {problem}
        </p>
      )}
    </div>
  );
}

function described(id: string, { hint, problem }: Partial<Labelled>) {
  return {
    'aria-invalid': problem ? true : undefined,
    'aria-describedby': problem ? `${id}-problem` : hint ? `${id}-hint` : undefined,
  };
}

/** One line of text with its label; a problem is a sentence under it. */
export function TextField({ label, hint, problem, className, ...input }: Labelled & ComponentProps<'input'>) {
  const own = useId();
  const id = input.id ?? own;
  return (
    <Frame id={id} label={label} hint={hint} problem={problem}>
      <input
        {...input}
        id={id}
        className={clsx(BOX, edge(problem), 'h-[40px] pointer-coarse:h-[44px]', className)}
        {...described(id, { hint, problem })}
      />
    </Frame>
  );
}

/** Several lines of text with a label. */
export function TextArea({
  label,
  hint,
  problem,
  className,
  ...input
}: Labelled & ComponentProps<'textarea'>) {
  const own = useId();
  const id = input.id ?? own;
  return (
    <Frame id={id} label={label} hint={hint} problem={problem}>
      <textarea
        {...input}
        id={id}
        className={clsx(BOX, edge(problem), 'py-2', className)}
        {...described(id, { hint, problem })}
      />
    </Frame>
  );
}
