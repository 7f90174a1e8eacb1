'use client';

import { useState } from 'react';
import { fitPlan, type FitLimit, type Fitted } from '@/core/fit';
import { createPatternEngine } from '@/core/pattern';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { NumberField } from '@/ui/number-field';
import { Segmented } from '@/ui/segmented';
import { hoursAndMinutes } from '../shared';
import { useVisit } from '../visit/store';

interface FitDialogProps {
  open: boolean;
  onOpenChange(open: boolean): void;
}

const KINDS = [{ value: 'foils', words: 'Foils' }, { value: 'minutes', words: 'Minutes' }] as const;
const readWhole = (text: string): number | undefined => (/^\d{1,4}$/.test(text.trim()) ? Number(text.trim()) : undefined);

/** Fits the pattern to a number of foils or minutes: what changes and what is lost is shown before it is accepted. */
export function FitDialog({ open, onOpenChange }: FitDialogProps) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Fit to a limit">
      {open && <FitForm onDone={() => onOpenChange(false)} />}
    </Dialog>
  );
}

function FitForm({ onDone }: { onDone(): void }) {
  const { plan, computed, editPlan } = useVisit();
  const { totals } = computed.sheet;
  const [kind, setKind] = useState<FitLimit['kind']>('foils');
  const [value, setValue] = useState<number>();
  const [fitted, setFitted] = useState<Fitted>();
  const now = kind === 'foils' ? totals.foils : Math.round(totals.foilingMinutes);

  const work = () => {
    if (value === undefined) return;
    setFitted(fitPlan(plan, createPatternEngine(), kind === 'foils' ? { kind, foils: value } : { kind, minutes: value }));
  };
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        work();
      }}
    >
      <p className="text-base text-ink-soft">The pattern is thinned where it shows least; hairline, part and crown are kept longest. Minutes are estimates.</p>
      <div className="grid grid-cols-2 gap-3">
        <Segmented
          label="Limit" value={kind} options={KINDS}
          onChange={(next) => {
            setKind(next);
            setValue(undefined);
            setFitted(undefined);
          }}
        />
        <NumberField
          label={kind === 'foils' ? 'At most so many foils' : 'At most so many minutes'} hideLabel unit={`of ${now}`} min={1} max={600} value={value} parse={readWhole}
          onChange={(next) => {
            setValue(next);
            setFitted(undefined);
          }}
        />
      </div>
      {fitted && !fitted.ok && <p role="alert" className="text-base font-semibold text-rowan">{fitted.problem}</p>}
      {fitted?.ok && (
        <div role="status" className="grid gap-2 text-base">
          <p><b className="text-xl">{fitted.foils}</b> foils in {hoursAndMinutes(fitted.minutes)}{fitted.changes.length === 0 && ': it fits as it is.'}</p>
          {fitted.changes.length > 0 && (
            <ul className="list-disc pl-5">
              {fitted.changes.map(({ panel, words }) => <li key={panel}>{words}</li>)}
            </ul>
          )}
          {fitted.lost.length > 0 && <p className="text-amber-bark">Lost: {fitted.lost.join('; ')}.</p>}
        </div>
      )}
      <div className="flex justify-end gap-3">
        {fitted?.ok && fitted.changes.length > 0 ? (
          <Button
            look="primary"
            onClick={() => {
              editPlan(`fitted to ${value} ${kind}`, () => fitted.plan);
              onDone();
            }}
          >
            Take it
          </Button>
        ) : (
          <Button look="primary" type="submit" disabled={value === undefined}>Show how</Button>
        )}
      </div>
    </form>
  );
}
