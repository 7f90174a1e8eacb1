'use client';

import clsx from 'clsx';
import { useState } from 'react';
import {
  levelNow,
  MINUTE,
  unitName,
  type EventBody,
  type ServiceScript,
  type ServiceState,
  type UnitState,
} from '@/core/chair';
import { cssColour, undercoatHair } from '@/core/lift';

import { formatLevel } from '@/core/units';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { TextField } from '@/ui/field';
import { HairSwatch } from '@/ui/hair-swatch';
import type { KeptService } from './device-db';
import { AgainSheet, LongerSheet, StrengthSheet } from './decisions';
import { Presets } from './presets';
import { AddStep, OneStep } from './step-sheets';
import { StepsPanel } from './steps-panel';
import { USUAL_ENDS, USUAL_INCIDENTS, USUAL_NOTES, USUAL_REASONS, USUAL_SKIPS } from './words';
import { useStepName } from './use-step-name';

export type Sheet =
  | { readonly kind: 'check'; readonly block: string }
  | { readonly kind: 'past-limit'; readonly block: string }
  | { readonly kind: 'step'; readonly step: string }
  | {
      readonly kind:
        | 'note'
        | 'skip'
        | 'all-now'
        | 'panel'
        | 'pull'
        | 'end'
        | 'more'
        | 'longer'
        | 'again'
        | 'strength'
        | 'steps'
        | 'add-step';
    };

interface SheetsProps {
  sheet: Sheet | null;
  script: ServiceScript;
  state: ServiceState;
  now: number;
  /** The foil in hand. */
  foil: string | null;
  service: Pick<KeptService, 'clientId' | 'visitId'>;
  act(body: EventBody): void;
  onClose(): void;
  onSheet(sheet: Sheet): void;
  /** What is needed less often. */
  more: readonly { readonly words: string; onPress(): void }[];
}

const TITLES: Record<Sheet['kind'], string> = {
  check: 'Check',
  'past-limit': 'Past the maker’s limit',
  note: 'Note',
  skip: 'Skip this foil',
  'all-now': 'Rinse all now',
  panel: 'Another panel next',
  pull: 'Open foils',
  end: 'End the service',
  more: 'More',
  longer: 'More minutes',
  again: 'Second application',
  strength: 'Another strength from here on',
  steps: 'Steps after the foils',
  'add-step': 'Add a step',
  step: 'Step',
};

