'use client';

import { useState, type ReactNode } from 'react';
import { productSchema, sentenceOf } from '@/core/formats';
import { DEPOSITS, type DepositTone } from '@/core/lift';
import { productsOf, rangeProblems, USE_WORDS, USES, type Product } from '@/core/products';
import { formatLevel } from '@/core/units';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { NumberField } from '@/ui/number-field';
import { Select } from '@/ui/select';
import { Switch } from '@/ui/switch';
import { useHouse } from '../house/context';
import { minorPerUnit } from '../house/money';

interface ProductFormProps {
  product: Product;
  fresh: boolean;
  products: readonly Product[];
  busy: boolean;
  /** @returns what is wrong */
  onSave(product: Product): Promise<string | undefined>;
  onRemove(): Promise<string | undefined>;
}

const figure = (text: string): number | undefined => (/^-?\d{1,7}([.,]\d{1,3})?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : undefined);
const LEVELS = Array.from({ length: 19 }, (_, i) => 1 + i / 2).map((level) => ({ value: String(level), words: formatLevel(level) }));
const TONES = [...(Object.keys(DEPOSITS) as DepositTone[]), 'clear' as const].map((value) => ({ value, words: value }));

const LIFTS = [{ value: 'deposits', words: 'only deposits' }, { value: 'lifts', words: 'lifts and deposits' }] as const;
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
  const number = (label: string, unit: string, min: number, max: number, value: number | undefined, take: (value: number) => object, placeholder?: string) => (
    <NumberField label={label} unit={unit} min={min} max={max} value={value} placeholder={placeholder} parse={figure} onChange={(next) => next !== undefined && set(take(next))} />
  );
  const save = async () => {
    const read = productSchema.safeParse(own);
    if (!read.success) return setProblem(sentenceOf(read.error));
    const others = products.filter((other) => fresh || other.id !== product.id);
    const wrong = rangeProblems([...others, read.data]).find(({ at }) => at === others.length);
    setProblem(wrong ? `${wrong.field}: ${wrong.problem}.` : await onSave(read.data));
  };
  return (
    <form
      className="grid gap-4" noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <div className="grid grid-cols-[minmax(0,1fr)_200px] gap-3">
        <TextField label="Name" value={own.name} maxLength={80} onChange={(event) => set({ name: event.target.value })} />
        <TextField label="Short name" value={own.id} maxLength={40} disabled={!fresh} hint={fresh ? 'Never changes afterwards' : undefined} onChange={(event) => set({ id: event.target.value })} />
      </div>
      <Own own={own} products={products} set={set} number={number} />
      <div className="grid grid-cols-3 gap-3 border-t border-line pt-4">
        {own.kind !== 'line' && number('In stock', own.kind === 'foil' ? 'sheets' : 'g', 0, 1_000_000, own.stock, (stock) => ({ stock }))}
        {number('A pack holds', own.kind === 'foil' ? 'sheets' : 'g', 1, 20_000, own.pack, (pack) => ({ pack }))}
        {number('A pack costs', prices.currency, 0, 100_000, own.packMinor / per, (price) => ({ packMinor: Math.round(price * per) }))}
      </div>
      <TextField label="Note: what the maker or the house says" value={own.note} maxLength={400} onChange={(event) => set({ note: event.target.value })} />
      {problem && <p role="alert" className="text-base font-semibold text-rowan">{problem}</p>}
      <div className="flex justify-between gap-3">
        {fresh ? <span /> : <Button disabled={busy} onClick={() => void onRemove().then(setProblem)}>Remove</Button>}
        <Button look="primary" type="submit" disabled={busy}>Save</Button>
      </div>
    </form>
  );
}

