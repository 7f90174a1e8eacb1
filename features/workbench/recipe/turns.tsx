'use client';

import { GATHER_PRESETS, gatherName, type Gather, type SingleGather, type Turn } from '@/core/pattern';
import { Button } from '@/ui/button';
import { NumberField } from '@/ui/number-field';
import { Segmented } from '@/ui/segmented';
import { Select } from '@/ui/select';
import { useUnits } from '../../house/context';
import type { RecipeProps } from './props';

type Turns = Extract<Gather, { kind: 'alternate' }>;

const { slice, fine, medium, baby } = GATHER_PRESETS;
const PRESETS = Object.entries(GATHER_PRESETS).map(([value, { name }]) => ({ value, words: name }));
const turns = (...of: SingleGather[]): Turn[] =>
  of.map((gather) => ({ gather, thicknessMm: null, dropoutMm: null }));

/** Sequences that are often worked. */
const SEQUENCES: readonly { readonly value: string; readonly words: string; readonly gather: Turns }[] = [
  {
    value: 'slice-slice-weave',
    words: 'Slice, slice, weave',
    gather: { kind: 'alternate', of: turns(slice.gather, slice.gather, fine.gather), then: 'again' },
  },
  {
    value: 'weave-slice',
    words: 'Weave, slice',
    gather: { kind: 'alternate', of: turns(fine.gather, slice.gather), then: 'again' },
  },
  {
    value: 'slices-weaves-slices',
    words: 'Three slices, two weaves, then slices',
    gather: {
      kind: 'alternate',
      of: turns(slice.gather, slice.gather, slice.gather, fine.gather, fine.gather, slice.gather),
      then: 'last',
    },
  },
  {
    value: 'finer-out',
    words: 'Fine first, then medium',
    gather: { kind: 'alternate', of: turns(fine.gather, fine.gather, medium.gather), then: 'last' },
  },
  {
    value: 'finer-in',
    words: 'Medium first, baby lights at the end',
    gather: {
      kind: 'alternate',
      of: turns(medium.gather, medium.gather, fine.gather, fine.gather, baby.gather),
      then: 'last',
    },
  },
];
const OWN = 'own';
const THEN = [
  { value: 'again', words: 'Starts again' },
  { value: 'last', words: 'Last goes on' },
] as const;
const MOST_TURNS = 24;

/** The sequence that a panel begins with when its gathers are to come in turn. */
export const FIRST_SEQUENCE = SEQUENCES[0].gather;

const same = (a: Turns, b: Turns) => JSON.stringify([a.of, a.then]) === JSON.stringify([b.of, b.then]);

/**
 * Gathers one after the other, row by row, each with a thickness and a drop-out of its own where it has one.
 */
export function TurnFields({ panel, gather, change }: RecipeProps & { gather: Turns }) {
  const { bare, read } = useUnits();
  const set = (what: string, next: Turns) =>
    change(
      what,
      (current) => gatherName(current.gather, current.thicknessMm),
      (current) => ({ ...current, gather: next }),
    );
  const turn = (at: number, what: string, to: Partial<Turn>) =>
    set(what, { ...gather, of: gather.of.map((current, i) => (i === at ? { ...current, ...to } : current)) });
  const known = SEQUENCES.find((sequence) => same(sequence.gather, gather))?.value ?? OWN;
  return (
    <div className="mt-2 grid gap-2">
      <Select
        label="Sequence"
        hideLabel
        value={known}
        options={known === OWN ? [...SEQUENCES, { value: OWN, words: 'A sequence of its own' }] : SEQUENCES}
        onChange={(value) =>
          set('sequence', SEQUENCES.find((sequence) => sequence.value === value)?.gather ?? gather)
        }
      />
      <ol className="grid gap-1.5" aria-label="Gathers in turn">
        {gather.of.map((own, i) => {
          const name = gatherName(own.gather, own.thicknessMm ?? panel.thicknessMm);
          const preset = PRESETS.find(({ words }) => words === name)?.value ?? OWN;
          return (
            <li
              key={i}
              className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_36px] items-center gap-1 rounded-ui border border-line p-1.5"
            >
              <div className="col-span-2">
                <Select
                  label={`Gather ${i + 1}`}
                  hideLabel
                  value={preset}
                  options={preset === OWN ? [...PRESETS, { value: OWN, words: name }] : PRESETS}
                  onChange={(key) => {
                    const chosen = GATHER_PRESETS[key as keyof typeof GATHER_PRESETS];
                    if (chosen) turn(i, `gather ${i + 1}`, { gather: chosen.gather });
                  }}
                />
              </div>
              <button
                type="button"
                aria-label={`Remove gather ${i + 1}`}
                disabled={gather.of.length === 1}
                className="grid h-[40px] place-items-center rounded-ui text-lg text-ink-soft hover:bg-ground hover:text-ink disabled:opacity-40 pointer-coarse:h-[44px]"
                onClick={() => set('sequence', { ...gather, of: gather.of.filter((_, j) => j !== i) })}
              >
                ×
              </button>
              <NumberField
                label={`Thickness of gather ${i + 1}`}
                hideLabel
                unit="mm thick"
                min={0.5}
                max={40}
                value={own.thicknessMm ?? undefined}
                placeholder={bare(panel.thicknessMm)}
                parse={read}
                onChange={(mm) => turn(i, `thickness of gather ${i + 1}`, { thicknessMm: mm ?? null })}
              />
              <NumberField
                label={`Drop-out behind gather ${i + 1}`}
                hideLabel
                unit="mm out"
                min={0}
                max={80}
                value={own.dropoutMm ?? undefined}
                placeholder="–"
                parse={read}
                onChange={(mm) => turn(i, `drop-out behind gather ${i + 1}`, { dropoutMm: mm ?? null })}
              />
            </li>
          );
        })}
      </ol>
      {gather.of.length < MOST_TURNS && (
        <Button
          small
          onClick={() => set('sequence', { ...gather, of: [...gather.of, gather.of[gather.of.length - 1]] })}
        >
          Add a gather
        </Button>
      )}
      <Segmented
        label="After the last gather"
        value={gather.then}
        options={THEN}
        onChange={(then) => set('after the last gather', { ...gather, then })}
      />
      <p className="text-xs text-ink-soft">Thickness and drop-out left empty are those of the panel.</p>
    </div>
  );
}
