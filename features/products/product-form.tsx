'use client';

import { useState, type ReactNode } from 'react';
import { productSchema, sentenceOf } from '@/core/formats';
import { DEPOSITS } from '@/core/lift';
import {
  isStocked,
  productsOf,
  rangeProblems,
  RECIPE_USES,
  RECIPE_WORDS,
  USE_WORDS,
  USES,
  type HouseRecipe,
  type Product,
  type RecipePart,
} from '@/core/products';
import { formatLevel, keysOf, minorPerUnit } from '@/core/units';
import { AskingForm } from '@/ui/asking-form';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { NumberField } from '@/ui/number-field';
import { Select } from '@/ui/select';
import { Switch } from '@/ui/switch';
import { useHouse } from '../house/context';

interface ProductFormProps {
  product: Product;
  fresh: boolean;
  products: readonly Product[];
  busy: boolean;
  /** @returns what is wrong */
  onSave(product: Product): Promise<string | undefined>;
  onRemove(): Promise<string | undefined>;
}

const figure = (text: string): number | undefined =>
  /^-?\d{1,7}([.,]\d{1,3})?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : undefined;
/** A drop weighs a few hundredths of a gram. */
const fine = (text: string): number | undefined =>
  /^\d([.,]\d{1,4})?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : undefined;
const LEVELS = Array.from({ length: 19 }, (_, i) => 1 + i / 2).map((level) => ({
  value: String(level),
  words: formatLevel(level),
}));
const TONES = [...keysOf(DEPOSITS), 'clear' as const].map((value) => ({
  value,
  words: value,
}));

const LIFTS = [
  { value: 'deposits', words: 'only deposits' },
  { value: 'lifts', words: 'lifts and deposits' },
] as const;
const USUAL_LIFTS = { levels: 4, speed: 0.95 };
/** One product, all that is known of it. */
export function ProductForm({ product, fresh, products, busy, onSave, onRemove }: ProductFormProps) {
  const [own, setOwn] = useState(product);
  const [problem, setProblem] = useState<string>();
  const { prices } = useHouse();
  const per = minorPerUnit(prices.currency);
  const set = (part: object) => {
    setOwn((before) => ({ ...before, ...part }) as Product);
    setProblem(undefined);
  };
  const number = (
    label: string,
    limits: Limits,
    value: number | undefined,
    take: (value: number) => object,
  ) => (
    <NumberField
      label={label}
      {...limits}
      value={value}
      parse={figure}
      onChange={(next) => next !== undefined && set(take(next))}
    />
  );
  const save = async () => {
    const read = productSchema.safeParse(own);
    if (!read.success) return setProblem(sentenceOf(read.error));
    const others = products.filter((other) => fresh || other.id !== product.id);
    const wrong = rangeProblems([...others, read.data]).find(({ at }) => at === others.length);
    setProblem(wrong ? `${wrong.field}: ${wrong.problem}.` : await onSave(read.data));
  };
  return (
    <AskingForm
      name="product"
      className="grid gap-4"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <div className="grid grid-cols-[minmax(0,1fr)_200px] gap-3">
        <TextField
          label="Name"
          value={own.name}
          maxLength={80}
          onChange={(event) => set({ name: event.target.value })}
        />
        <TextField
          label="Short name"
          value={own.id}
          maxLength={40}
          disabled={!fresh}
          hint={fresh ? 'Never changes afterwards' : undefined}
          onChange={(event) => set({ id: event.target.value })}
        />
      </div>
      <Own own={own} products={products} set={set} number={number} />
      {isStocked(own) && (
        <div className="grid grid-cols-3 gap-3 border-t border-line pt-4">
          {own.kind !== 'line' &&
            number(
              'In stock',
              { unit: own.kind === 'foil' ? 'sheets' : 'g', min: 0, max: 1_000_000 },
              own.stock,
              (stock) => ({
                stock,
              }),
            )}
          {number(
            'A pack holds',
            { unit: own.kind === 'foil' ? 'sheets' : 'g', min: 1, max: 20_000 },
            own.pack,
            (pack) => ({
              pack,
            }),
          )}
          {number(
            'A pack costs',
            { unit: prices.currency, min: 0, max: 10_000_000 / per },
            own.packMinor / per,
            (price) => ({
              packMinor: Math.round(price * per),
            }),
          )}
          {own.kind !== 'line' && (
            <TextField
              label="Barcode"
              value={own.barcode ?? ''}
              maxLength={40}
              onChange={(event) => set({ barcode: event.target.value.trim() || undefined })}
            />
          )}
        </div>
      )}
      {own.kind === 'recipe' && (
        <div className="grid grid-cols-3 gap-3 border-t border-line pt-4">
          {number(
            'Costs the client',
            { unit: prices.currency, min: 0, max: 100_000_000 / per },
            own.priceMinor / per,
            (price) => ({ priceMinor: Math.round(price * per) }),
          )}
        </div>
      )}
      <TextField
        label="Note: what the maker or the house says"
        value={own.note}
        maxLength={400}
        onChange={(event) => set({ note: event.target.value })}
      />
      {problem && (
        <p role="alert" className="text-base font-semibold text-rowan">
          {problem}
        </p>
      )}
      <div className="flex justify-between gap-3">
        {fresh ? (
          <span />
        ) : (
          <Button disabled={busy} onClick={() => void onRemove().then(setProblem)}>
            Remove
          </Button>
        )}
        <Button look="primary" server type="submit" disabled={busy}>
          Save
        </Button>
      </div>
    </AskingForm>
  );
}