interface OwnProps {
  own: Product;
  products: readonly Product[];
  set(part: object): void;
  number(label: string, unit: string, min: number, max: number, value: number | undefined, take: (value: number) => object, placeholder?: string): ReactNode;
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
              <NumberField key={use} label={`Longest ${USE_WORDS[use]}`} unit="min" min={1} max={120} value={own.minutes[use] ?? undefined} placeholder="not made for it" parse={figure} onChange={(minutes) => set({ minutes: { ...own.minutes, [use]: minutes === undefined ? null : Math.round(minutes) } })} />
            ))}
            <NumberField label="Shortest time" unit="min" min={1} max={120} value={own.leastMinutes || undefined} placeholder="by the level" parse={figure} onChange={(minutes) => set({ leastMinutes: minutes === undefined ? 0 : Math.round(minutes) })} />
            {number('Speed against powder', 'times', 0.3, 1.5, own.speed, (speed) => ({ speed }))}
            {number('Lifts at most', 'levels', 1, 9, own.levels, (levels) => ({ levels }))}
            <Select label="and no further than" value={String(own.top)} options={LEVELS} onChange={(top) => set({ top: Number(top) })} />
          </div>
        </>
      );
    case 'developer': return <div className="grid grid-cols-3 gap-3">{number('Strength', 'vol', 1, 40, own.volumes, (volumes) => ({ volumes }))}</div>;
    case 'line':
      return (
        <>
          <Mixed own={own} number={number} />
          <div className="grid grid-cols-3 gap-3">
            {number('Shortest time', 'min', 1, 60, own.minutes.least, (least) => ({ minutes: { ...own.minutes, least: Math.round(least) } }))}
            {number('Longest time', 'min', 1, 60, own.minutes.most, (most) => ({ minutes: { ...own.minutes, most: Math.round(most) } }))}
            <span />
            {number('Root: natural', 'parts', 0, 10, own.root.natural, (natural) => ({ root: { ...own.root, natural } }))}
            {number('Root: ash', 'parts', 0, 10, own.root.ash, (ash) => ({ root: { ...own.root, ash } }))}
            {number('Root: levels from natural', '', -3, 3, own.root.levels, (levels) => ({ root: { ...own.root, levels } }))}
            <Select label="It" value={own.lifts ? 'lifts' : 'deposits'} options={LIFTS} onChange={(what) => set({ lifts: what === 'lifts' ? USUAL_LIFTS : null })} />
            {own.lifts && number('Lifts at most', 'levels', 1, 6, own.lifts.levels, (levels) => ({ lifts: { ...own.lifts!, levels } }))}
            {own.lifts && number('Speed against powder', 'times', 0.3, 1.5, own.lifts.speed, (speed) => ({ lifts: { ...own.lifts!, speed } }))}
          </div>
        </>
      );
    case 'shade':
      return (
        <div className="grid grid-cols-3 gap-3">
          <Select label="Line" value={own.line} options={[...(productsOf(products, 'line').some(({ id }) => id === own.line) ? [] : [{ value: own.line, words: own.line || 'choose' }]), ...productsOf(products, 'line').map(({ id, name }) => ({ value: id, words: name }))]} onChange={(line) => set({ line })} />
          <Select label="Level" value={String(own.level)} options={LEVELS} onChange={(level) => set({ level: Number(level) })} />
          <Select label="Tone" value={own.tone} options={TONES} onChange={(tone) => set({ tone })} />
        </div>
      );
    case 'additive':
      return (
        <div className="grid grid-cols-2 items-end gap-3">
          {number('For 1 g of lightener', 'g', 0, 10, own.perGram, (perGram) => ({ perGram }))}
          <div className="flex min-h-10 items-center justify-between gap-4"><span className="text-base">Weakens the developer</span><Switch label="Weakens the developer" on={own.weakens} onChange={(weakens) => set({ weakens })} /></div>
        </div>
      );
    case 'treatment': return <div className="grid grid-cols-3 gap-3">{number('A head takes', 'g', 0, 500, own.perUse, (perUse) => ({ perUse }))}</div>;
    case 'foil':
      return (
        <div className="grid grid-cols-3 gap-3">
          {number('Width', 'mm', 30, 300, own.widthMm, (widthMm) => ({ widthMm }))}
          {number('Length', 'mm', 50, 1000, own.lengthMm, (lengthMm) => ({ lengthMm }))}
        </div>
      );
  }
}

function Mixed({ own, number }: { own: Extract<Product, { ratio: unknown }>; number: OwnProps['number'] }) {
  const { ratio, volumes } = own;
  return (
    <div className="grid grid-cols-5 gap-3">
      {number('Ratio, least 1 :', '', 0.5, 5, ratio.least, (least) => ({ ratio: { ...ratio, least } }))}
      {number('usual 1 :', '', 0.5, 5, ratio.usual, (usual) => ({ ratio: { ...ratio, usual } }))}
      {number('most 1 :', '', 0.5, 5, ratio.most, (most) => ({ ratio: { ...ratio, most } }))}
      {number('Weakest', 'vol', 1, 40, volumes.least, (least) => ({ volumes: { ...volumes, least } }))}
      {number('Strongest', 'vol', 1, 40, volumes.most, (most) => ({ volumes: { ...volumes, most } }))}
    </div>
  );
}
