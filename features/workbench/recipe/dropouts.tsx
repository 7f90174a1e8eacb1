'use client';

import {
  USUAL_TREATMENT,
  type Dropouts,
  type Panel,
  type Treated,
  type Treatment,
  type TreatmentRecipe,
} from '@/core/pattern';
import { NumberField } from '@/ui/number-field';
import { Select } from '@/ui/select';
import { Slider } from '@/ui/slider';
import { Switch } from '@/ui/switch';
import { useUnits } from '../../house/context';
import type { RecipeProps } from './props';

const CHOICES = [
  { value: 'left', words: 'Drop-outs left as they are' },
  { value: 'tip-out', words: 'Tip out' },
  { value: 'lowlight', words: 'Lowlight' },
  { value: 'paint', words: 'Paint between the foils' },
  { value: 'tip-out lowlight', words: 'Tip out and lowlight in turn' },
  { value: 'tip-out left', words: 'Tip out one, leave one' },
  { value: 'paint left', words: 'Paint one, leave one' },
];
const TREATED_WORDS: Readonly<Record<Treated, string>> = {
  'tip-out': 'Tip-outs',
  lowlight: 'Lowlights',
  paint: 'Painting',
};
const LETTERS = ['A', 'B', 'C', 'D', 'E', 'F'];
const MOST_TOGETHER = 6;
const START: Omit<Dropouts, 'treatments'> = { every: 3, together: 3, recipes: {} };

const valueOf = ({ dropouts }: Panel) => dropouts?.treatments.join(' ') ?? 'left';
const wordsOf = (panel: Panel) =>
  CHOICES.find(({ value }) => value === valueOf(panel))?.words.toLowerCase() ?? valueOf(panel);

/** What happens to the hair between the foils: which drop-outs, with which formula, from where. */
export function DropoutFields({ panel, change }: RecipeProps) {
  const { dropouts } = panel;
  const value = valueOf(panel);
  const set = (what: string, figure: (before: Dropouts) => string, to: Partial<Dropouts>) =>
    change(
      what,
      (before) => (before.dropouts ? figure(before.dropouts) : ''),
      (before) => ({ ...before, dropouts: before.dropouts && { ...before.dropouts, ...to } }),
    );
  const kinds = dropouts ? [...new Set(dropouts.treatments)].filter((treatment) => treatment !== 'left') : [];
  return (
    <div className="mt-4 grid gap-2 border-t border-line pt-3">
      <Select
        label="Drop-outs"
        hideLabel
        value={value}
        options={
          CHOICES.some((choice) => choice.value === value)
            ? CHOICES
            : [...CHOICES, { value, words: value.replaceAll(' ', ', ') }]
        }
        onChange={(next) =>
          change('drop-outs', wordsOf, (before) => ({
            ...before,
            dropouts:
              next === 'left'
                ? null
                : { ...START, ...before.dropouts, treatments: next.split(' ') as Treatment[] },
          }))
        }
      />
      {dropouts && (
        <>
          <Slider
            label="One after every"
            min={1}
            max={8}
            step={1}
            value={Math.min(8, dropouts.every)}
            said={dropouts.every === 1 ? 'row' : `${dropouts.every} rows`}
            onChange={(every) => set('treated drop-outs', (before) => `every ${before.every}`, { every })}
          />
          <Slider
            label="Taken together"
            min={1}
            max={MOST_TOGETHER}
            step={1}
            value={dropouts.together}
            said={dropouts.together === 1 ? 'one by one' : String(dropouts.together)}
            onChange={(together) => set('taken together', (before) => String(before.together), { together })}
          />
          {kinds.map((kind) => (
            <Treat
              key={kind}
              kind={kind}
              panel={panel}
              recipe={dropouts.recipes[kind] ?? USUAL_TREATMENT}
              onChange={(what, to) =>
                set(
                  what,
                  (before) =>
                    String(Object.values({ ...USUAL_TREATMENT, ...before.recipes[kind] })[0] ?? 'usual'),
                  {
                    recipes: {
                      ...dropouts.recipes,
                      [kind]: { ...USUAL_TREATMENT, ...dropouts.recipes[kind], ...to },
                    },
                  },
                )
              }
            />
          ))}
        </>
      )}
    </div>
  );
}

interface TreatProps {
  kind: Treated;
  panel: Panel;
  recipe: TreatmentRecipe;
  onChange(what: string, to: Partial<TreatmentRecipe>): void;
}

/** How one treatment is done: formula, where it begins and ends, on the surface only or through. */
function Treat({ kind, panel, recipe, onChange }: TreatProps) {
  const { read } = useUnits();
  const name = TREATED_WORDS[kind];
  const usual = kind === 'lowlight' ? 'usual: the one that deposits' : `usual: ${panel.formula}`;
  return (
    <fieldset className="grid gap-2 rounded-ui border border-line p-2">
      <legend className="px-1 text-sm font-semibold">{name}</legend>
      <Select
        label={`${name}, formula`}
        hideLabel
        value={recipe.formula ?? ''}
        options={[
          { value: '', words: `Formula, ${usual}` },
          ...LETTERS.map((letter) => ({ value: letter, words: `Formula ${letter}` })),
        ]}
        onChange={(letter) =>
          onChange(`${name.toLowerCase()}, formula`, { formula: letter === '' ? null : letter })
        }
      />
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label={`${name} from`}
          unit="mm"
          min={0}
          max={1200}
          value={recipe.fromMm ?? undefined}
          placeholder={kind === 'tip-out' ? 'last third' : kind === 'paint' ? 'a third' : 'scalp'}
          parse={read}
          onChange={(mm) => onChange(`${name.toLowerCase()}, start`, { fromMm: mm ?? null })}
        />
        <NumberField
          label={`${name} to`}
          unit="mm"
          min={1}
          max={1200}
          value={recipe.toMm ?? undefined}
          placeholder="ends"
          parse={read}
          onChange={(mm) =>
            (mm === undefined || mm > (recipe.fromMm ?? 0)) &&
            onChange(`${name.toLowerCase()}, end`, { toMm: mm ?? null })
          }
        />
      </div>
      <div className="flex min-h-9 items-center justify-between gap-3">
        <span className="text-base">Surface only</span>
        <Switch
          label={`${name} on the surface only`}
          on={recipe.surface}
          onChange={(surface) => onChange(`${name.toLowerCase()}, surface`, { surface })}
        />
      </div>
    </fieldset>
  );
}
