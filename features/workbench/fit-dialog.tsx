'use client';

import { useEffect, useRef, useState } from 'react';
import { foilsWithin, itemise, withFoils } from '@/core/fee';
import type { FitLimit, Fitted } from '@/core/fit';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { NumberField } from '@/ui/number-field';
import { Segmented } from '@/ui/segmented';
import { hoursAndMinutes } from '../shared';
import { useHouse, useMoney } from '../house/context';
import { minorPerUnit } from '@/core/units';
import { useComputed } from '../visit/computed';
import { useVisit } from '../visit/store';
import { useWearSubject } from '../wear/subject';
import { wearWorker } from '../wear/wear-worker';

interface FitDialogProps {
  open: boolean;
  /** What it is fitted to when it opens. */
  kind?: Kind;
  onOpenChange(open: boolean): void;
}

type Kind = 'foils' | 'minutes' | 'budget';
const KINDS: readonly { value: Kind; words: string }[] = [
  { value: 'foils', words: 'Foils' },
  { value: 'minutes', words: 'Minutes' },
  { value: 'budget', words: 'Budget' },
];
const LABELS: Record<Kind, string> = {
  foils: 'At most this many foils',
  minutes: 'At most this many minutes',
  budget: 'At most this amount',
};
const readWhole = (text: string): number | undefined =>
  /^\d{1,4}$/.test(text.trim()) ? Number(text.trim()) : undefined;

const points = (value: number) => (value < 1 ? value.toFixed(2) : value.toFixed(1));

/**
 * Fits the pattern to a number of foils or minutes: what changes and what is lost is shown before it is
 * accepted.
 */
export function FitDialog({ open, onOpenChange, kind = 'foils' }: FitDialogProps) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Fit to a limit">
      {open && <FitForm first={kind} onDone={() => onOpenChange(false)} />}
    </Dialog>
  );
}

function FitForm({ first, onDone }: { first: Kind; onDone(): void }) {
  const { plan, consult, computed, editPlan } = useVisit();
  const { totals } = computed.sheet;
  const { prices } = useHouse();
  const money = useMoney();
  const [kind, setKind] = useState<Kind>(first);
  const [value, setValue] = useState<number | undefined>(
    first === 'budget' && consult.budgetMinor !== null
      ? Math.floor(consult.budgetMinor / minorPerUnit(prices.currency))
      : undefined,
  );
  const [fitted, setFitted] = useState<Fitted>();
  const [working, setWorking] = useState(false);
  const giveUp = useRef<() => void>(null);
  useEffect(() => () => giveUp.current?.(), []);
  const per = minorPerUnit(prices.currency);
  const { priced, estimate } = useComputed();
  const subject = useWearSubject(plan);
  const now =
    kind === 'foils'
      ? `of ${totals.foils}`
      : kind === 'minutes'
        ? `of ${Math.round(totals.foilingMinutes)}`
        : `of ${money(estimate.totalMinor)}`;

  const work = () => {
    if (value === undefined) return;
    const limit = limitOf(kind, value);
    if ('problem' in limit) return setFitted({ ok: false, problem: limit.problem });
    setWorking(true);
    giveUp.current = wearWorker.ask('fit', 0, 'fit', { subject, limit }, ({ answer, done, problem }) => {
      if (answer) setFitted(answer);
      if (problem) setFitted({ ok: false, problem: `It could not be worked out: ${problem}.` });
      if (done) setWorking(false);
    });
  };
  /** A budget is a limit of foils, by the prices of the house and the rest of the visit. */
  const limitOf = (of: Kind, figure: number): FitLimit | { problem: string } => {
    if (of === 'foils') return { kind: of, foils: figure };
    if (of === 'minutes') return { kind: of, minutes: figure };
    const paid = foilsWithin(figure * per, priced, prices);
    if (!paid.ok)
      return {
        problem: `By the prices of the house, with the rest of this visit, foils begin at ${money(paid.leastMinor)}.`,
      };
    return {
      kind: 'foils',
      foils: paid.all ? totals.foils : Math.max(1, paid.foils - computed.sheet.painted.length),
    };
  };
  const priceAt = ({ foils, minutes }: { foils: number; minutes: number }) =>
    itemise({ ...withFoils(priced, foils + computed.sheet.painted.length), foilingMinutes: minutes }, prices)
      .totalMinor;
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        work();
      }}
    >
      <p className="text-base text-ink-soft">
        The pattern is thinned where it shows least; hairline, part and crown are kept longest. Minutes and
        money are estimates.
      </p>
      <div className="grid grid-cols-2 gap-3">
        <Segmented
          label="Limit"
          value={kind}
          options={KINDS}
          onChange={(next) => {
            setKind(next);
            setValue(undefined);
            setFitted(undefined);
          }}
        />
        <NumberField
          label={LABELS[kind]}
          hideLabel
          unit={now}
          min={1}
          max={kind === 'budget' ? 10_000_000 / minorPerUnit(prices.currency) : 600}
          value={value}
          parse={readWhole}
          onChange={(next) => {
            setValue(next);
            setFitted(undefined);
          }}
        />
      </div>
      {fitted && !fitted.ok && (
        <p role="alert" className="text-base font-semibold text-rowan">
          {fitted.problem}
        </p>
      )}
      {fitted?.ok && (
        <div role="status" className="grid gap-2 text-base">
          <p>
            <b className="text-xl">{fitted.foils}</b> foils in {hoursAndMinutes(fitted.minutes)},{' '}
            {money(priceAt(fitted))}
            {fitted.changes.length === 0 && ': it fits as it is.'}
          </p>
          {fitted.changes.length > 0 && (
            <ul className="list-disc pl-5">
              {fitted.changes.map(({ panel, words, pointsBefore, pointsAfter, saved }) => (
                <li key={panel}>
                  {words}
                  <span className="block text-sm text-ink-soft">
                    gives up {points(pointsBefore - pointsAfter)} of {points(pointsBefore)} points,{' '}
                    {points((pointsBefore - pointsAfter) / Math.max(1, saved))} a foil
                  </span>
                </li>
              ))}
            </ul>
          )}
          {fitted.changes.length > 0 && (
            <p className="text-sm text-ink-soft">
              Of all hair that is seen as it is worn, {points(fitted.pointsBefore)} →{' '}
              {points(fitted.pointsAfter)} percent is light (estimate). Each panel was thinned until a foil
              there adds more than one elsewhere.
            </p>
          )}
          {fitted.lost.length > 0 && <p className="text-amber-bark">Lost: {fitted.lost.join('; ')}.</p>}
        </div>
      )}
      <div className="flex justify-end gap-3">
        {fitted?.ok && fitted.changes.length > 0 ? (
          <Button
            look="primary"
            onClick={() => {
              editPlan(
                `fitted to ${kind === 'budget' ? money((value ?? 0) * per) : `${value} ${kind}`}`,
                () => fitted.plan,
              );
              onDone();
            }}
          >
            Apply
          </Button>
        ) : (
          <Button look="primary" type="submit" disabled={value === undefined || working}>
            {working ? 'Working it out …' : 'Show how'}
          </Button>
        )}
      </div>
    </form>
  );
}
