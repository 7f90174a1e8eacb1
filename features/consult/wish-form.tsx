'use client';

import type { Consult } from '@/core/formats';
import { brightnessStep } from '@/core/pattern';
import { parseLength } from '@/core/units';
import { NumberField } from '@/ui/number-field';
import { Segmented } from '@/ui/segmented';
import { Slider } from '@/ui/slider';
import { TextArea } from '@/ui/field';
import { useVisit } from '../visit/store';
import { useHouse } from '../house/context';
import { minorPerUnit } from '../house/money';
import { LevelSlider } from './level-slider';

type PartSide = 'left' | 'middle' | 'right';
const PART_SIDES = [
  { value: 'left', words: 'Left' },
  { value: 'middle', words: 'Middle' },
  { value: 'right', words: 'Right' },
] as const;

export const readMm = (text: string): number | undefined => {
  const read = parseLength(text);
  return read.ok ? Math.round(read.mm * 2) / 2 : undefined;
};

const readWhole = (text: string): number | undefined => (/^\d{1,6}$/.test(text.trim()) ? Number(text.trim()) : undefined);

/** What the client wishes for and where the part lies. */
export function Wish() {
  const { consult, editConsult } = useVisit();
  const { prices } = useHouse();
  const per = minorPerUnit(prices.currency);
  const set = (label: string, part: Partial<Consult>) => editConsult(label, (before) => ({ ...before, ...part }), label);
  const wish = brightnessStep(consult.brightness);
  const offset = consult.head.part.offsetMm;
  const side: PartSide = offset === 0 ? 'middle' : offset > 0 ? 'left' : 'right';
  const setPart = (offsetMm: number) =>
    editConsult('part', (before) => ({ ...before, head: { ...before.head, part: { ...before.head.part, offsetMm } } }), 'part');
  return (
    <div className="grid gap-3">
      <h2 className="text-xl font-bold wide">Wish</h2>
      <LevelSlider label="Goal level" value={consult.goalLevel} onChange={(goalLevel) => set('goal level', { goalLevel })} />
      <LevelSlider label="Natural level" value={consult.naturalLevel} onChange={(naturalLevel) => set('natural level', { naturalLevel })} />
      <Slider
        label="Brightness" min={1} max={5} step={1} value={consult.brightness} said={wish.words}
        hint={`Asks for ${Math.round(wish.share[0] * 100)}–${Math.round(wish.share[1] * 100)} % of the hair lightened.`}
        onChange={(brightness) => set('brightness', { brightness })}
      />
      <Slider
        label="Tied up" min={0} max={100} step={10} value={Math.round((consult.wornUpShare ?? 0) * 100)}
        said={consult.wornUpShare === null ? 'not asked' : `${Math.round(consult.wornUpShare * 100)} % of the time`}
        hint="From half on the pattern must work from the hairline; people say less than it is."
        onChange={(percent) => set('tied up', { wornUpShare: percent / 100 })}
      />
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          label="Time for the foils" unit="min" min={10} max={600} value={consult.minutesAtMost ?? undefined} placeholder="no limit" parse={readWhole}
          onChange={(minutes) => set('time for the foils', { minutesAtMost: minutes ?? null })}
        />
        <NumberField
          label="Budget" unit={prices.currency} min={0} max={100_000} value={consult.budgetMinor === null ? undefined : consult.budgetMinor / per} placeholder="no limit" parse={readWhole}
          onChange={(amount) => set('budget', { budgetMinor: amount === undefined ? null : amount * per })}
        />
      </div>
      <div>
        <p className="mb-1 text-sm font-semibold">Part</p>
        <div className="grid grid-cols-[1fr_104px] gap-3">
          <Segmented
            label="Side of the part" value={side} options={PART_SIDES}
            onChange={(next) => setPart(next === 'middle' ? 0 : (next === 'left' ? 1 : -1) * (Math.abs(offset) || 22))}
          />
          <NumberField
            label="Part, distance from the middle" hideLabel unit="mm" min={0} max={60} value={Math.abs(offset)} parse={readMm}
            onChange={(mm) => mm !== undefined && setPart((side === 'right' ? -1 : 1) * mm)}
          />
        </div>
        <p className="mt-1 text-xs text-ink-soft">The client’s left and right; the sides are sectioned down from it.</p>
      </div>
      <TextArea
        label="Notes" rows={3} maxLength={4000} value={consult.notes}
        onChange={(event) => set('notes', { notes: event.target.value })}
        hint="What else was said."
      />
      <p className="rounded-ui bg-amber-pale p-3 text-sm">
        <b className="text-amber-bark">Before any product:</b> alert test as the leaflet says, a sound scalp, and a strand test where metal-salt
        or plant dyes are possible. Local rules and your own judgement come first.
      </p>
    </div>
  );
}
