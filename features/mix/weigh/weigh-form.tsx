'use client';

import clsx from 'clsx';
import { useState } from 'react';
import type { WorkBowl } from '@/core/work';
import { against, scaledUp, type Against } from '@/core/scale';
import { Button } from '@/ui/button';
import { NumberField } from '@/ui/number-field';
import { Select } from '@/ui/select';
import { useScale } from '../../scale/use-scale';
import { useVisit } from '../../visit/store';
import { readAmount, useAmounts } from '../amounts';
import { weighedGrams, withWeighed } from './weighed';

const SAID: Readonly<Record<Against, string>> = {
  empty: 'Pour',
  under: 'More',
  near: 'Slowly',
  right: 'Right',
  over: 'Too much',
};
const POURS = [20, 5, 1] as const;

/**
 * Weighs a bowl, one thing after the other, from the scale or by hand. What is weighed is kept with the visit
 * at once.
 */
export function WeighForm({ bowl, onDone }: { bowl: WorkBowl; onDone(): void }) {
  const { mix, editMix } = useVisit();
  const { say } = useAmounts();
  const scale = useScale();
  const items = bowl.items.ok ? bowl.items.items : [];
  const weighed = weighedGrams(mix, bowl);
  const wanted = scaledUp(
    items.map(({ grams }) => grams),
    weighed,
  );
  const first = weighed.findIndex((value) => value === null);
  const [chosen, choose] = useState<number>();
  const at = chosen ?? (first < 0 ? items.length : first);
  const item = items[at];
  const keep = (grams: number, by: 'scale' | 'hand') => {
    editMix(
      `${item.name} weighed, bowl ${bowl.label}`,
      (visitMix) =>
        withWeighed({
          mix: visitMix,
          bowl: bowl.label,
          product: item.product,
          grams: Math.round(grams * 10) / 10,
          by,
        }),
      `weigh ${bowl.label} ${item.product}`,
    );
    choose(undefined);
    // The next thing is poured on top: what lies there counts as nothing.
    if (by === 'scale') scale.send({ do: 'tare' });
  };
  const now = item && scale.grams !== null ? against(scale.grams, wanted.grams[at]) : undefined;
  return (
    <div className="grid gap-4">
      <ol className="grid gap-1">
        {items.map((bowlItem, i) => (
          <li key={bowlItem.product}>
            <button
              type="button"
              onClick={() => choose(i)}
              aria-current={i === at || undefined}
              className={clsx(
                'grid min-h-11 w-full grid-cols-[minmax(0,1fr)_auto_auto] items-center gap-4 rounded-ui px-3 text-left text-base',
                i === at ? 'bg-leaf-pale font-semibold' : 'hover:bg-leaf-pale',
              )}
            >
              <span>{bowlItem.name}</span>
              <span className="text-ink-soft">
                {wanted.factor > 1 && <s className="mr-2">{say(bowlItem.grams, bowlItem.powder)}</s>}
                {say(wanted.grams[i], bowlItem.powder)}
              </span>
              <span className="w-[96px] text-right">
                {weighed[i] === null ? 'not yet' : <b>{say(weighed[i]!)}</b>}
              </span>
            </button>
          </li>
        ))}
      </ol>
      {wanted.factor > 1 && (
        <p role="status" className="text-base font-medium text-amber-bark">
          Too much of one thing was poured, so the others go up by {Math.round((wanted.factor - 1) * 100)}%,
          so that strength and thickness stay as planned.
        </p>
      )}
      {item ? (
        <>
          <section aria-label="Scale" className="grid gap-3 rounded-ui border border-line bg-ground p-4">
            <div className="flex flex-wrap items-center justify-between gap-3">
              <p className="text-base">
                {item.name}: <b>{say(wanted.grams[at], item.powder)}</b>
              </p>
              {scale.names.length > 1 && (
                <div className="w-52">
                  <Select
                    label="Scale of this station"
                    hideLabel
                    value={scale.at ?? ''}
                    options={scale.names.map((name) => ({ value: name, words: name }))}
                    onChange={scale.choose}
                  />
                </div>
              )}
            </div>
            {scale.link === 'there' ? (
              <>
                <p className="flex items-baseline gap-4">
                  <output aria-label="Reading" className="text-[64px] leading-none font-bold wide">
                    {scale.grams === null ? '…' : scale.grams.toFixed(1)}
                  </output>
                  <span className="text-xl">g</span>
                  <span
                    className={clsx(
                      'text-xl font-bold',
                      now === 'right' ? 'text-leaf' : now === 'over' ? 'text-rowan' : 'text-ink-soft',
                    )}
                  >
                    {now && SAID[now]}
                  </span>
                  {!scale.settled && <span className="text-base text-ink-soft">settling</span>}
                </p>
                <Bar grams={scale.grams ?? 0} wanted={wanted.grams[at]} now={now} />
                <div className="flex flex-wrap gap-2">
                  <Button
                    look="primary"
                    disabled={!scale.settled || scale.grams === null || scale.grams <= 0}
                    onClick={() => keep(scale.grams!, 'scale')}
                  >
                    Use this weight
                  </Button>
                  <Button onClick={() => scale.send({ do: 'tare' })} disabled={!scale.settled}>
                    Tare
                  </Button>
                  {scale.handled && (
                    <span className="ml-auto flex items-center gap-1 text-sm text-ink-soft">
                      Simulated:
                      {POURS.map((grams) => (
                        <Button key={grams} small onClick={() => scale.send({ do: 'pour', grams })}>
                          +{grams} g
                        </Button>
                      ))}
                      <Button small onClick={() => scale.send({ do: 'clear' })}>
                        Empty
                      </Button>
                    </span>
                  )}
                </div>
              </>
            ) : null}
            {scale.link === 'looking' && <p className="text-base text-ink-soft">Looking for the scale …</p>}
            {scale.link === 'none' && (
              <p className="text-base text-ink-soft">No scale is connected to this house: weigh by hand.</p>
            )}
            {scale.words && (
              <p role="alert" className="text-base font-semibold text-amber-bark">
                {scale.words}
              </p>
            )}
          </section>
          <ByHand key={item.product} name={item.name} onKeep={(grams) => keep(grams, 'hand')} />
        </>
      ) : (
        <div className="flex items-center justify-between gap-4">
          <p role="status" className="text-lg font-semibold text-leaf">
            Everything is weighed.
          </p>
          <Button look="primary" onClick={onDone}>
            Done
          </Button>
        </div>
      )}
    </div>
  );
}

