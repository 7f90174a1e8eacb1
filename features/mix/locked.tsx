'use client';

import type { ReactNode } from 'react';
import { useVisit } from '../visit/store';

interface LockedPartProps {
  /** Id of the step that puts it on. */
  step?: string;
  /** Letter of a formula. */
  letter?: string;
  children: ReactNode;
}

/**
 * Fields of something that was used at the service that runs: they are shown and cannot be changed, and it is
 * said why.
 */
export function LockedPart({ step, letter, children }: LockedPartProps) {
  const { used } = useVisit().bundle;
  const locked =
    (step !== undefined && used.steps.includes(step)) ||
    (letter !== undefined && used.letters.includes(letter));
  if (!locked) return children;
  return (
    <fieldset disabled className="grid gap-2">
      <p role="note" className="rounded-ui bg-amber-pale px-3 py-2 text-base font-semibold text-amber-bark">
        {letter === undefined
          ? 'It was put on: it stays as it was. Add another one instead.'
          : `Formula ${letter} was used: it stays as it was. Another strength for what is not placed yet is chosen at the chair.`}
      </p>
      {children}
    </fieldset>
  );
}