/** Everything that takes more than a tap; big enough for gloves. */
export function Sheets({
  sheet,
  script,
  state,
  now,
  foil,
  service,
  act,
  onClose,
  onSheet,
  more,
}: SheetsProps) {
  const nameOf = useStepName();
  const done = (body: EventBody) => {
    act(body);
    onClose();
  };
  return (
    <Dialog
      open={sheet !== null}
      onOpenChange={(open) => !open && onClose()}
      title={titleOf(sheet, state, nameOf)}
      middle
    >
      {sheet?.kind === 'check' && (
        <CheckSheet state={state} now={now} first={sheet.block} service={service} done={done} />
      )}
      {sheet?.kind === 'past-limit' && (
        <Presets
          words={USUAL_REASONS}
          label="Why it stays on"
          onTake={(reason) => done({ kind: 'past-limit', block: sheet.block, reason })}
        />
      )}
      {sheet?.kind === 'note' && (
        <Presets words={USUAL_NOTES} label="Note" onTake={(words) => done({ kind: 'note', words, foil })} />
      )}
      {sheet?.kind === 'skip' && foil !== null && (
        <Presets
          words={USUAL_SKIPS}
          label="Why it is skipped"
          onTake={(why) => done({ kind: 'skipped', foil, why })}
        />
      )}
      {sheet?.kind === 'all-now' && (
        <>
          <p className="mb-3 text-lg">
            Everything on the head goes to the basin at once. Rinse with plenty of lukewarm water; local rules
            and a licensed judgement come first. What happened is kept with the record.
          </p>
          <Presets
            words={USUAL_INCIDENTS}
            label="What happened"
            onTake={(incident) =>
              done({
                kind: 'rinse-begun',
                blocks: state.blocks
                  .filter(
                    ({ firstAt, units }) =>
                      firstAt !== null || units.some(({ standing }) => standing === 'pulled'),
                  )
                  .map(({ block }) => block.id),
                incident,
              })
            }
          />
        </>
      )}
      {sheet?.kind === 'panel' && (
        <ul className="grid gap-2">
          {state.blocks
            .filter(({ units }) => units.some(({ standing }) => standing === 'waiting'))
            .map(({ block, units }) => (
              <li key={block.id}>
                <Button
                  className="h-[56px] w-full justify-between text-lg"
                  onClick={() => done({ kind: 'next', block: block.id })}
                >
                  {block.name}
                  <span className="text-base font-medium">
                    {units.filter(({ standing }) => standing === 'waiting').length} wait
                  </span>
                </Button>
              </li>
            ))}
        </ul>
      )}
      {sheet?.kind === 'more' && (
        <ul className="grid gap-2">
          {more.map(({ words, onPress }) => (
            <li key={words}>
              <Button
                className="h-[56px] w-full text-lg"
                onClick={() => {
                  onClose();
                  onPress();
                }}
              >
                {words}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {sheet?.kind === 'end' &&
        (state.blocks.some(({ firstAt }) => firstAt !== null) ? (
          <p className="text-lg">Product is on the head: rinse it first, with Rinse all now.</p>
        ) : (
          <Presets
            words={USUAL_ENDS}
            label="Why it ends here"
            onTake={(reason) => done({ kind: 'finished', reason })}
          />
        ))}
      {sheet?.kind === 'longer' && <LongerSheet state={state} done={done} />}
      {sheet?.kind === 'again' && <AgainSheet state={state} done={done} />}
      {sheet?.kind === 'strength' && <StrengthSheet state={state} done={done} />}
      {sheet?.kind === 'steps' && (
        <StepsPanel
          steps={state.steps}
          now={now}
          current={null}
          onOpen={(step) => onSheet({ kind: 'step', step })}
          onAdd={() => onSheet({ kind: 'add-step' })}
        />
      )}
      {sheet?.kind === 'add-step' && <AddStep script={script} state={state} act={act} onClose={onClose} />}
      {sheet?.kind === 'step' &&
        state.steps
          .filter(({ step }) => step.id === sheet.step)
          .map((step) => (
            <OneStep
              key={step.standing}
              script={script}
              state={state}
              act={act}
              onClose={onClose}
              own={step}
            />
          ))}
      {sheet?.kind === 'pull' && <PullSheet state={state} now={now} done={done} />}
    </Dialog>
  );
}

function titleOf(
  sheet: Sheet | null,
  { steps }: ServiceState,
  nameOf: ReturnType<typeof useStepName>,
): string {
  const own = sheet?.kind === 'step' && steps.find(({ step }) => step.id === sheet.step);
  return own ? nameOf(own.step) : sheet ? TITLES[sheet.kind] : '';
}

const LEVELS = [5, 6, 7, 7.5, 8, 8.5, 9, 9.5, 10];
const MORE = [3, 5, 8, 10];

/** A foil is opened and compared: what is seen, and what follows. */
function CheckSheet({
  state,
  now,
  first,
  service,
  done,
}: {
  state: ServiceState;
  now: number;
  first: string;
  service: SheetsProps['service'];
  done(body: EventBody): void;
}) {
  const on = state.blocks.filter(({ firstAt }) => firstAt !== null);
  const [block, setBlock] = useState(
    on.some((blockState) => blockState.block.id === first) ? first : (on[0]?.block.id ?? ''),
  );
  const [level, setLevel] = useState<number>();
  const [reason, setReason] = useState('');
  const [photo, setPhoto] = useState<string | null>(null);
  const own = on.find((one) => one.block.id === block);
  if (!own) return <p className="text-lg">Nothing is on the head.</p>;
  // What only deposits is not opened to be compared.
  const lifting = own.units.filter(({ standing, unit }) => standing === 'on' && unit.lifts);
  const oldest = (lifting.length > 0 ? lifting : own.units.filter(({ standing }) => standing === 'on')).sort(
    (a, b) => a.closedAt! - b.closedAt!,
  )[0];
  const minutes = (now - oldest.closedAt!) / MINUTE;
  const target = targetOf(state, oldest);
  const expected = levelNow(oldest, state, now);
  const { limitMinutes } = oldest.unit;
  const past = (more: number) => minutes + more > limitMinutes;
  const needsReason = (more: number) => past(more) && reason.trim() === '';
  const take = (then: 'more' | 'rinse', more: number | null) =>
    level !== undefined &&
    done({
      kind: 'checked',
      foil: oldest.id,
      level,
      then,
      minutes: more,
      reason: reason.trim() === '' ? null : reason.trim(),
      photo,
    });
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap gap-2">
        {on.map((one) => (
          <Button
            key={one.block.id}
            look={one.block.id === block ? 'primary' : 'plain'}
            aria-pressed={one.block.id === block}
            onClick={() => setBlock(one.block.id)}
          >
            {one.block.name}
          </Button>
        ))}
      </div>
      <p className="text-lg">
        Open {unitName(oldest.unit).toLowerCase()}, mix {oldest.unit.letter}, {Math.floor(minutes)} min on;
        wipe and compare.{' '}
        {expected !== null && `Expected now: level ${formatLevel(Math.round(expected * 2) / 2)}, estimated.`}{' '}
        {target > 0 && `Wanted: ${formatLevel(target)}.`} The maker’s limit is {Math.round(limitMinutes)} min.
      </p>
      <div role="group" aria-label="Level seen" className="grid grid-cols-9 gap-1.5">
        {LEVELS.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={one === level}
            aria-label={`Level ${one} seen`}
            onClick={() => setLevel(one)}
            className={clsx(
              'grid justify-items-center gap-1 rounded-ui border-2 p-1 text-xl font-semibold',
              one === level ? 'border-leaf bg-leaf text-on-leaf' : 'border-edge bg-raised hover:border-ink',
            )}
          >
            <HairSwatch colour={cssColour(undercoatHair(one))} width={50} height={72} />
            {formatLevel(one)}
          </button>
        ))}
      </div>
      <div className="flex items-center justify-between gap-4">
        <Estimate own={oldest} target={target} minutes={minutes} level={level} />
        <PhotoField service={service} onTaken={setPhoto} />
      </div>
      <div className="grid grid-cols-5 gap-1.5">
        {MORE.map((more) => (
          <Button
            key={more}
            className="h-[56px] text-lg"
            disabled={level === undefined || needsReason(more)}
            onClick={() => take('more', more)}
          >
            {more} min more
          </Button>
        ))}
        <Button
          className="h-[56px] text-lg"
          look="primary"
          disabled={level === undefined}
          onClick={() => take('rinse', null)}
        >
          Rinse
        </Button>
      </div>
      {MORE.some(past) && (
        <TextField
          label={`Reason, where it goes past ${Math.round(limitMinutes)} min`}
          value={reason}
          maxLength={500}
          onChange={(event) => setReason(event.target.value)}
        />
      )}
    </div>
  );
}

/**
 * A picture of the opened foil, kept with the client's photos; without a network the check goes on without
 * it.
 */
function PhotoField({
  service: { clientId, visitId },
  onTaken,
}: {
  service: SheetsProps['service'];
  onTaken(photoId: string): void;
}) {
  const [said, say] = useState('');
  const take = async (file: File) => {
    say('Sending …');
    const form = new FormData();
    form.set('file', file);
    form.set('kind', 'hair');
    form.set('visitId', visitId);
    try {
      const answer = (await (
        await fetch(`/api/clients/${clientId}/photos`, { method: 'POST', body: form })
      ).json()) as { photoId?: string; problem?: string };
      if (answer.photoId) onTaken(answer.photoId);
      say(answer.photoId ? 'Photo kept.' : (answer.problem ?? 'The photo was not taken.'));
    } catch {
      say('No network: the photo is not kept. The check goes on without it.');
    }
  };
  return (
    <div className="flex shrink-0 items-center gap-3 text-right">
      <span role="status" className="text-md text-ink-soft">
        {said}
      </span>
      <label className="inline-flex h-[48px] cursor-pointer items-center rounded-ui border border-edge px-4 text-lg font-semibold hover:border-ink has-focus-visible:outline-2 has-focus-visible:outline-leaf">
        Photo
        <input
          type="file"
          accept="image/*"
          capture="environment"
          className="sr-only"
          onChange={(event) => event.target.files?.[0] && void take(event.target.files[0])}
        />
      </label>
    </div>
  );
}

/** Level that a unit is to reach; 0 where it lifts nothing. */
const targetOf = ({ lifts }: ServiceState, { unit }: UnitState) =>
  Math.max(0, ...unit.lifting.map((at) => lifts[at].target));

function Estimate({
  own,
  target,
  minutes,
  level,
}: {
  own: UnitState;
  target: number;
  minutes: number;
  level: number | undefined;
}) {
  if (level === undefined || target === 0)
    return (
      <p className="text-md text-ink-soft">
        Say what you see: the times of all foils of this mix follow from it.
      </p>
    );
  if (level >= target) return <p className="text-md font-semibold text-leaf">The level is reached.</p>;
  return (
    <p className="text-md text-ink-soft">
      {Math.round((target - level) * 10) / 10} levels to go; estimated ready after{' '}
      {Math.round(own.readyMinutes)} min, now {Math.round(minutes)}.
    </p>
  );
}

function PullSheet({ state, now, done }: { state: ServiceState; now: number; done(body: EventBody): void }) {
  const [chosen, choose] = useState<readonly string[]>([]);
  const on = state.blocks
    .flatMap(({ block, units }) =>
      units.filter(({ standing }) => standing === 'on').map((unit) => ({ ...unit, block: block.name })),
    )
    .sort((a, b) => a.closedAt! - b.closedAt!);
  if (on.length === 0) return <p className="text-lg">Nothing is on the head.</p>;
  return (
    <div className="grid gap-3">
      <ul className="grid max-h-[50dvh] grid-cols-3 gap-1.5 overflow-y-auto">
        {on.map(({ id, closedAt, block, unit, added }) => (
          <li key={id}>
            <Button
              className="h-[56px] w-full justify-between text-base"
              look={chosen.includes(id) ? 'primary' : 'plain'}
              aria-pressed={chosen.includes(id)}
              onClick={() =>
                choose(chosen.includes(id) ? chosen.filter((own) => own !== id) : [...chosen, id])
              }
            >
              {added ? 'Foil +' : unitName(unit)} {unit.letter}{' '}
              <span className="truncate text-sm font-medium">
                {block}, {Math.floor((now - closedAt!) / MINUTE)} min
              </span>
            </Button>
          </li>
        ))}
      </ul>
      <Button
        look="primary"
        className="h-[56px] text-lg"
        disabled={chosen.length === 0}
        onClick={() => done({ kind: 'pulled', foils: chosen, reason: null })}
      >
        Opened and wiped: {chosen.length}
      </Button>
    </div>
  );
}
