'use client';

import { cssColour, tonedHair, undercoatHair, type DepositTone } from '@/core/lift';
import type { ShadeProduct } from '@/core/products';
import type { ShadePart } from '@/core/visit';
import { Button } from '@/ui/button';
import { HairSwatch } from '@/ui/hair-swatch';
import { NumberField } from '@/ui/number-field';
import { Select } from '@/ui/select';
import { readAmount } from '../amounts';
import { useComputed } from '../../visit/computed';

/** Colour in which a shade is shown: neutral hair of its level, drawn to its tone. */
function shadeColour({ level, tone }: Pick<ShadeProduct, 'level' | 'tone'>): string {
  if (tone === 'clear') return '#f3f1ea';
  const warm: readonly DepositTone[] = ['gold', 'copper'];
  return cssColour(
    tone === 'copper'
      ? undercoatHair(Math.max(1, level - 1))
      : tonedHair(level, warm.includes(tone) ? 'warm' : tone === 'natural' ? 'neutral' : 'cool'),
  );
}

/** Shades of a line in parts by weight. */
export function ShadeParts({
  line,
  parts,
  onChange,
}: {
  line: string;
  parts: readonly ShadePart[];
  onChange(parts: readonly ShadePart[]): void;
}) {
  const visit = useComputed();
  const shades = visit.shelf.shadesOf(line);
  const free = shades.filter(({ id }) => !parts.some((part) => part.shade === id));
  const set = (i: number, part: Partial<ShadePart>) =>
    onChange(parts.map((shadePart, at) => (at === i ? { ...shadePart, ...part } : shadePart)));
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 text-sm font-semibold">Shades, parts by weight</legend>
      {parts.map((part, i) => {
        const shade = visit.shelf.shade(part.shade);
        return (
          <div key={part.shade} className="grid grid-cols-[28px_minmax(0,1fr)_92px_40px] items-center gap-2">
            <HairSwatch colour={shade ? shadeColour(shade) : '#888'} />
            <Select
              label={`Shade ${i + 1}`}
              hideLabel
              value={part.shade}
              options={[
                ...(shade
                  ? [{ value: shade.id, words: shade.name }]
                  : [{ value: part.shade, words: `${part.shade} (gone)` }]),
                ...free.map(({ id, name }) => ({ value: id, words: name })),
              ]}
              onChange={(next) => set(i, { shade: next })}
            />
            <NumberField
              label={`Parts of shade ${i + 1}`}
              hideLabel
              unit=""
              min={0.05}
              max={20}
              value={part.parts}
              parse={readAmount}
              onChange={(many) => many !== undefined && set(i, { parts: many })}
            />
            <Button
              small
              look="quiet"
              aria-label={`Leave out ${shade?.name ?? part.shade}`}
              disabled={parts.length === 1}
              onClick={() => onChange(parts.filter((_, at) => at !== i))}
            >
              ×
            </Button>
          </div>
        );
      })}
      {free.length > 0 && parts.length < 8 && (
        <Button
          small
          className="justify-self-start"
          onClick={() => onChange([...parts, { shade: free[0].id, parts: 1 }])}
        >
          Add a shade
        </Button>
      )}
    </fieldset>
  );
}
