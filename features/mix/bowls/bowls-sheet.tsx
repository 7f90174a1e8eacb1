'use client';

import { useState } from 'react';
import type { Need } from '@/core/mix';
import { groupsOf, groupWords, type WorkBowl } from '@/core/work';
import { usualFormula } from '@/core/visit';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { NumberField } from '@/ui/number-field';
import { useSaid } from '@/ui/measures';
import { Segmented } from '@/ui/segmented';
import { useMoney } from '../../house/context';
import { useVisit } from '../../visit/store';
import { readAmount, useAmounts, useAmountUnit } from '../amounts';
import { HereCautions } from '../here-cautions';
import { useComputed } from '../../visit/computed';
import { Items } from '../tone/items';
import { WeighForm } from '../weigh/weigh-form';
import { weighedOf } from '../weigh/weighed';
import { Blender } from './blender';
import { LockedPart } from '../locked';
import { FormulaCard } from './formula-card';

const UNITS = [
  { value: 'g', words: 'g' },
  { value: 'oz', words: 'oz' },
  { value: 'scoop', words: 'scoops' },
] as const;

/** What is mixed: the formulas, the bowls in the order in which they are mixed, and what has to be bought. */
export function BowlsSheet() {
  const visit = useComputed();
  return (
    <div className="grid items-start gap-5 p-3 md:p-4 lg:grid-cols-[18.5rem_minmax(0,1fr)] xl:grid-cols-[minmax(21rem,25rem)_minmax(0,1fr)] xl:gap-6 xl:p-5">
      <section aria-label="Formulas" className="grid gap-4">
        <h2 className="text-xl font-bold wide xl:flex xl:min-h-[60px] xl:items-end">Formulas</h2>
        <HereCautions
          keys={[
            'strong-scalp',
            'forty-near',
            'strong-hairline',
            'strong-fragile',
            'overlap',
            'heat',
            'bowl-old',
          ]}
        />
        {visit.work.letters.length === 0 && (
          <p className="card p-4 text-base text-ink-soft">
            {visit.shelf.lighteners.length === 0
              ? 'The house has no lightener: add one under House, Products.'
              : 'The pattern has no foils yet: lay one first.'}
          </p>
        )}
        {visit.work.letters.map((row) => (
          <LockedPart key={row.letter} letter={row.letter}>
            <FormulaCard row={row} />
          </LockedPart>
        ))}
        <AddFormula />
      </section>
      <section aria-label="Bowls" className="grid gap-4">
        <header className="flex flex-wrap items-end justify-between gap-x-4 gap-y-2">
          <h2 className="text-xl font-bold wide">Bowls</h2>
          <BowlSettings />
        </header>
        <Bowls />
        <Own />
        <Blender />
        <Needs />
      </section>
    </div>
  );
}

function BowlSettings() {
  const { mix, editMix } = useVisit();
  const unit = useAmountUnit();
  const bowl = (part: Partial<typeof mix.bowl>) =>
    editMix(
      'bowl',
      (visitMix) => ({ ...visitMix, bowl: { ...visitMix.bowl, ...part } }),
      Object.keys(part).join(),
    );
  return (
    <div className="flex flex-wrap items-end gap-3">
      <div className="w-[116px]">
        <NumberField
          label="Most in a bowl"
          unit="g"
          min={20}
          max={500}
          value={mix.bowl.mostGrams}
          parse={readAmount}
          onChange={(mostGrams) => mostGrams !== undefined && bowl({ mostGrams })}
        />
      </div>
      <div className="w-[124px]">
        <NumberField
          label="Used within"
          unit="min"
          min={10}
          max={90}
          value={mix.bowl.usefulMinutes}
          parse={readAmount}
          onChange={(usefulMinutes) => usefulMinutes !== undefined && bowl({ usefulMinutes })}
        />
      </div>
      <div className="w-[176px]" data-as-written>
        <Segmented
          label="Amounts in"
          value={unit}
          options={UNITS}
          onChange={(unit) => editMix('unit of amounts', (visitMix) => ({ ...visitMix, unit }))}
        />
      </div>
      {unit === 'scoop' && (
        <div className="w-[104px]">
          <NumberField
            label="A scoop"
            unit="g"
            min={2}
            max={60}
            value={mix.scoopGrams}
            parse={readAmount}
            onChange={(scoopGrams) =>
              scoopGrams !== undefined &&
              editMix('size of a scoop', (visitMix) => ({ ...visitMix, scoopGrams }), 'scoop')
            }
          />
        </div>
      )}
    </div>
  );
}

