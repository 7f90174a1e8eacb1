'use client';

import { useState } from 'react';
import { parseLengths } from '@/core/units';
import { TextField } from '@/ui/field';
import { useHouse, useUnits } from '../../house/context';

interface LengthsFieldProps {
  label: string;
  mm: readonly number[];
  max: number;
  hint?: string;
  onChange(mm: number[]): void;
}

const MOST = 200;

/** Several lengths in a row, typed: 2, 2, 5. What cannot be read stays, with a sentence. */
export function LengthsField({ label, mm, max, hint, onChange }: LengthsFieldProps) {
  const { unit, say, bare } = useUnits();
  const { decimalComma } = useHouse();
  const [text, setText] = useState<string>();
  const shown = mm.map(bare).join(decimalComma ? '; ' : ', ');
  const read = (typed: string) => {
    const list = parseLengths(typed, unit, decimalComma);
    return list && list.length <= MOST && list.every((value) => value >= 0 && value <= max)
      ? list
      : undefined;
  };
  const wrong = text !== undefined && read(text) === undefined;
  return (
    <TextField
      label={label}
      value={text ?? shown}
      maxLength={400}
      hint={hint}
      problem={wrong ? `Write lengths from 0 to ${say(max)}, such as 2, 2, 5.` : undefined}
      onChange={(event) => {
        setText(event.target.value);
        const list = read(event.target.value);
        if (list) onChange(list);
      }}
      onBlur={() => !wrong && setText(undefined)}
    />
  );
}
