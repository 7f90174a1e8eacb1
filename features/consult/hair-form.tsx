'use client';

import type { Consult } from '@/core/formats';
import { HAIRLINE_SHAPES, type HairlineShape, type HairlineSide } from '@/core/head';
import { NumberField } from '@/ui/number-field';
import { Segmented } from '@/ui/segmented';
import { useVisit } from '../visit/store';
import { readMm } from './wish-form';

const STRANDS = [
  { value: 'fine', words: 'Fine' },
  { value: 'medium', words: 'Medium' },
  { value: 'coarse', words: 'Coarse' },
] as const;

/** How a hairline with landmarks of its own is named beside the usual shapes. */
const OWN_SHAPE = 'as drawn';
const shapeName = (side: HairlineSide) => (typeof side === 'string' ? side : OWN_SHAPE);

/** The head and hair that the counts rest on. */
export function Hair() {
  const { consult, editConsult } = useVisit();
  const setHead = (label: string, part: Partial<Consult['head']>) =>
    editConsult(label, (before) => ({ ...before, head: { ...before.head, ...part } }), label);
  const setHair = (label: string, part: Partial<Consult['hair']>) =>
    editConsult(label, (before) => ({ ...before, hair: { ...before.hair, ...part } }), label);
  const { head, hair } = consult;
  return (
    <div className="mt-6 grid gap-3 border-t border-line pt-4">
      <h2 className="text-xl font-bold wide">Head and hair</h2>
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          label="Head circumference" unit="mm" min={440} max={680} value={head.circumferenceMm} parse={readMm}
          onChange={(mm) => mm !== undefined && setHead('head circumference', { circumferenceMm: mm })}
        />
        <NumberField
          label="Hair length" unit="mm" min={20} max={1200} value={hair.lengthMm} parse={readMm}
          onChange={(mm) => mm !== undefined && setHair('hair length', { lengthMm: mm })}
        />
      </div>
      <div>
        <p className="mb-1 text-sm font-semibold">Strand</p>
        <Segmented label="Strand" value={hair.strand} options={STRANDS} onChange={(strand) => setHair('strand', { strand })} />
      </div>
      <NumberField
        label="Density (average 170)" unit="hairs/cm²" min={60} max={320} value={hair.densityPerCm2} parse={readMm}
        onChange={(density) => density !== undefined && setHair('density', { densityPerCm2: density })}
      />
      <div className="grid grid-cols-2 gap-3">
        {(['left', 'right'] as const).map((side) => (
          <label key={side} className="block">
            <span className="mb-1 block text-sm font-semibold">Hairline, {side}</span>
            <select
              value={shapeName(head.hairline[side])}
              onChange={(event) =>
                setHead(`hairline, ${side}`, { hairline: { ...head.hairline, [side]: event.target.value as HairlineShape } })
              }
              className="h-10 w-full rounded-ui border border-edge bg-field px-2 text-md capitalize hover:border-ink"
            >
              {HAIRLINE_SHAPES.map((shape) => <option key={shape} value={shape}>{shape}</option>)}
              {shapeName(head.hairline[side]) === OWN_SHAPE && <option value={OWN_SHAPE} disabled>{OWN_SHAPE}</option>}
            </select>
          </label>
        ))}
      </div>
    </div>
  );
}