function Bowls() {
  const visit = useComputed();
  const [open, setOpen] = useState<string>();
  const said = useSaid();
  const { bowls } = visit.work;
  if (!bowls.ok)
    return (
      <p role="alert" className="card border-l-[3px] border-l-amber-bark p-4 text-base font-medium">
        {said(bowls.problem)} Allow more in a bowl, or make the foil thinner.
      </p>
    );
  if (bowls.bowls.length === 0)
    return <p className="card p-4 text-base text-ink-soft">No foils, no bowls.</p>;
  const weighing = bowls.bowls.find(({ label }) => label === open);
  return (
    <>
      <ol className="card divide-y divide-line">
        {bowls.bowls.map((bowl) => (
          <BowlRow key={bowl.label} bowl={bowl} onWeigh={() => setOpen(bowl.label)} />
        ))}
      </ol>
      <Dialog
        open={weighing !== undefined}
        onOpenChange={(shown) => !shown && setOpen(undefined)}
        title={weighing ? `Weigh bowl ${weighing.label}` : ''}
        middle
      >
        {weighing && <WeighForm bowl={weighing} onDone={() => setOpen(undefined)} />}
      </Dialog>
    </>
  );
}

function BowlRow({ bowl, onWeigh }: { bowl: WorkBowl; onWeigh(): void }) {
  const { mix } = useVisit();
  const { work } = useComputed();
  const { say } = useAmounts();
  const done = weighedOf(mix, bowl);
  const { foilNumbers, foils, others, items } = bowl;
  const what = [
    foilNumbers &&
      (foils === 1
        ? `foil ${foilNumbers[0]}`
        : foils === foilNumbers[1] - foilNumbers[0] + 1
          ? `foils ${foilNumbers[0]}–${foilNumbers[1]}`
          : `${foils} foils among ${foilNumbers[0]}–${foilNumbers[1]}`),
    others > 0 &&
      groupWords(groupsOf(bowl.units.map((at) => work.units[at]).filter(({ kind }) => kind !== 'foil'))),
  ]
    .filter(Boolean)
    .join(', ');
  return (
    <li
      className="grid grid-cols-[80px_minmax(0,1fr)_auto] items-center gap-4 px-4 py-3"
      aria-label={`Bowl ${bowl.label}`}
    >
      <p
        className={`leading-tight font-bold ${bowl.label.length > 4 ? 'text-lg' : 'text-2xl whitespace-nowrap'}`}
      >
        {bowl.label}
      </p>
      <div className="min-w-0">
        <Items read={items} />
        <p className="text-sm text-ink-soft">
          {bowl.part === 'second' && 'Second application: '}
          {what}; mixed at minute {Math.round(bowl.fromMinutes)}, used by minute {Math.round(bowl.toMinutes)};{' '}
          {say(bowl.mixed)} needed{items.ok && `, ${say(items.total)} mixed`}
        </p>
      </div>
      <Button small onClick={onWeigh} disabled={!items.ok}>
        {done === 'all' ? 'Weighed' : done === 'some' ? 'Continue weighing' : 'Weigh'}
      </Button>
    </li>
  );
}