/** What a figure may be, in which unit, and what stands there while it is empty. */
interface Limits {
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly placeholder?: string;
}

interface OwnProps {
  own: Product;
  products: readonly Product[];
  set(part: object): void;
  number(
    label: string,
    limits: Limits,
    value: number | undefined,
    take: (value: number) => object,
  ): ReactNode;
}

function Own({ own, products, set, number }: OwnProps) {
  switch (own.kind) {
    case 'lightener':
    case 'high-lift':
      return (
        <>
          <Mixed own={own} number={number} />
          <div className="grid grid-cols-3 gap-3">
            {USES.map((use) => (
              <NumberField
                key={use}
                label={`Longest ${USE_WORDS[use]}`}
                unit="min"
                min={1}
                max={120}
                value={own.minutes[use] ?? undefined}
                placeholder="not made for it"
                parse={figure}
                onChange={(minutes) =>
                  set({
                    minutes: { ...own.minutes, [use]: minutes === undefined ? null : Math.round(minutes) },
                  })
                }
              />
            ))}
            <NumberField
              label="Shortest time"
              unit="min"
              min={1}
              max={120}
              value={own.leastMinutes || undefined}
              placeholder="by the level"
              parse={figure}
              onChange={(minutes) => set({ leastMinutes: minutes === undefined ? 0 : Math.round(minutes) })}
            />
            <NumberField
              label="Usual time"
              unit="min"
              min={1}
              max={120}
              value={own.usualMinutes}
              placeholder="not said"
              parse={figure}
              onChange={(minutes) =>
                set({ usualMinutes: minutes === undefined ? undefined : Math.round(minutes) })
              }
            />
            <NumberField
              label="Warmest, 0 for no heat"
              unit="°C"
              min={0}
              max={60}
              value={own.warmestCelsius}
              placeholder="not said"
              parse={figure}
              onChange={(warmestCelsius) => set({ warmestCelsius })}
            />
            {number('Speed against powder', { unit: 'times', min: 0.3, max: 1.5 }, own.speed, (speed) => ({
              speed,
            }))}
            {number('Lifts at most', { unit: 'levels', min: 1, max: 9 }, own.levels, (levels) => ({
              levels,
            }))}
            <Select
              label="and no further than"
              value={String(own.top)}
              options={LEVELS}
              onChange={(top) => set({ top: Number(top) })}
            />
          </div>
        </>
      );
    case 'developer':
      return (
        <div className="grid grid-cols-3 gap-3">
          {number('Strength', { unit: 'vol', min: 1, max: 40 }, own.volumes, (volumes) => ({ volumes }))}
        </div>
      );
    case 'line':
      return (
        <>
          <Mixed own={own} number={number} />
          <div className="grid grid-cols-3 gap-3">
            {number('Shortest time', { unit: 'min', min: 1, max: 60 }, own.minutes.least, (least) => ({
              minutes: { ...own.minutes, least: Math.round(least) },
            }))}
            {number('Longest time', { unit: 'min', min: 1, max: 60 }, own.minutes.most, (most) => ({
              minutes: { ...own.minutes, most: Math.round(most) },
            }))}
            <NumberField
              label="Usual time"
              unit="min"
              min={1}
              max={60}
              value={own.minutes.usual}
              placeholder="the longest"
              parse={figure}
              onChange={(usual) =>
                set({
                  minutes: { ...own.minutes, usual: usual === undefined ? undefined : Math.round(usual) },
                })
              }
            />
            {number('Root: natural', { unit: 'parts', min: 0, max: 10 }, own.root.natural, (natural) => ({
              root: { ...own.root, natural },
            }))}
            {number('Root: ash', { unit: 'parts', min: 0, max: 10 }, own.root.ash, (ash) => ({
              root: { ...own.root, ash },
            }))}
            {number(
              'Root: levels from natural',
              { unit: '', min: -3, max: 3 },
              own.root.levels,
              (levels) => ({
                root: { ...own.root, levels },
              }),
            )}
            <Select
              label="It"
              value={own.lifts ? 'lifts' : 'deposits'}
              options={LIFTS}
              onChange={(what) => set({ lifts: what === 'lifts' ? USUAL_LIFTS : null })}
            />
            {own.lifts &&
              number('Lifts at most', { unit: 'levels', min: 1, max: 6 }, own.lifts.levels, (levels) => ({
                lifts: { ...own.lifts!, levels },
              }))}
            {own.lifts &&
              number(
                'Speed against powder',
                { unit: 'times', min: 0.3, max: 1.5 },
                own.lifts.speed,
                (speed) => ({
                  lifts: { ...own.lifts!, speed },
                }),
              )}
          </div>
        </>
      );
    case 'shade':
      return (
        <div className="grid grid-cols-3 gap-3">
          <Select
            label="Line"
            value={own.line}
            options={[
              ...(productsOf(products, 'line').some(({ id }) => id === own.line)
                ? []
                : [{ value: own.line, words: own.line || 'choose' }]),
              ...productsOf(products, 'line').map(({ id, name }) => ({ value: id, words: name })),
            ]}
            onChange={(line) => set({ line })}
          />
          <Select
            label="Level"
            value={String(own.level)}
            options={LEVELS}
            onChange={(level) => set({ level: Number(level) })}
          />
          <Select label="Tone" value={own.tone} options={TONES} onChange={(tone) => set({ tone })} />
        </div>
      );
    case 'additive':
      return (
        <div className="grid grid-cols-3 items-end gap-3">
          <NumberField
            label="A drop weighs"
            unit="g"
            min={0.005}
            max={1}
            value={own.dropGrams}
            placeholder="no dropper"
            parse={fine}
            onChange={(dropGrams) => set({ dropGrams })}
          />
          {number('For 1 g of lightener', { unit: 'g', min: 0, max: 10 }, own.perGram, (perGram) => ({
            perGram,
          }))}
          <div className="flex min-h-10 items-center justify-between gap-4">
            <span className="text-base">Weakens the developer</span>
            <Switch label="Weakens the developer" on={own.weakens} onChange={(weakens) => set({ weakens })} />
          </div>
        </div>
      );
    case 'recipe':
      return <RecipeFields own={own} products={products} set={set} number={number} />;
    case 'treatment':
      return (
        <div className="grid grid-cols-3 gap-3">
          {number('A head takes', { unit: 'g', min: 0, max: 500 }, own.perUse, (perUse) => ({ perUse }))}
        </div>
      );
    case 'foil':
      return (
        <div className="grid grid-cols-3 gap-3">
          {number('Width', { unit: 'mm', min: 30, max: 300 }, own.widthMm, (widthMm) => ({ widthMm }))}
          {number('Length', { unit: 'mm', min: 50, max: 1000 }, own.lengthMm, (lengthMm) => ({ lengthMm }))}
        </div>
      );
  }
}