function ByHand({ name, onKeep }: { name: string; onKeep(grams: number): void }) {
  const [grams, setGrams] = useState<number>();
  return (
    <form
      className="grid grid-cols-[180px_auto] items-end justify-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (grams !== undefined) onKeep(grams);
      }}
    >
      <NumberField
        label={`By hand: ${name}`}
        unit="g"
        min={0}
        max={5000}
        value={grams}
        parse={readAmount}
        onChange={setGrams}
      />
      <Button type="submit" disabled={grams === undefined}>
        Save
      </Button>
    </form>
  );
}

/** The reading against what is wanted, which lies at three quarters. */
function Bar({ grams, wanted, now }: { grams: number; wanted: number; now: Against | undefined }) {
  const width = Math.min(100, Math.max(0, (75 * grams) / Math.max(1, wanted)));
  return (
    <div className="relative h-5 overflow-hidden rounded-[4px] border border-edge bg-field" aria-hidden>
      <span
        className={clsx(
          'absolute inset-y-0 left-0',
          now === 'over' ? 'bg-rowan' : now === 'right' ? 'bg-leaf' : 'bg-sky',
        )}
        style={{ width: `${width}%` }}
      />
      <span className="absolute inset-y-0 left-3/4 w-0.5 bg-ink" />
    </div>
  );
}