/** One's own use against the estimate, and what the formulas took today. */
function Own() {
  const visit = useComputed();
  const { mix, editMix } = useVisit();
  const { say } = useAmounts();
  const { factor, visits } = visit.work.personal;
  const letters = [...new Set(visit.work.amounts.map(({ letter }) => letter))];
  if (letters.length === 0) return null;
  const predicted = (letter: string) =>
    Math.round(
      (10 *
        visit.work.amounts
          .filter((amount) => amount.letter === letter)
          .reduce((sum, { net }) => sum + net, 0)) /
        factor,
    ) / 10;
  const used = (letter: string, grams: number | undefined) =>
    editMix(
      `formula ${letter}: grams used`,
      (visitMix) => {
        const next = { ...visitMix.used };
        if (grams === undefined) delete next[letter];
        else next[letter] = { grams, predicted: predicted(letter) };
        return { ...visitMix, used: next };
      },
      `used ${letter}`,
    );
  return (
    <section aria-label="Used" className="card grid gap-2 p-4">
      <h3 className="text-md font-bold">What was really used</h3>
      <p className="text-sm text-ink-soft">
        {visits === 0
          ? 'Weigh what is left over: from your own visits the estimate learns how much you use.'
          : `From ${visits} of your visits: you use ${Math.round(100 * factor)}% of the plain estimate, and the bowls above allow for it.`}
      </p>
      <div className="flex flex-wrap gap-3">
        {letters.map((letter) => (
          <div key={letter} className="w-[190px]">
            <NumberField
              label={`Used of ${letter}`}
              unit="g"
              hint={`of ${say(predicted(letter) * factor)}`}
              min={0}
              max={5000}
              value={mix.used[letter]?.grams}
              placeholder="not read"
              parse={readAmount}
              onChange={(grams) => used(letter, grams)}
            />
          </div>
        ))}
      </div>
    </section>
  );
}

function Needs() {
  const visit = useComputed();
  const money = useMoney();
  const { say } = useAmounts();
  const short = visit.needs.filter((need) => need.short > 0);
  const said = ({ product, needed }: Need) => (product.kind === 'foil' ? `${needed} sheets` : say(needed));
  return (
    <section aria-label="Stock" className="card p-4">
      <h3 className="mb-1 text-md font-bold">Stock</h3>
      {short.length > 0 && (
        <ul className="mb-2 grid gap-1">
          {short.map((need) => (
            <li key={need.product.id} className="text-base font-semibold text-amber-bark">
              Buy {need.packs} {need.packs === 1 ? 'pack' : 'packs'} of {need.product.name}: {said(need)}{' '}
              needed,{' '}
              {need.product.kind === 'foil' ? `${need.product.stock} sheets` : say(need.product.stock)} there.
            </li>
          ))}
        </ul>
      )}
      <p className="text-sm text-ink-soft">
        {visit.needs.length === 0 && 'Nothing is needed yet. '}
        {visit.needs.map((need, i) => (
          <span key={need.product.id}>
            {i > 0 && ' · '}
            <span data-as-written>{need.product.name}</span> {said(need)}
          </span>
        ))}
        {visit.needs.length > 0 && '. '}
        <span className="private">Materials cost the house {money(visit.materialsMinor)}.</span>
      </p>
    </section>
  );
}

function AddFormula() {
  const { editMix } = useVisit();
  const visit = useComputed();
  const {
    shelf,
    work: { letters },
  } = visit;
  const letter = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].find((own) => !letters.some((row) => row.letter === own));
  const line = shelf.lines[0];
  if (!letter) return null;
  const lift = () => {
    const formula = usualFormula(shelf);
    if (formula)
      editMix(`formula ${letter} added`, (mix) => ({
        ...mix,
        formulas: { ...mix.formulas, [letter]: formula },
      }));
  };
  const deposit = () => {
    const shade = line && shelf.shadesOf(line.id)[0];
    if (shade)
      editMix(`formula ${letter} added`, (mix) => ({
        ...mix,
        formulas: {
          ...mix.formulas,
          [letter]: {
            kind: 'deposit',
            line: line.id,
            parts: [{ shade: shade.id, parts: 1 }],
            volumes: Math.min(10, line.volumes.most),
            ratio: line.ratio.usual,
            additives: [],
            minutes: line.minutes.usual ?? line.minutes.most,
            reach: 'ends',
            ends: null,
          },
        },
      }));
  };
  return (
    <div className="flex gap-2">
      <Button small onClick={lift} disabled={shelf.lighteners.length === 0}>
        Add formula {letter}
      </Button>
      <Button small onClick={deposit} disabled={!line || shelf.shadesOf(line.id).length === 0}>
        Add lowlight {letter}
      </Button>
    </div>
  );
}
