'use client';

import { GATHER_PRESETS, gatherName, type SingleGather } from '@/core/pattern';
import { Segmented } from '@/ui/segmented';
import { Select } from '@/ui/select';
import { useUnits } from '../../house/context';
import { LengthSlider } from './length-slider';
import type { RecipeProps } from './props';

type Kind = SingleGather['kind'] | 'alternate';

const KINDS: readonly { value: Kind; words: string }[] = [
  { value: 'slice', words: 'Slice' }, { value: 'weave', words: 'Weave' }, { value: 'zigzag', words: 'Zigzag' },
];
const STARTS: Record<SingleGather['kind'], SingleGather> = {
  slice: { kind: 'slice' },
  weave: GATHER_PRESETS.fine.gather,
  zigzag: GATHER_PRESETS.zigzag.gather,
};
const PRESETS = Object.entries(GATHER_PRESETS).map(([value, { name }]) => ({ value, words: name }));

/** How hair is picked, and how thick the section is. */
export function GatherFields({ panel, change }: RecipeProps) {
  const { gather } = panel;
  const { say } = useUnits();
  const setGather = (what: string, figure: (own: SingleGather) => string, next: (own: SingleGather) => SingleGather) =>
    change(what, (own) => (own.gather.kind === 'alternate' ? 'in turn' : figure(own.gather)), (own) => ({ ...own, gather: own.gather.kind === 'alternate' ? own.gather : next(own.gather) }));
  const name = gatherName(gather, panel.thicknessMm);
  const preset = PRESETS.find(({ words }) => words === name)?.value ?? 'own';
  return (
    <>
      <Segmented
        label="Gather" value={gather.kind} options={gather.kind === 'alternate' ? [...KINDS, { value: 'alternate', words: 'In turn' }] : KINDS}
        onChange={(kind) => kind !== 'alternate' && change('gather', (own) => own.gather.kind, (own) => ({ ...own, gather: STARTS[kind] }))}
      />
      <div className="mt-2">
        <Select
          label="Usual gathers" hideLabel value={preset} options={preset === 'own' ? [...PRESETS, { value: 'own', words: name }] : PRESETS}
          onChange={(key) => {
            const chosen = GATHER_PRESETS[key as keyof typeof GATHER_PRESETS];
            if (chosen) change('gather', (own) => gatherName(own.gather, own.thicknessMm), (own) => ({ ...own, gather: chosen.gather, thicknessMm: chosen.thicknessMm }));
          }}
        />
      </div>
      <div className="mt-3">
        <LengthSlider
          label="Thickness" min={0.5} max={20} step={0.5} mm={panel.thicknessMm}
          onChange={(mm) => change('thickness', (own) => say(own.thicknessMm), (own) => ({ ...own, thicknessMm: mm }))}
        />
      </div>
      {gather.kind === 'weave' && (
        <>
          <LengthSlider
            label="Stitch" min={0.5} max={12} step={0.5} mm={gather.stitchMm}
            onChange={(mm) => setGather('stitch', (own) => (own.kind === 'weave' ? say(own.stitchMm) : own.kind), (own) => (own.kind === 'weave' ? { ...own, stitchMm: mm } : own))}
          />
          <LengthSlider
            label="Gap" min={0.5} max={12} step={0.5} mm={gather.gapMm}
            onChange={(mm) => setGather('gap', (own) => (own.kind === 'weave' ? say(own.gapMm) : own.kind), (own) => (own.kind === 'weave' ? { ...own, gapMm: mm } : own))}
          />
        </>
      )}
      {gather.kind === 'zigzag' && (
        <LengthSlider
          label="Point" min={2} max={30} step={1} mm={gather.pointMm}
          onChange={(mm) => setGather('point', (own) => (own.kind === 'zigzag' ? say(own.pointMm) : own.kind), (own) => (own.kind === 'zigzag' ? { ...own, pointMm: mm } : own))}
        />
      )}
      {(gather.kind === 'weave' || gather.kind === 'zigzag') && (
        <Segmented
          label="Depth of the weave" value={gather.depth > 0.6 ? 'through' : 'surface'}
          options={[{ value: 'surface', words: 'Surface half' }, { value: 'through', words: 'Through' }]}
          onChange={(depth) =>
            setGather('depth', (own) => (own.kind === 'slice' ? 'through' : own.depth > 0.6 ? 'through' : 'surface'), (own) =>
              own.kind === 'slice' ? own : { ...own, depth: depth === 'through' ? 1 : 0.5 })
          }
        />
      )}
    </>
  );
}
