'use client';

import type { Panel } from '@/core/pattern';
import { Segmented } from '@/ui/segmented';
import { Select } from '@/ui/select';
import { Slider } from '@/ui/slider';
import { useUnits } from '../../house/context';
import { useVisit } from '../../visit/store';
import { LengthSlider } from './length-slider';
import type { RecipeProps } from './recipe';

const FORMULAS = ['A', 'B', 'C', 'D'].map((letter) => ({ value: letter, words: letter }));
const ROTATIONS = [
  { value: '', words: 'One formula' },
  { value: 'AB', words: 'A B in turn' },
  { value: 'AABB', words: 'A A B B' },
  { value: 'AAABB', words: 'Three A, two B' },
];
const LAYOUTS = [
  { value: 'aligned', words: 'Columns aligned' },
  { value: 'bricklaid', words: 'Columns like bricks' },
  { value: 'one', words: 'One foil a row, however wide' },
];
const MEDIA = [{ value: 'foil', words: 'In foil' }, { value: 'open-air', words: 'Open air' }] as const;
const DROPOUTS = [
  { value: 'left', words: 'Drop-outs left as they are' },
  { value: '3 tip-out', words: 'After three, tip one out' },
  { value: '3 tip-out lowlight', words: 'After three, tip and lowlight in turn' },
  { value: '1 tip-out', words: 'Tip out every one' },
];

const layoutOf = ({ columns }: Panel) => (columns.onePerRow ? 'one' : columns.layout);
const dropoutsOf = ({ dropouts }: Panel) => (dropouts ? [dropouts.every, ...dropouts.treatments].join(' ') : 'left');
const words = (options: readonly { value: string; words: string }[], value: string) => options.find((option) => option.value === value)?.words.toLowerCase() ?? value;

/** What goes on and where it begins, how wide sections are foiled, what happens between. */
export function FoilFields({ panel, change }: RecipeProps) {
  const { start, rotation } = panel;
  const { say } = useUnits();
  const setStart = (what: string, figure: (own: Panel['start']) => string, to: Partial<Panel['start']>) =>
    change(what, (own) => figure(own.start), (own) => ({ ...own, start: { ...own.start, ...to } }));
  const dropouts = dropoutsOf(panel);
  return (
    <div className="mt-4 grid gap-2 border-t border-line pt-3">
      <p className="text-base text-ink-soft">Formula</p>
      <Segmented label="Formula" value={panel.formula} options={FORMULAS} onChange={(letter) => change('formula', (own) => own.formula, (own) => ({ ...own, formula: letter }))} />
      <Select
        label="Formulas in turn" hideLabel value={rotation?.sequence ?? ''} options={rotation && !ROTATIONS.some(({ value }) => value === rotation.sequence) ? [...ROTATIONS, { value: rotation.sequence, words: rotation.sequence.split('').join(' ') }] : ROTATIONS}
        onChange={(sequence) => change('formulas', (own) => own.rotation?.sequence ?? own.formula, (own) => ({ ...own, rotation: sequence === '' ? null : { sequence, fromFoil: 1, toFoil: null } }))}
      />
      <LengthSlider
        label="Start from the scalp" min={0} max={120} step={1} mm={Math.min(120, start.distanceMm)} said={(mm) => (mm === 0 ? 'at the scalp' : undefined)}
        onChange={(mm) => setStart('start', (own) => say(own.distanceMm), { distanceMm: mm })}
      />
      <LengthSlider
        label="Feather" min={0} max={80} step={5} mm={Math.min(80, start.featherMm)} said={(mm) => (mm === 0 ? 'clean line' : undefined)}
        onChange={(mm) => setStart('feather', (own) => say(own.featherMm), { featherMm: mm })}
      />
      <Slider
        label="Teasing" min={0} max={4} step={1} value={start.teasing} said={start.teasing === 0 ? 'none' : start.teasing === 1 ? '1 push' : `${start.teasing} pushes`}
        hint={start.teasing > 2 ? 'Every push takes hair from the bold end.' : undefined} onChange={(pushes) => setStart('teasing', (own) => String(own.teasing), { teasing: pushes })}
      />
      <Segmented label="In foil or open air" value={panel.medium} options={MEDIA} onChange={(medium) => change('medium', (own) => words(MEDIA, own.medium), (own) => ({ ...own, medium }))} />
      <Select
        label="Columns" hideLabel value={layoutOf(panel)} options={LAYOUTS}
        onChange={(next) => change('columns', (own) => words(LAYOUTS, layoutOf(own)), (own) => ({ ...own, columns: { layout: next === 'bricklaid' ? 'bricklaid' : 'aligned', onePerRow: next === 'one' } }))}
      />
      <FoilStock />
      <Select
        label="Drop-outs" hideLabel value={dropouts} options={DROPOUTS.some(({ value }) => value === dropouts) ? DROPOUTS : [...DROPOUTS, { value: dropouts, words: `After ${dropouts.replace(/ /g, ', ')}` }]}
        onChange={(next) =>
          change('drop-outs', (own) => words(DROPOUTS, dropoutsOf(own)), (own) => {
            const [every, ...treatments] = next.split(' ');
            return { ...own, dropouts: next === 'left' ? null : { every: Number(every), treatments: treatments as ('tip-out' | 'lowlight')[] } };
          })
        }
      />
    </div>
  );
}

/** The foil of this plan: wider sections are divided into columns. */
function FoilStock() {
  const { plan, editPlan } = useVisit();
  const { say } = useUnits();
  const { usableWidthMm, toleranceMm } = plan.foil;
  return (
    <LengthSlider
      label="Foil size, all panels" min={30} max={300} step={5} mm={usableWidthMm} hint={`Usable width; a section up to ${say(usableWidthMm + toleranceMm)} still goes on one.`}
      onChange={(mm) =>
        editPlan(
          (before, after) => `foil size ${say(before.foil.usableWidthMm)} → ${say(after.foil.usableWidthMm)}`,
          (before) => ({ ...before, foil: { ...before.foil, usableWidthMm: mm } }),
          'foil size',
        )
      }
    />
  );
}
