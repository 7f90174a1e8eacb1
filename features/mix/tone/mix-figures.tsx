'use client';

import { NumberField } from '@/ui/number-field';
import { readAmount } from '../amounts';

/** How much of a colour is mixed, how strong, and how long it stays on. */
interface Figures {
  readonly grams: number;
  readonly ratio: number;
  readonly volumes: number;
  readonly minutes: number;
}

interface MixFiguresProps {
  own: Figures;
  set(label: string, part: Partial<Figures>): void;
}

const FIELDS = [
  { key: 'grams', label: 'In all', unit: 'g', min: 5, max: 500, said: 'amount' },
  { key: 'ratio', label: 'Ratio 1 :', unit: '', min: 0.5, max: 5, said: 'ratio' },
  { key: 'volumes', label: 'Strength', unit: 'vol', min: 1, max: 40, said: 'strength' },
  { key: 'minutes', label: 'Time', unit: 'min', min: 1, max: 60, said: 'time' },
] as const;

/** Amount, ratio, strength and time of a toner or a root colour. */
export function MixFigures({ own, set }: MixFiguresProps) {
  // What is used as it comes has no developer.
  const fields = FIELDS.filter(({ key }) => own.ratio > 0 || (key !== 'ratio' && key !== 'volumes'));
  return (
    <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
      {fields.map(({ key, said, ...field }) => (
        <NumberField
          key={key}
          {...field}
          value={own[key]}
          parse={readAmount}
          onChange={(value) => value !== undefined && set(said, { [key]: value })}
        />
      ))}
    </div>
  );
}
