'use client';

import { addedGrams, DROPS_FOR_GRAMS, strengthOf } from '@/core/bowl';
import { productsOf } from '@/core/products';
import { ADDED_UNITS, type Added, type AddedUnit, type Formula } from '@/core/visit';
import { GRAMS_PER_OUNCE, type AmountUnit } from '@/core/units';
import { NumberField } from '@/ui/number-field';
import { Select } from '@/ui/select';
import { useHouse } from '../../house/context';
import { useComputed } from '../../visit/computed';
import { readAmount, useAmounts } from '../amounts';
import { useFormulaEdit } from '../edit';

/** Grams for ten grams are ounces for ten ounces; drops are counted for grams or for what they weigh. */
const unitWords = (amounts: AmountUnit): Readonly<Record<AddedUnit, string>> => ({
  g: amounts === 'oz' ? 'oz for 10 oz' : 'g for 10 g',
  drops:
    amounts === 'oz'
      ? `drops for ${(DROPS_FOR_GRAMS / GRAMS_PER_OUNCE).toFixed(2)} oz`
      : `drops for ${DROPS_FOR_GRAMS} g`,
  '%': '% of the mix',
});
/** Grams are typed for ten grams of powder or colour: for one they are too small to read. */
const shown = ({ amount, unit }: Added) => (unit === 'g' ? Math.round(amount * 100) / 10 : amount);

/** What stands beside lightener or colour in the bowl, in grams, drops or per cent. */
export function Additives({ letter, formula }: { letter: string; formula: Formula }) {
  const { shelf } = useComputed();
  const { set } = useFormulaEdit(letter);
  const words = unitWords(useHouse().measures.amounts);
  const change = (label: string, additives: readonly Added[]) =>
    set(label, (current) => ({ ...current, additives }), `${letter} additives`);
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 text-sm font-semibold">Also in the bowl</legend>
      {productsOf(shelf.all, 'additive').map((additive) => {
        const added = formula.additives.find(({ product }) => product === additive.id);
        const others = formula.additives.filter(({ product }) => product !== additive.id);
        const unit = added?.unit ?? 'g';
        const take = (value: number | undefined) =>
          change(
            additive.name,
            value
              ? [...others, { product: additive.id, amount: unit === 'g' ? value / 10 : value, unit }]
              : others,
          );
        return (
          <div key={additive.id} className="grid grid-cols-[minmax(0,1fr)_84px_124px] items-center gap-2">
            <span className="text-base">
              {additive.name}
              {added && <Weakens formula={formula} added={added} />}
            </span>
            <NumberField
              label={`${additive.name} in ${letter}`}
              hideLabel
              unit=""
              min={0.05}
              max={100}
              value={added ? shown(added) : undefined}
              placeholder="none"
              parse={readAmount}
              onChange={take}
            />
            {added ? (
              <Select
                label={`How ${additive.name.toLowerCase()} is measured in ${letter}`}
                hideLabel
                value={unit}
                options={ADDED_UNITS.filter(
                  (value) => value !== 'drops' || additive.dropGrams !== undefined || unit === 'drops',
                ).map((value) => ({ value, words: words[value] }))}
                onChange={(next) =>
                  change(`${additive.name} in ${next}`, [
                    ...others,
                    inUnit(added, next, formula.ratio, additive.dropGrams),
                  ])
                }
              />
            ) : (
              <span className="text-sm text-ink-soft">{words.g}</span>
            )}
          </div>
        );
      })}
    </fieldset>
  );
}

/** The same amount, measured otherwise. */
function inUnit({ product, amount, unit }: Added, next: AddedUnit, ratio: number, dropGrams = 0.05): Added {
  const grams =
    unit === 'g'
      ? amount
      : unit === '%'
        ? (amount / 100) * (1 + ratio)
        : (amount * dropGrams) / DROPS_FOR_GRAMS;
  const value =
    next === 'g' ? grams : next === '%' ? (100 * grams) / (1 + ratio) : (grams * DROPS_FOR_GRAMS) / dropGrams;
  return {
    product,
    unit: next,
    amount: next === 'drops' ? Math.max(1, Math.round(value)) : Math.max(0.01, Math.round(100 * value) / 100),
  };
}

function Weakens({ formula, added }: { formula: Formula; added: Added }) {
  const { shelf } = useComputed();
  const { strength } = useAmounts();
  const read = addedGrams(added, formula.ratio, shelf);
  if (!read.ok || !read.product.weakens || formula.ratio === 0) return null;
  return (
    <span className="text-sm text-ink-soft">
      , weakens to {strength(strengthOf(formula.volumes, formula.ratio, read.grams))}
    </span>
  );
}
