'use client';

import type { Panel } from '@/core/pattern';
import { NumberField } from '@/ui/number-field';
import { Segmented } from '@/ui/segmented';
import { Select } from '@/ui/select';
import { Slider } from '@/ui/slider';
import { Switch } from '@/ui/switch';
import { useUnits } from '../../house/context';
import { useVisit } from '../../visit/store';
import { LengthSlider } from '../../house/length-slider';
import type { RecipeProps } from './props';

const LAYOUTS = [
  { value: 'aligned', words: 'Columns aligned' },
  { value: 'bricklaid', words: 'Columns like bricks' },
  { value: 'one', words: 'One foil a row, however wide' },
];
const MEDIA = [
  { value: 'foil', words: 'In foil' },
  { value: 'open-air', words: 'Open air' },
] as const;
const COVERS = [
  { value: 'folded', words: 'Sheet folded over' },
  { value: 'under-and-over', words: 'Under and over' },
] as const;
const HAIR = [
  { value: 'own', words: 'Hair of its own' },
  { value: 'left-out', words: 'What foils leave out' },
] as const;

const layoutOf = ({ columns }: Panel) => (columns.onePerRow ? 'one' : columns.layout);
const words = (options: readonly { value: string; words: string }[], value: string) =>
  options.find((option) => option.value === value)?.words.toLowerCase() ?? value;

/** Where the product begins, and how wide sections are foiled. */
export function FoilFields({ panel, change }: RecipeProps) {
  const { start } = panel;
  const { say, read } = useUnits();
  const { plan } = useVisit();
  // As far out as the hair is long, and as far as the slider stands already.
  const longest = Math.max(
    start.distanceMm,
    start.lastMm ?? 0,
    Math.min(
      600,
      Math.round(
        Math.max(plan.hair.lengthMm, ...Object.values(plan.hair.byZone).map((own) => own.lengthMm ?? 0)),
      ),
    ),
  );
  const eased = typeof start.lastMm === 'number';
  const lastWords = (current: Panel['start']) =>
    typeof current.lastMm === 'number' ? say(current.lastMm) : 'as the first';
  const setStart = (what: string, figure: (current: Panel['start']) => string, to: Partial<Panel['start']>) =>
    change(
      what,
      (current) => figure(current.start),
      (current) => ({ ...current, start: { ...current.start, ...to } }),
    );
  return (
    <div className="mt-4 grid gap-2 border-t border-line pt-3">
      <LengthSlider
        label={eased ? 'Start on the first row' : 'Start from the scalp'}
        min={0}
        max={longest}
        step={1}
        mm={Math.min(longest, start.distanceMm)}
        said={(mm) => (mm === 0 ? 'at the scalp' : undefined)}
        onChange={(mm) => setStart('start', (current) => say(current.distanceMm), { distanceMm: mm })}
      />
      <div className="flex min-h-9 items-center justify-between gap-3">
        <span className="text-base">Eased to the last row</span>
        <Switch
          label="Start eased to the last row"
          on={eased}
          onChange={(on) =>
            setStart('start of the last row', lastWords, {
              lastMm: on ? Math.min(longest, start.distanceMm + 30) : null,
            })
          }
        />
      </div>
      {eased && (
        <LengthSlider
          label="Start on the last row"
          min={0}
          max={longest}
          step={1}
          mm={start.lastMm!}
          onChange={(mm) => setStart('start of the last row', lastWords, { lastMm: mm })}
        />
      )}
      <LengthSlider
        label="Further out at a section’s edges"
        min={0}
        max={100}
        step={5}
        mm={start.edgesMm ?? 0}
        said={(mm) => (mm === 0 ? 'no' : undefined)}
        onChange={(mm) =>
          setStart('start at the edges', (current) => say(current.edgesMm ?? 0), { edgesMm: mm })
        }
      />
      <NumberField
        label="Painted from the start to"
        unit="mm"
        min={1}
        max={1200}
        value={start.toMm ?? undefined}
        placeholder="ends"
        parse={read}
        onChange={(mm) =>
          (mm === undefined || mm > start.distanceMm) &&
          setStart('painted to', (current) => (current.toMm ? say(current.toMm) : 'the ends'), {
            toMm: mm ?? null,
          })
        }
      />
      <LengthSlider
        label="Feather"
        min={0}
        max={80}
        step={5}
        mm={Math.min(80, start.featherMm)}
        said={(mm) => (mm === 0 ? 'clean line' : undefined)}
        onChange={(mm) => setStart('feather', (current) => say(current.featherMm), { featherMm: mm })}
      />
      <Slider
        label="Teasing"
        min={0}
        max={4}
        step={1}
        value={start.teasing}
        said={start.teasing === 0 ? 'none' : start.teasing === 1 ? '1 push' : `${start.teasing} pushes`}
        hint={start.teasing > 2 ? 'Every push takes hair from the bold end.' : undefined}
        onChange={(pushes) => setStart('teasing', (current) => String(current.teasing), { teasing: pushes })}
      />
      <Segmented
        label="In foil or open air"
        value={panel.medium}
        options={MEDIA}
        onChange={(medium) =>
          change(
            'medium',
            (current) => words(MEDIA, current.medium),
            (current) => ({ ...current, medium, hair: medium === 'foil' ? 'own' : current.hair }),
          )
        }
      />
      {panel.medium === 'foil' && (
        <Segmented
          label="How hair is covered"
          value={panel.cover ?? 'folded'}
          options={COVERS}
          onChange={(cover) =>
            change(
              'sheet',
              (current) => words(COVERS, current.cover ?? 'folded'),
              (current) => ({ ...current, cover }),
            )
          }
        />
      )}
      {panel.medium === 'open-air' && (
        <Segmented
          label="Which hair is painted"
          value={panel.hair}
          options={HAIR}
          onChange={(hair) =>
            change(
              'painted hair',
              (current) => words(HAIR, current.hair),
              (current) => ({ ...current, hair }),
            )
          }
        />
      )}
      <Select
        label="Columns"
        hideLabel
        value={layoutOf(panel)}
        options={LAYOUTS}
        onChange={(next) =>
          change(
            'columns',
            (current) => words(LAYOUTS, layoutOf(current)),
            (current) => ({
              ...current,
              columns: { layout: next === 'bricklaid' ? 'bricklaid' : 'aligned', onePerRow: next === 'one' },
            }),
          )
        }
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
      label="Foil size, all panels"
      min={30}
      max={300}
      step={5}
      mm={usableWidthMm}
      hint={`Usable width; a section up to ${say(usableWidthMm + toleranceMm)} still fits on one foil.`}
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
