'use client';

import { useState } from 'react';
import { bottlesFor } from '@/core/bowl';
import { USUAL_WARM_CELSIUS } from '@/core/lift';
import { formatLevel, volumesOf } from '@/core/units';
import type { LiftFormula } from '@/core/visit';
import { Button } from '@/ui/button';
import { useSaid } from '@/ui/measures';
import { NumberField } from '@/ui/number-field';
import { Select } from '@/ui/select';
import { Slider } from '@/ui/slider';
import { Switch } from '@/ui/switch';
import { useHouse } from '../../house/context';
import { useComputed } from '../../visit/computed';
import { useVisit } from '../../visit/store';
import { readAmount, tenth, useAmounts } from '../amounts';
import { useFormulaEdit } from '../edit';
import { Additives } from './additives';
import { ReachField } from './reach-field';

/** A strength as it is typed: `20`, `20 vol`, `6%`. @param inPercent what a figure without a unit means */
const readVolumes = (text: string, inPercent: boolean): number | undefined => {
  const found = /^(\d{1,2}(?:[.,]\d)?)\s*(vol|%)?/.exec(text.trim());
  if (!found) return undefined;
  const value = Number(found[1].replace(',', '.'));
  return found[2] === '%' || (found[2] === undefined && inPercent)
    ? Math.round(10 * volumesOf(value)) / 10
    : value;
};
const readRatio = (text: string): number | undefined => readAmount(text.replace(/^1\s*:\s*/, ''));

/**
 * What lifts: lighteners by parts, how strong, how thick, how far along the hair; and what else there is to
 * say of it.
 */
export function LiftFields({ letter, formula }: { letter: string; formula: LiftFormula }) {
  const visit = useComputed();
  const { consult } = useVisit();
  const { lift } = useFormulaEdit(letter);
  const [more, setMore] = useState(
    formula.ends !== null ||
      formula.additives.length > 0 ||
      formula.warmth !== null ||
      formula.second !== null ||
      formula.target !== null,
  );
  const { shelf } = visit;
  const inPercent = useHouse().measures.strengths === '%';
  const { strength } = useAmounts();
  const said = useSaid();
  const [first] = formula.lighteners;
  const product = shelf.lightener(first.product);
  const bottles = bottlesFor(formula.volumes, formula.bottles, shelf);
  const recipe = visit.work.letters.find((row) => row.letter === letter)?.recipe;
  return (
    <>
      <Lighteners letter={letter} formula={formula} />
      <Slider
        label="Strength"
        value={formula.volumes}
        min={5}
        max={40}
        step={1}
        said={strength(formula.volumes)}
        read={(text) => readVolumes(text, inPercent)}
        hint={
          <>
            {typeof bottles === 'string' ? (
              <span className="font-semibold text-rowan">{said(bottles)}.</span>
            ) : bottles.length === 2 ? (
              `from ${strength(bottles[0].volumes)} and ${strength(bottles[1].volumes)}`
            ) : (
              'from the bottle'
            )}
            {recipe && recipe.volumes < formula.volumes - 0.05 && `; ${strength(recipe.volumes)} on the hair`}
          </>
        }
        onChange={(volumes) => lift(strength(volumes), { volumes })}
      />
      <Slider
        label="Ratio"
        value={formula.ratio}
        min={0.5}
        max={4}
        step={0.25}
        said={`1:${tenth(formula.ratio)}`}
        read={readRatio}
        onChange={(ratio) => lift(`1:${tenth(ratio)}`, { ratio })}
        hint={
          product &&
          `${product.name} takes 1:${product.ratio.least} to 1:${product.ratio.most}; thicker swells and runs less`
        }
      />
      <ReachField letter={letter} reach={formula.reach} onChange={(words, reach) => lift(words, { reach })} />
      <button
        type="button"
        aria-expanded={more}
        onClick={() => setMore(!more)}
        className="h-9 justify-self-start text-base font-semibold text-leaf hover:text-leaf-dark"
      >
        {more ? 'Less' : 'Target, additives, ends, again, warmth'}
      </button>
      {more && (
        <div className="grid gap-3 border-t border-line pt-3">
          <Select
            label="To level"
            value={String(formula.target ?? '')}
            options={[
              { value: '', words: `as wished, ${formatLevel(consult.goalLevel)}` },
              ...Array.from({ length: 17 }, (_, i) => 2 + i / 2).map((level) => ({
                value: String(level),
                words: formatLevel(level),
              })),
            ]}
            onChange={(text) => lift('target', { target: text === '' ? null : Number(text) })}
          />
          <Additives letter={letter} formula={formula} />
          <Ends letter={letter} formula={formula} />
          <Second letter={letter} formula={formula} />
          <Warm letter={letter} formula={formula} />
        </div>
      )}
    </>
  );
}

