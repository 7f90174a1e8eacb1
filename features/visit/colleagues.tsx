'use client';

import { Popover } from 'radix-ui';
import { useMemo } from 'react';
import { useTogether } from '../together/use-together';
import { useVisit } from './store';
import { useStep } from './step-link';
import { stepName } from './step-names';

const initialsOf = (name: string) =>
  name
    .split(/\s+/)
    .map((word) => [...word][0] ?? '')
    .slice(0, 2)
    .join('')
    .toUpperCase();
const MOST_SHOWN = 3;

/** Who else has this visit open, and where they are in it. What they change comes in by itself. */
export function Colleagues() {
  const { bundle, plan, selected, heard } = useVisit();
  const step = useStep();
  const panel = step === 'pattern' ? selected.panel : '';
  const people = useTogether(
    bundle.id,
    useMemo(() => ({ step, panel }), [step, panel]),
    heard,
  );
  if (people.length === 0) return null;
  const where = (own: { readonly step: string; readonly panel: string }) =>
    [stepName(own.step), plan.panels.find(({ id }) => id === own.panel)?.name].filter(Boolean).join(', ');
  const words = people.map((person) => `${person.name} in ${where(person)}`).join('; ');
  return (
    <Popover.Root>
      <Popover.Trigger
        title={`Also here: ${words}`}
        className="flex h-11 shrink-0 items-center gap-2 rounded-ui px-1.5 hover:bg-leaf-pale"
      >
        <span className="sr-only">Also here: {words}</span>
        <span className="flex -space-x-1.5">
          {people.slice(0, MOST_SHOWN).map((person) => (
            <span
              key={person.station}
              className={`grid size-8 place-items-center rounded-full border-2 border-raised text-xs font-bold ${person.step === step && person.panel === panel ? 'bg-amber-pale text-amber-bark' : 'bg-leaf-pale text-leaf'}`}
            >
              {initialsOf(person.name)}
            </span>
          ))}
          {people.length > MOST_SHOWN && (
            <span className="grid size-8 place-items-center rounded-full border-2 border-raised bg-line text-xs font-bold">
              +{people.length - MOST_SHOWN}
            </span>
          )}
        </span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label="Also here"
          align="end"
          sideOffset={6}
          className="z-30 w-[17rem] rounded-ui border border-edge bg-raised p-3 text-base shadow-lg"
        >
          <p className="font-semibold">Also here</p>
          <ul className="mt-1 grid gap-1">
            {people.map((person) => (
              <li key={person.station} className="flex justify-between gap-3">
                <span className="truncate">{person.name}</span>
                <span className="shrink-0 text-ink-soft">{where(person)}</span>
              </li>
            ))}
          </ul>
          <p className="mt-2 text-sm text-ink-soft">
            What they change appears here by itself. Where you both change the same thing, both are kept and
            you choose.
          </p>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
