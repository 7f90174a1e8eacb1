'use client';

import { useState } from 'react';
import type { Panel, Rotation } from '@/core/pattern';
import { NumberField } from '@/ui/number-field';
import { Segmented } from '@/ui/segmented';
import { Select } from '@/ui/select';
import { Switch } from '@/ui/switch';
import { TextField } from '@/ui/field';
import type { RecipeProps } from './props';

const LETTERS = ['A', 'B', 'C', 'D', 'E', 'F'].map((letter) => ({ value: letter, words: letter }));
const OWN = 'own';
const TURNS = [
  { value: '', words: 'One formula' },
  { value: 'AB', words: 'A B in turn' },
  { value: 'AABB', words: 'A A B B' },
  { value: 'AAABB', words: 'Three A, two B' },
  { value: 'ABC', words: 'A B C in turn' },
];
const BY = [
  { value: 'row', words: 'Row by row' },
  { value: 'foil', words: 'Foil by foil' },
] as const;
const SEQUENCE = /^[A-F]{2,24}$/;
const MOST_ROWS = 600;

const whole = (text: string): number | undefined =>
  /^\d{1,3}$/.test(text.trim()) ? Number(text.trim()) : undefined;
const letters = (sequence: string) => [...sequence].join(' ');
const START: Omit<Rotation, 'sequence'> = { by: 'row', anew: true, from: 1, to: null };

/** Which formula goes into which foil: one, or several in turn, by row or by foil, from a first to a last. */
export function RotationFields({ panel, change }: RecipeProps) {
  const { rotation } = panel;
  const [own, setOwn] = useState(false);
  const known = TURNS.some(({ value }) => value === (rotation?.sequence ?? ''));
  const set = (what: string, figure: (before: Rotation) => string, to: Partial<Rotation>) =>
    change(
      what,
      (before) => (before.rotation ? figure(before.rotation) : ''),
      (before) => ({ ...before, rotation: { ...START, sequence: 'AB', ...before.rotation, ...to } }),
    );
  const choose = (value: string) => {
    setOwn(value === OWN);
    if (value !== OWN)
      change('formulas', said, (before) => ({
        ...before,
        rotation: value === '' ? null : { ...START, ...before.rotation, sequence: value },
      }));
  };
  return (
    <div className="mt-4 grid gap-2 border-t border-line pt-3">
      <p className="text-base text-ink-soft">Formula</p>
      <Segmented
        label="Formula"
        value={panel.formula}
        options={LETTERS}
        onChange={(letter) =>
          change(
            'formula',
            (before) => before.formula,
            (before) => ({ ...before, formula: letter }),
          )
        }
      />
      <Select
        label="Formulas in turn"
        hideLabel
        value={own || !known ? OWN : (rotation?.sequence ?? '')}
        options={[
          ...TURNS,
          { value: OWN, words: rotation && !known ? letters(rotation.sequence) : 'In a turn of its own' },
        ]}
        onChange={choose}
      />
      {(own || (rotation && !known)) && (
        <Sequence
          key={rotation?.sequence}
          sequence={rotation?.sequence ?? ''}
          onTake={(sequence) => set('formulas', (before) => letters(before.sequence), { sequence })}
        />
      )}
      {rotation && (
        <>
          <Segmented
            label="Turns go"
            value={rotation.by}
            options={BY}
            onChange={(by) => set('turns', (before) => before.by, { by })}
          />
          {panel.side === 'both' && (
            <div className="flex min-h-9 items-center justify-between gap-3">
              <span className="text-base">Both sides begin with {rotation.sequence[0]}</span>
              <Switch
                label={`Both sides begin with ${rotation.sequence[0]}`}
                on={rotation.anew}
                onChange={(anew) =>
                  set('sides', (before) => (before.anew ? 'start alike' : 'run on'), { anew })
                }
              />
            </div>
          )}
          <div className="grid grid-cols-2 gap-2">
            <NumberField
              label={`First ${rotation.by}`}
              unit=""
              min={1}
              max={rotation.to ?? MOST_ROWS}
              value={rotation.from}
              parse={whole}
              onChange={(from) =>
                from !== undefined && set('first in turn', (before) => String(before.from), { from })
              }
            />
            <NumberField
              label={`Last ${rotation.by}`}
              unit=""
              min={rotation.from}
              max={MOST_ROWS}
              value={rotation.to ?? undefined}
              placeholder="all"
              parse={whole}
              onChange={(to) =>
                set('last in turn', (before) => String(before.to ?? 'all'), { to: to ?? null })
              }
            />
          </div>
        </>
      )}
    </div>
  );
}

const said = ({ rotation, formula }: Panel) => (rotation ? letters(rotation.sequence) : formula);

/** A turn of one's own, such as A A B A C. */
function Sequence({ sequence, onTake }: { sequence: string; onTake(sequence: string): void }) {
  const [text, setText] = useState(letters(sequence));
  const read = text.toUpperCase().replace(/[\s,]+/g, '');
  const fits = SEQUENCE.test(read);
  return (
    <TextField
      label="Letters in turn"
      value={text}
      maxLength={60}
      problem={text.trim() !== '' && !fits ? 'Write 2 to 24 letters from A to F, such as A A B.' : undefined}
      onChange={(event) => {
        setText(event.target.value);
        const next = event.target.value.toUpperCase().replace(/[\s,]+/g, '');
        if (SEQUENCE.test(next) && next !== sequence) onTake(next);
      }}
    />
  );
}