/** What a recipe of the house is for, its parts, and how much is mixed for how long. */
function RecipeFields({ own, products, set, number }: Omit<OwnProps, 'own'> & { own: HouseRecipe }) {
  const options = products
    .filter(({ kind }) => kind !== 'recipe' && kind !== 'foil')
    .map(({ id, name, kind }) => ({
      value: id,
      words: kind === 'line' ? `${name}, natural of the hair’s level` : name,
    }));
  const change = (i: number, part: RecipePart) =>
    set({ parts: own.parts.map((was, at) => (at === i ? part : was)) });
  return (
    <>
      <div className="grid grid-cols-3 gap-3">
        <Select
          label="For"
          value={own.use}
          options={RECIPE_USES.map((value) => ({ value, words: RECIPE_WORDS[value] }))}
          onChange={(use) => set({ use })}
        />
        {number('For 1 g of hair', { unit: 'g', min: 0, max: 10 }, own.perHairGram, (perHairGram) => ({
          perHairGram,
        }))}
        {number('Stays on', { unit: 'min', min: 1, max: 60 }, own.minutes, (minutes) => ({
          minutes: Math.round(minutes),
        }))}
      </div>
      <fieldset className="grid gap-2">
        <legend className="mb-1 text-sm font-semibold">Parts by weight</legend>
        {own.parts.map((part, i) => (
          <div key={i} className="grid grid-cols-[minmax(0,1fr)_120px_40px] items-center gap-2">
            {'product' in part ? (
              <Select
                label={`Part ${i + 1}`}
                hideLabel
                value={part.product}
                options={[
                  ...(options.some(({ value }) => value === part.product)
                    ? []
                    : [{ value: part.product, words: part.product || 'choose' }]),
                  ...options,
                ]}
                onChange={(product) => change(i, { product, parts: part.parts })}
              />
            ) : (
              <NumberField
                label={`Developer, part ${i + 1}`}
                hideLabel
                unit="vol"
                min={1}
                max={40}
                value={part.volumes}
                parse={figure}
                onChange={(volumes) => volumes !== undefined && change(i, { volumes, parts: part.parts })}
              />
            )}
            <NumberField
              label={`Parts of ${i + 1}`}
              hideLabel
              unit="parts"
              min={0.05}
              max={20}
              value={part.parts}
              parse={figure}
              onChange={(parts) => parts !== undefined && change(i, { ...part, parts })}
            />
            <Button
              small
              look="quiet"
              aria-label={`Remove part ${i + 1}`}
              disabled={own.parts.length === 1}
              onClick={() => set({ parts: own.parts.filter((_, at) => at !== i) })}
            >
              ×
            </Button>
          </div>
        ))}
        <span className="flex gap-2">
          <Button
            small
            disabled={options.length === 0}
            onClick={() => set({ parts: [...own.parts, { product: options[0].value, parts: 1 }] })}
          >
            Add a product
          </Button>
          <Button small onClick={() => set({ parts: [...own.parts, { volumes: 10, parts: 1 }] })}>
            Add developer
          </Button>
        </span>
      </fieldset>
    </>
  );
}

function Mixed({ own, number }: { own: Extract<Product, { ratio: unknown }>; number: OwnProps['number'] }) {
  const { ratio, volumes } = own;
  return (
    <div className="grid grid-cols-5 gap-3">
      {number('Ratio, least 1 :', { unit: '', min: 0.5, max: 5 }, ratio.least, (least) => ({
        ratio: { ...ratio, least },
      }))}
      {number('usual 1 :', { unit: '', min: 0.5, max: 5 }, ratio.usual, (usual) => ({
        ratio: { ...ratio, usual },
      }))}
      {number('most 1 :', { unit: '', min: 0.5, max: 5 }, ratio.most, (most) => ({
        ratio: { ...ratio, most },
      }))}
      {number('Weakest', { unit: 'vol', min: 1, max: 40 }, volumes.least, (least) => ({
        volumes: { ...volumes, least },
      }))}
      {number('Strongest', { unit: 'vol', min: 1, max: 40 }, volumes.most, (most) => ({
        volumes: { ...volumes, most },
      }))}
    </div>
  );
}
