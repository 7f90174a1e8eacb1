'use client';

import type { Panel } from '@/core/pattern';
import { Segmented } from '@/ui/segmented';
import { Select } from '@/ui/select';
import { Slider } from '@/ui/slider';
import { useUnits } from '../../house/context';
import { useVisit } from '../../visit/store';
import { LengthSlider } from './length-slider';
import type { RecipeProps } from './props';

const LAYOUTS = [
  { value: 'aligned', words: 'Columns aligned' },
  { value: 'bricklaid', words: 'Columns like bricks' },
  { value: 'one', words: 'One foil a row, however wide' },
];
const MEDIA = [{ value: 'foil', words: 'In foil' }, { value: 'open-air', words: 'Open air' }] as const;
const HAIR = [{ value: 'own', words: 'Hair of its own' }, { value: 'left-out', words: 'What foils leave out' }] as const;

const layoutOf = ({ columns }: Panel) => (columns.onePerRow ? 'one' : columns.layout);
const words = (options: readonly { value: string; words: string }[], value: string) => options.find((option) => option.value === value)?.words.toLowerCase() ?? value;

/** Where the product begins, and how wide sections are foiled. */
export function FoilFields({ panel, change }: RecipeProps) {
  const { start } = panel;
  const { say } = useUnits();
  const setStart = (what: string, figure: (own: Panel['start']) => string, to: Partial<Panel['start']>) =>
    change(what, (own) => figure(own.start), (own) => ({ ...own, start: { ...own.start, ...to } }));
  return (
    <div className="mt-4 grid gap-2 border-t border-line pt-3">
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
      <Segmented label="In foil or open air" value={panel.medium} options={MEDIA} onChange={(medium) => change('medium', (own) => words(MEDIA, own.medium), (own) => ({ ...own, medium, hair: medium === 'foil' ? 'own' : own.hair }))} />
      {panel.medium === 'open-air' && (
        <Segmented label="Which hair is painted" value={panel.hair} options={HAIR} onChange={(hair) => change('painted hair', (own) => words(HAIR, own.hair), (own) => ({ ...own, hair }))} />
      )}
      <Select
        label="Columns" hideLabel value={layoutOf(panel)} options={LAYOUTS}
        onChange={(next) => change('columns', (own) => words(LAYOUTS, layoutOf(own)), (own) => ({ ...own, columns: { layout: next === 'bricklaid' ? 'bricklaid' : 'aligned', onePerRow: next === 'one' } }))}
      />
      <FoilStock />
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