/** Lighteners by parts; one alone has no parts to say. */
function Lighteners({ letter, formula }: { letter: string; formula: LiftFormula }) {
  const { shelf } = useComputed();
  const { lift } = useFormulaEdit(letter);
  const { lighteners } = formula;
  const free = shelf.lighteners.filter(({ id }) => !lighteners.some(({ product }) => product === id));
  const set = (i: number, part: Partial<LiftFormula['lighteners'][number]>) =>
    lighteners.map((lightener, at) => (at === i ? { ...lightener, ...part } : lightener));
  const within = (id: string): Partial<LiftFormula> => {
    const next = shelf.lightener(id)!;
    return {
      ratio: next.ratio.usual,
      volumes: Math.min(next.volumes.most, Math.max(next.volumes.least, formula.volumes)),
    };
  };
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 text-sm font-semibold">
        {lighteners.length > 1 ? 'Lighteners, parts by weight' : 'Lightener'}
      </legend>
      {lighteners.map((lightener, i) => {
        const product = shelf.lightener(lightener.product);
        return (
          <div
            key={lightener.product}
            className={
              lighteners.length > 1 ? 'grid grid-cols-[minmax(0,1fr)_84px_40px] items-center gap-2' : ''
            }
          >
            <Select
              label={i === 0 ? 'Lightener' : `Lightener ${i + 1}`}
              hideLabel
              value={lightener.product}
              options={[
                ...(product
                  ? [{ value: product.id, words: product.name }]
                  : [{ value: lightener.product, words: `${lightener.product} (gone)` }]),
                ...free.map(({ id, name }) => ({ value: id, words: name })),
              ]}
              onChange={(id) =>
                lift(shelf.lightener(id)!.name, {
                  lighteners: set(i, { product: id }),
                  ...(lighteners.length === 1 && within(id)),
                })
              }
            />
            {lighteners.length > 1 && (
              <>
                <NumberField
                  label={`Parts of lightener ${i + 1}`}
                  hideLabel
                  unit=""
                  min={0.05}
                  max={20}
                  value={lightener.parts}
                  parse={readAmount}
                  onChange={(parts) =>
                    parts !== undefined && lift('parts', { lighteners: set(i, { parts }) })
                  }
                />
                <Button
                  small
                  look="quiet"
                  aria-label={`Remove ${product?.name ?? lightener.product}`}
                  onClick={() =>
                    lift('a lightener removed', { lighteners: lighteners.filter((_, at) => at !== i) })
                  }
                >
                  ×
                </Button>
              </>
            )}
          </div>
        );
      })}
      {free.length > 0 && lighteners.length < 4 && (
        <Button
          small
          className="justify-self-start"
          onClick={() =>
            lift('a lightener added', { lighteners: [...lighteners, { product: free[0].id, parts: 1 }] })
          }
        >
          Add a lightener
        </Button>
      )}
    </fieldset>
  );
}

function Ends({ letter, formula }: { letter: string; formula: LiftFormula }) {
  const { lift } = useFormulaEdit(letter);
  const { ends } = formula;
  const set = (part: Partial<NonNullable<typeof ends>>) =>
    ends && lift('ends', { ends: { ...ends, ...part } });
  return (
    <fieldset className="grid gap-2">
      <div className="flex min-h-9 items-center justify-between gap-4">
        <span className="text-base">Another mix on the ends</span>
        <Switch
          label={`Another mix on the ends of ${letter}`}
          on={ends !== null}
          onChange={(on) =>
            lift(on ? 'ends apart' : 'ends as the length', {
              ends: on ? { volumes: Math.min(10, formula.volumes), ratio: formula.ratio, lastMm: 80 } : null,
            })
          }
        />
      </div>
      {ends && (
        <div className="grid grid-cols-3 gap-2">
          <NumberField
            label="Strength"
            unit="vol"
            min={1}
            max={40}
            value={ends.volumes}
            parse={readAmount}
            onChange={(volumes) => volumes !== undefined && set({ volumes })}
          />
          <NumberField
            label="Ratio 1 :"
            unit=""
            min={0.5}
            max={5}
            value={ends.ratio}
            parse={readAmount}
            onChange={(ratio) => ratio !== undefined && set({ ratio })}
          />
          <NumberField
            label="The last"
            unit="mm"
            min={10}
            max={1000}
            value={ends.lastMm}
            parse={readAmount}
            onChange={(lastMm) => lastMm !== undefined && set({ lastMm })}
          />
        </div>
      )}
    </fieldset>
  );
}

