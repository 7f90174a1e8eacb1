'use client';

import { levelWhere, usualCorrection } from '@/core/mix';
import { RECIPE_WORDS, type RecipePart } from '@/core/products';
import { formatLevel } from '@/core/units';
import { EVERYWHERE, type Correction } from '@/core/visit';
import { Button } from '@/ui/button';
import { buttonLook } from '@/ui/button-look';
import { useSaid } from '@/ui/measures';
import { Menu } from '@/ui/menu';
import { NumberField } from '@/ui/number-field';
import { Select } from '@/ui/select';
import { useMoney } from '../../house/context';
import { PlaceField } from '../../places/place-field';
import { useComputed } from '../../visit/computed';
import { useVisit } from '../../visit/store';
import { readAmount, tenth, useAmounts } from '../amounts';
import { changed, freshId } from '../edit';
import { LockedPart } from '../locked';
import { Items } from './items';

const half = (level: number) => Math.round(Math.min(10, Math.max(1, level)) * 2) / 2;
const LEVELS = Array.from({ length: 19 }, (_, i) => 1 + i / 2).map((value) => ({
  value: String(value),
  words: formatLevel(value),
}));

/**
 * Recipes of the house that this visit takes: washes, paint on wet hair, spots, treatments, barrier cream.
 */
export function Corrections() {
  const { mix, editMix, consult } = useVisit();
  const { shelf, colours } = useComputed();
  const level = half(levelWhere(EVERYWHERE, colours.reached) ?? consult.goalLevel);
  const recipes = shelf.recipes();
  return (
    <section aria-label="Washes, repairs and treatments" className="card grid gap-3 p-4">
      <header className="flex flex-wrap items-center justify-between gap-2">
        <h2 className="text-md font-bold">Washes, repairs and treatments</h2>
        {recipes.length > 0 && (
          <Menu
            label="Add a recipe"
            trigger="Add"
            className={buttonLook('plain', true)}
            items={recipes.map((recipe) => ({
              words: recipe.name,
              choose: () =>
                editMix(`${recipe.name.toLowerCase()} added`, (before) => ({
                  ...before,
                  corrections: [
                    ...before.corrections,
                    usualCorrection(freshId(before.corrections, recipe.use), recipe, level),
                  ],
                })),
            }))}
          />
        )}
      </header>
      {mix.corrections.length === 0 && (
        <p className="text-base text-ink-soft">
          {recipes.length === 0
            ? 'The house has no recipes: add some under House, Products.'
            : 'For ends that are stuck, a spot that came out too light, or hair that needs care.'}
        </p>
      )}
      {mix.corrections.map((correction) => (
        <LockedPart key={correction.id} step={`correction ${correction.id}`}>
          <CorrectionRow own={correction} />
        </LockedPart>
      ))}
    </section>
  );
}

function CorrectionRow({ own }: { own: Correction }) {
  const { editMix } = useVisit();
  const { colours } = useComputed();
  const { say, strength } = useAmounts();
  const money = useMoney();
  const said = useSaid();
  const result = colours.corrections.find(({ id }) => id === own.id)?.result;
  const name = own.name.toLowerCase();
  const set = (part: Partial<Correction>) =>
    editMix(
      name,
      (before) => ({
        ...before,
        corrections: changed(before.corrections, own.id, (was) => ({ ...was, ...part })),
      }),
      `${own.id} ${Object.keys(part).join()}`,
    );
  const levelLabel = own.use === 'spot' ? 'To match' : 'Hair is at';
  return (
    <article aria-label={own.name} className="grid gap-2 border-t border-line pt-3">
      <header className="flex items-center justify-between gap-3">
        <h3 className="text-base font-semibold">
          {own.name}
          {own.name !== RECIPE_WORDS[own.use] && (
            <span className="font-normal text-ink-soft">, {RECIPE_WORDS[own.use].toLowerCase()}</span>
          )}
          {result && result.priceMinor > 0 && (
            <span className="private font-normal text-ink-soft">, {money(result.priceMinor)}</span>
          )}
        </h3>
        <Button
          small
          look="quiet"
          onClick={() =>
            editMix(`${name} removed`, (before) => ({
              ...before,
              corrections: before.corrections.filter(({ id }) => id !== own.id),
            }))
          }
        >
          Remove
        </Button>
      </header>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <PlaceField place={own.place} onChange={(place) => set({ place })} />
        <Select
          label={levelLabel}
          value={String(own.level)}
          options={LEVELS}
          onChange={(text) => set({ level: Number(text) })}
        />
        <NumberField
          label="In all"
          unit="g"
          min={1}
          max={500}
          value={own.grams ?? undefined}
          placeholder={result ? `${say(result.grams)}, by the hair` : 'by the hair'}
          parse={readAmount}
          onChange={(grams) => set({ grams: grams ?? null })}
        />
        <NumberField
          label="Time"
          unit="min"
          min={1}
          max={60}
          value={own.minutes}
          parse={readAmount}
          onChange={(minutes) => minutes !== undefined && set({ minutes })}
        />
      </div>
      <Parts own={own} onChange={(parts) => set({ parts })} />
      {result && (
        <div>
          <Items read={result.items} />
          <p className="text-sm text-ink-soft">
            {result.hairGrams !== null && `For about ${say(Math.round(result.hairGrams))} of hair. `}
            {result.volumes > 0 && `${strength(result.volumes)} left on the hair. `}
            {result.level !== null &&
              `Level ${tenth(result.level)} expected after ${own.minutes} min, estimated. `}
            {said(result.notes.join(' '))}
          </p>
        </div>
      )}
    </article>
  );
}

/** Parts by weight of a recipe: changed for this visit alone. */
function Parts({ own, onChange }: { own: Correction; onChange(parts: readonly RecipePart[]): void }) {
  const { shelf } = useComputed();
  const set = (i: number, parts: number) =>
    onChange(own.parts.map((part, at) => (at === i ? { ...part, parts } : part)));
  return (
    <div className="flex flex-wrap gap-3">
      {own.parts.map((part, i) => {
        const name = 'product' in part ? (shelf.find(part.product)?.name ?? part.product) : 'Developer';
        return (
          <div key={i} className="flex items-end gap-2">
            <div className="w-[150px]">
              <NumberField
                label={name}
                unit="parts"
                min={0.05}
                max={20}
                value={part.parts}
                parse={readAmount}
                onChange={(parts) => parts !== undefined && set(i, parts)}
              />
            </div>
            {!('product' in part) && (
              <div className="w-[104px]">
                <NumberField
                  label="Its strength"
                  unit="vol"
                  min={1}
                  max={40}
                  value={part.volumes}
                  parse={readAmount}
                  onChange={(volumes) =>
                    volumes !== undefined &&
                    onChange(own.parts.map((was, at) => (at === i ? { volumes, parts: part.parts } : was)))
                  }
                />
              </div>
            )}
          </div>
        );
      })}
    </div>
  );
}
