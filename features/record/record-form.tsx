'use client';

import { useEffect, useState, type ReactNode } from 'react';
import { paidOf } from '@/core/fee';
import { formatLevel } from '@/core/units';
import { Button } from '@/ui/button';
import { TextArea, TextField } from '@/ui/field';
import { LevelSlider } from '../consult/level-slider';
import { useMoney } from '../house/context';
import { PoseSet } from '../photos/pose-set';
import { useVisit } from '../visit/store';
import { readFields, type Fields, type Problems } from './form-fields';
import { CorrectionList, InspectionList } from './inspection';
import { NextPart } from './next-part';
import { SignOffPart } from './sign-off';
import { ZoneTable } from './zone-table';

interface RecordFormProps {
  fields: Fields;
  /** What was typed and not saved yet. */
  typed: Partial<Fields> | undefined;
  onTyped(typed: Partial<Fields> | undefined): void;
  /** What is computed and not filled in, below the form and above signing off. */
  children?: ReactNode;
}

/** The record of the visit, filled in from the plan or by the service, and corrected to what was done. */
export function RecordForm({ fields, typed, onTyped, children }: RecordFormProps) {
  const { bundle, computed, consult, outcome, saveOutcome } = useVisit();
  const [problems, setProblems] = useState<Problems>({});
  const set = (part: Partial<Fields>) => onTyped({ ...typed, ...part });
  const begun = bundle.begunAt !== null;
  const signed = bundle.signOff.signed !== null;
  const changed = typed !== undefined && Object.keys(typed).length > 0;
  const submit = () => {
    const read = readFields(fields, bundle.heldOn);
    if (!read.ok) return setProblems(read.problems);
    setProblems({});
    onTyped(undefined);
    saveOutcome(read.value);
  };
  return (
    <>
      <form
        className="grid gap-5"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          if (!signed) submit();
        }}
      >
        <div>
          <h2 className="text-xl font-bold wide">Record</h2>
          <p role="status" className="text-sm text-ink-soft">
            {outcome
              ? `On record: ${outcome.document.foilsPlaced} foils, level ${formatLevel(outcome.document.levelReached)} reached.`
              : 'Not on record yet. What is filled in comes from the plan; correct it to what was done.'}
          </p>
        </div>
        <fieldset disabled={signed} className="grid gap-4">
          <TextArea
            label="What was done"
            rows={5}
            maxLength={4000}
            value={fields.done}
            problem={problems.done}
            onChange={(event) => set({ done: event.target.value })}
          />
          <TextField
            label="Foils placed"
            inputMode="numeric"
            value={fields.foilsPlaced}
            problem={problems.foilsPlaced}
            hint={`Planned: ${computed.sheet.totals.foils}`}
            onChange={(event) => set({ foilsPlaced: event.target.value })}
          />
          <LevelSlider
            label="Level reached"
            value={fields.levelReached}
            onChange={(levelReached) => !signed && set({ levelReached })}
          />
        </fieldset>
        <ZoneTable
          key={bundle.id}
          zones={fields.zones ?? {}}
          found={consult.regrowthMm}
          disabled={signed}
          onChange={(zones) => set({ zones })}
        />
        <TextArea
          label="What they said"
          rows={2}
          maxLength={2000}
          disabled={signed}
          value={fields.said}
          problem={problems.said}
          onChange={(event) => set({ said: event.target.value })}
        />
        <InspectionList
          inspection={fields.inspection}
          disabled={signed}
          onChange={(inspection) => set({ inspection })}
        />
        <CorrectionList
          corrections={fields.corrections}
          disabled={signed}
          onChange={(corrections) => set({ corrections })}
        />
        <NextPart fields={fields} problem={problems.nextOn} disabled={signed} onChange={set} />
        <Money />
        {Object.keys(problems).length > 0 && (
          <p role="alert" className="text-sm font-medium text-rowan">
            {Object.values(problems).join(' ')}
          </p>
        )}
        {!signed && (
          <Button type="submit" look="primary" disabled={!begun || (outcome !== null && !changed)}>
            {outcome ? 'Save the changes' : 'Record the visit'}
          </Button>
        )}
      </form>
      <div className="mt-5">{children}</div>
      <div className="mt-5">
        <PoseSet
          clientId={bundle.client.id}
          visitId={bundle.id}
          consented={bundle.safety.consents.some(
            ({ kind, withdrawnAt }) => kind === 'photo' && withdrawnAt === null,
          )}
        />
      </div>
      <div className="mt-5">
        <SignOffPart unsaved={changed} />
      </div>
    </>
  );
}

/** What was agreed, paid and is owed, as Mix has it. */
function Money() {
  const { mix } = useVisit();
  const money = useMoney();
  const { agreed } = mix.money;
  if (!agreed)
    return (
      <p className="private text-sm text-ink-soft">
        No price was agreed. Mix, Price keeps what is agreed and paid.
      </p>
    );
  const { paidMinor, tipMinor, owedMinor: owed } = paidOf(agreed.minor, mix.money.payments);
  return (
    <p className="private text-base">
      <b>Price:</b> {money(agreed.minor)} agreed, {money(paidMinor)} paid
      {tipMinor > 0 && `, tip ${money(tipMinor)}`}
      {owed > 0 ? <b className="text-amber-bark">, {money(owed)} owed</b> : ''}.
    </p>
  );
}

/** What was typed and not yet recorded, kept on this device through a reload. */
export function useKeptFields(
  visitId: string,
): [Partial<Fields> | undefined, (fields: Partial<Fields> | undefined) => void] {
  const key = `lattice/${visitId}/record-form`;
  const [fields, setFields] = useState<Partial<Fields>>();
  useEffect(() => {
    try {
      const kept = sessionStorage.getItem(key);
      // Read after the first paint: the server cannot know what this device keeps.
      // oxlint-disable-next-line react-hooks/set-state-in-effect
      if (kept) setFields(JSON.parse(kept) as Partial<Fields>);
    } catch {
      sessionStorage.removeItem(key);
    }
  }, [key]);
  return [
    fields,
    (next) => {
      setFields(next);
      if (next) sessionStorage.setItem(key, JSON.stringify(next));
      else sessionStorage.removeItem(key);
    },
  ];
}