/**
 * When a second application usually comes, minutes after the foil was closed: before its maker's limit.
 * Working assumption.
 */
const AGAIN_AFTER = 40;

/** The same foils painted again with a fresh mix. */
function Second({ letter, formula }: { letter: string; formula: LiftFormula }) {
  const { lift } = useFormulaEdit(letter);
  const { second } = formula;
  const set = (part: Partial<NonNullable<typeof second>>) =>
    second && lift('second application', { second: { ...second, ...part } });
  return (
    <fieldset className="grid gap-2">
      <div className="flex min-h-9 items-center justify-between gap-4">
        <span className="text-base">Second application, a fresh bowl</span>
        <Switch
          label={`Second application of ${letter}`}
          on={second !== null}
          onChange={(on) =>
            lift(on ? 'painted again' : 'painted once', {
              second: on
                ? { volumes: formula.volumes, ratio: formula.ratio, afterMinutes: AGAIN_AFTER }
                : null,
            })
          }
        />
      </div>
      {second && (
        <div className="grid grid-cols-3 gap-2">
          <NumberField
            label="Again, strength"
            unit="vol"
            min={1}
            max={40}
            value={second.volumes}
            parse={readAmount}
            onChange={(volumes) => volumes !== undefined && set({ volumes })}
          />
          <NumberField
            label="Again, ratio 1 :"
            unit=""
            min={0.5}
            max={5}
            value={second.ratio}
            parse={readAmount}
            onChange={(ratio) => ratio !== undefined && set({ ratio })}
          />
          <NumberField
            label="after"
            unit="min"
            min={5}
            max={120}
            value={second.afterMinutes}
            parse={readAmount}
            onChange={(afterMinutes) => afterMinutes !== undefined && set({ afterMinutes })}
          />
        </div>
      )}
    </fieldset>
  );
}

const WARM_MINUTES = 15;

/** Warmth for the last minutes, at a temperature. */
function Warm({ letter, formula }: { letter: string; formula: LiftFormula }) {
  const { lift } = useFormulaEdit(letter);
  const { cautions } = useHouse();
  const { warmth } = formula;
  const set = (part: Partial<NonNullable<typeof warmth>>) =>
    warmth && lift('warmth', { warmth: { ...warmth, ...part } });
  return (
    <fieldset className="grid gap-2">
      <div className="flex min-h-9 items-center justify-between gap-4">
        <span className="text-base">Warmth is added</span>
        <Switch
          label={`Warmth on formula ${letter}`}
          on={warmth !== null}
          onChange={(on) =>
            lift(on ? 'warmth' : 'no warmth', {
              warmth: on
                ? {
                    celsius: Math.min(USUAL_WARM_CELSIUS, cautions.warmestCelsius),
                    lastMinutes: WARM_MINUTES,
                  }
                : null,
            })
          }
        />
      </div>
      {warmth && (
        <div className="grid grid-cols-2 gap-2">
          <NumberField
            label="Temperature"
            unit="°C"
            min={25}
            max={60}
            value={warmth.celsius}
            parse={readAmount}
            onChange={(celsius) => celsius !== undefined && set({ celsius })}
          />
          <NumberField
            label="For the last"
            unit="min"
            min={1}
            max={60}
            value={warmth.lastMinutes ?? undefined}
            placeholder="all the time"
            parse={readAmount}
            onChange={(lastMinutes) => set({ lastMinutes: lastMinutes ?? null })}
          />
        </div>
      )}
    </fieldset>
  );
}
