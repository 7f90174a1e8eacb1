'use client';

import clsx from 'clsx';
import { useCallback, useEffect, useMemo, useRef, useState, type MouseEvent } from 'react';
import {
  conflictWords,
  lastUndoable,
  mayRinseNow,
  MINUTE,
  neededBefore,
  nextStep,
  stepBody,
  recordOf,
  unitName,
  type EventBody,
  type NextStep,
  type ScriptCourse,
  type ServiceState,
} from '@/core/chair';
import { basinMinutes } from '@/core/clock';
import type { Calendar } from '@/core/units';
import { Button } from '@/ui/button';
import { BackIcon } from '@/ui/icons';
import { isTyping } from '@/ui/is-typing';
import { useCalendar } from '../house/calendar';
import { StepsPanel } from './steps-panel';
import { RunningSteps } from './running-steps';
import { beginWords } from './words-of-steps';
import { AlarmCards } from './alarm-cards';
import type { KeptService } from './device-db';
import { PlaceView } from './place-view';
import { ProgressRibbon } from './progress-ribbon';
import type { LinkSnapshot, ServiceLink } from './service-link';
import { Sheets, type Sheet } from './sheets';
import { soundIsOn } from './sound';
import { StepView } from './step-view';
import { TimersBar } from './timers-bar';
import type { Sounding } from './use-alarms';
import type { Device } from './use-chair';
import { useRest } from './use-rest';
import { useWakeLock } from './use-wake-lock';

/** Keys that a pedal or a button sends, beside the large button. */
const DONE_KEYS = new Set([' ', 'Enter', 'PageDown', 'ArrowRight', 'MediaPlayPause', 'MediaTrackNext']);
/** Big enough for a glove. */
const BIG = 'h-[48px] px-4 text-lg';
/** The one action, at the same place for every step. */
const ACTION = 'h-[72px] w-full shrink-0 rounded-ui text-2xl! font-bold!';
/** A second tap sooner than this is the same tap, ms. */
const SAME_TAP_MS = 900;
/** A conflict is shown for so long, ms. */
const CONFLICT_MS = 10 * MINUTE;

interface ChairScreenProps {
  device: Device;
  link: ServiceLink;
  links: readonly ServiceLink[];
  snapshot: LinkSnapshot;
  service: KeptService;
  state: ServiceState;
  alarms: readonly Sounding[];
  now: number;
  onServices(): void;
}

/** One service: what is to be done now, with its timers; done with the large button, a key or a pedal. */
export function ChairScreen({
  device,
  link,
  links,
  snapshot,
  service,
  state,
  alarms,
  now,
  onServices,
}: ChairScreenProps) {
  const calendar = useCalendar();
  const { script } = service;
  const rest = useRest(script, state, now);
  const step = nextStep(script, state, rest.steps, now);
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const [said, say] = useState('');
  const tapped = useRef(-Infinity);
  /** Rinse that was asked about. */
  const asked = useRef<number | null>(null);
  const act = useCallback((body: EventBody) => link.act(body), [link]);
  useWakeLock(state.startedAt !== null && state.finishedAt === null);

  const elsewhere = state.heldBy !== null && state.heldBy.device !== device.name;
  const free = state.handedAt !== null;
  const body = stepBody(step);
  /** @param at moment of the touch, ms since the page was opened */
  const done = (at: number) => {
    if (!body || elsewhere || free) return;
    if (at - tapped.current < SAME_TAP_MS) return say('That was a double tap. It counts once.');
    tapped.current = at;
    // A rinse that has hardly begun is asked about once.
    if (
      step.kind === 'at-basin' &&
      now - step.begunAt < (basinMinutes(step.blocks.length, script.rules) / 2) * MINUTE &&
      asked.current !== step.begunAt
    ) {
      asked.current = step.begunAt;
      return say('That was quick. Press again if the last panel really runs clear.');
    }
    say('');
    act(body);
  };
  const undo = () => {
    const last = lastUndoable(snapshot.events);
    if (!last) return;
    act({ kind: 'undone', event: last.id });
    say(`Undone: ${UNDO_WORDS[last.body.kind] ?? last.body.kind}.`);
  };
  const onKey = useRef<(event: KeyboardEvent) => void>(() => undefined);
  useEffect(() => {
    onKey.current = (event) => {
      if (sheet !== null || event.altKey || isTyping(event.target)) return;
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
        event.preventDefault();
        return undo();
      }
      if (event.ctrlKey || event.metaKey) return;
      if (!DONE_KEYS.has(event.key) || event.repeat) return;
      // A button that has the focus answers to the space bar itself.
      if (
        (event.key === ' ' || event.key === 'Enter') &&
        event.target instanceof HTMLElement &&
        event.target.closest('button, a, [role=dialog]')
      )
        return;
      event.preventDefault();
      done(event.timeStamp);
    };
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => onKey.current(event);
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
  const onTap = (event: MouseEvent) => {
    if (
      !service.tapAnywhere ||
      !(event.target instanceof Element) ||
      event.target.closest('button, a, input')
    )
      return;
    done(event.timeStamp);
  };
  /** After a touch no button keeps the focus: the pedal's space bar must not press it again. */
  const letGo = (event: MouseEvent) => {
    if (event.detail > 0 && document.activeElement instanceof HTMLElement) document.activeElement.blur();
  };

  const foil = step.kind === 'foil' ? step.foil : null;
  const shown = step.kind === 'pull' || step.kind === 'again' ? step.units[0].id : foil;
  const blocks = step.kind === 'foil' ? [step.block.block.id] : 'blocks' in step ? step.blocks : [];
  const started = state.startedAt !== null && state.finishedAt === null;
  const onHead = state.blocks.filter(({ firstAt }) => firstAt !== null);
  const allowed = useMemo(
    () =>
      mayRinseNow(
        script,
        state,
        state.blocks.filter(({ standing }) => standing === 'on').map(({ block }) => block.id),
      ),
    [script, state],
  );
  const planned = useMemo(() => recordOf(script, state).rinsed.planned, [script, state]);
  const rinseAllowed = () =>
    void act({ kind: 'rinse-begun', blocks: allowed.blocks, foils: allowed.units, incident: null });
  const conflict = state.conflicts.at(-1);
  const waitingUnits = state.blocks.some(({ units }) => units.some(({ standing }) => standing === 'waiting'));
  const afterFoils = step.kind === 'finish' || step.kind.startsWith('step-');
  /** Adds what the hair needs before the step in hand. */
  const prepare = () => {
    if (step.kind !== 'step-begin') return;
    const waiting = state.steps.filter(({ standing }) => standing === 'waiting');
    const before = waiting[waiting.indexOf(step.own) - 1]?.step.id ?? null;
    const needed = neededBefore(step.own.step, state, before, crypto.randomUUID());
    if (needed) act({ kind: 'step-added', step: needed, after: before });
  };
  return (
    <div className="flex min-h-0 flex-1 flex-col" onClickCapture={letGo}>
      <TopLine
        snapshot={snapshot}
        service={service}
        state={state}
        now={now}
        onServices={onServices}
        onAllNow={onHead.length > 0 ? () => setSheet({ kind: 'all-now' }) : null}
      />
      {!afterFoils && <TimersBar script={script} state={state} now={now} />}
      <AlarmCards
        alarms={alarms}
        links={links}
        visitId={snapshot.visitId}
        onCheck={(block) => setSheet({ kind: 'check', block })}
        onPull={() => setSheet({ kind: 'pull' })}
        onPastLimit={(block) => setSheet({ kind: 'past-limit', block })}
      />
      {conflict && now - conflict.at < CONFLICT_MS && (
        <p
          role="status"
          className="border-b border-line bg-amber-pale px-4 py-1.5 text-lg font-semibold text-amber-bark"
        >
          {conflictWords(conflict, calendar.timeOf)}
        </p>
      )}
      <main
        className="grid min-h-0 flex-1 max-md:grid-rows-[minmax(0,2fr)_minmax(0,3fr)] md:grid-cols-[minmax(0,42%)_minmax(0,1fr)]"
        onClick={onTap}
      >
        <section aria-label="Place" className="flex min-h-0 flex-col gap-2 p-3">
          {afterFoils ? (
            <StepsPanel
              steps={state.steps}
              now={now}
              current={'own' in step && step.kind !== 'foil' ? step.own.step.id : null}
              onOpen={(own) => setSheet({ kind: 'step', step: own })}
              onAdd={() => setSheet({ kind: 'add-step' })}
            />
          ) : (
            <div className="min-h-0 flex-1">
              <PlaceView script={script} state={state} foil={shown} blocks={blocks.join('|')} />
            </div>
          )}
          {started && (
            <RestLine
              state={state}
              rest={rest}
              planned={planned}
              onTake={(course) => void act({ kind: 'replanned', course })}
            />
          )}
        </section>
        <section
          aria-label="Now"
          className={clsx(
            'flex min-h-0 flex-col gap-2 border-line bg-raised px-4 py-3 max-md:border-t md:border-l md:px-6',
            step.kind === 'rinse' || step.kind === 'at-basin'
              ? 'shadow-[inset_8px_0_0_var(--color-sky)]'
              : '',
          )}
        >
          <p className="sr-only" role="status" aria-label="Step">
            {spokenWords(step, calendar)}
          </p>
          <div className="grid min-h-0 flex-1 content-center overflow-y-auto">
            <StepView script={script} state={state} step={step} now={now} unsent={snapshot.unsent} />
          </div>
          {(elsewhere || free) && (
            <div className="flex items-center justify-between gap-3 rounded-ui border border-leaf bg-leaf-pale p-3 text-lg">
              <p>
                {elsewhere
                  ? `${state.heldBy!.person} has the step on another screen.`
                  : 'The step was handed over. Anyone can take it.'}
              </p>
              <Button look="primary" onClick={() => act({ kind: 'taken' })}>
                {elsewhere ? 'Take over' : 'Take the step'}
              </Button>
            </div>
          )}
          {'on' in step && (
            <RunningSteps
              steps={step.on.filter((stepState) => step.kind !== 'step-done' || stepState !== step.own)}
              now={now}
              act={act}
            />
          )}
          {said && (
            <p role="status" className="text-lg font-semibold text-amber-bark">
              {said}
            </p>
          )}
          <div className="flex shrink-0 flex-wrap gap-2">
            <Button className={BIG} onClick={undo} disabled={!lastUndoable(snapshot.events)}>
              Undo
            </Button>
            {onHead.length > 0 && (
              <Button className={BIG} onClick={() => setSheet({ kind: 'check', block: onHead[0].block.id })}>
                Check
              </Button>
            )}
            {started && (
              <Button className={BIG} onClick={() => setSheet({ kind: 'more' })}>
                More
              </Button>
            )}
            {step.kind === 'step-begin' && step.wrong && step.own.step.hair !== 'damp' && (
              <Button className={`${BIG} ml-auto`} onClick={prepare}>
                {step.own.step.hair === 'dry' ? 'Dry first' : 'Treatment first'}
              </Button>
            )}
            {step.kind === 'step-until' && (
              <Button
                className={`${BIG} ml-auto`}
                onClick={() => act({ kind: 'step-begun', step: step.own.step.id })}
              >
                {beginWords(step.own.step)} now
              </Button>
            )}
            {step.kind === 'step-done' && (
              <Button
                className={`${BIG} ml-auto`}
                onClick={() => setSheet({ kind: 'step', step: step.own.step.id })}
              >
                5 min more …
              </Button>
            )}
            {step.kind === 'pull' && step.units.length > 1 && (
              <Button className={`${BIG} ml-auto`} onClick={() => act(stepBody(step, 'all'))}>
                All {step.units.length} are wiped
              </Button>
            )}
            {step.kind === 'again' && step.units.length > 1 && (
              <Button className={`${BIG} ml-auto`} onClick={() => act(stepBody(step, 'all'))}>
                All {step.units.length} are painted
              </Button>
            )}
            {step.kind === 'wait' && allowed.blocks.length > 0 && (
              <Button className={`${BIG} ml-auto`} onClick={rinseAllowed}>
                Rinse what can go
              </Button>
            )}
          </div>
          {state.finishedAt !== null && snapshot.unsent > 0 && (
            <Button look="primary" className={ACTION} disabled>
              Being recorded …
            </Button>
          )}
          {state.finishedAt !== null && snapshot.unsent === 0 && (
            <a
              href={`/visits/${snapshot.visitId}/record`}
              className={`${ACTION} inline-flex items-center justify-center border border-leaf bg-leaf text-on-leaf`}
            >
              To the record
            </a>
          )}
          {state.finishedAt === null && (
            <Button
              look="primary"
              className={ACTION}
              disabled={!body || elsewhere || free}
              onClick={(event) => done(event.timeStamp)}
            >
              {actionWords(step, calendar)}
            </Button>
          )}
        </section>
      </main>
      <ProgressRibbon script={script} state={state} foil={shown} />
      <Sheets
        sheet={sheet}
        script={script}
        state={state}
        now={now}
        foil={foil}
        service={service}
        act={act}
        onClose={() => setSheet(null)}
        onSheet={setSheet}
        more={[
          ...(step.kind === 'foil'
            ? [
                {
                  words: 'Add a foil',
                  onPress: () =>
                    void act({ kind: 'added', foil: crypto.randomUUID(), block: step.block.block.id }),
                },
              ]
            : []),
          ...(foil !== null ? [{ words: 'Skip this foil', onPress: () => setSheet({ kind: 'skip' }) }] : []),
          { words: 'Write a note', onPress: () => setSheet({ kind: 'note' }) },
          ...(!afterFoils
            ? [{ words: 'Steps after the foils', onPress: () => setSheet({ kind: 'steps' }) }]
            : []),
          ...(onHead.length > 0
            ? [
                { words: 'More minutes …', onPress: () => setSheet({ kind: 'longer' }) },
                { words: 'Second application …', onPress: () => setSheet({ kind: 'again' }) },
              ]
            : []),
          ...(waitingUnits
            ? [{ words: 'Another strength …', onPress: () => setSheet({ kind: 'strength' }) }]
            : []),
          ...(waitingUnits
            ? [{ words: 'Another panel next', onPress: () => setSheet({ kind: 'panel' }) }]
            : []),
          ...(onHead.length > 0 ? [{ words: 'Open foils', onPress: () => setSheet({ kind: 'pull' }) }] : []),
          ...(step.kind !== 'rinse' && step.kind !== 'at-basin' && allowed.blocks.length > 0
            ? [{ words: 'Rinse what can go', onPress: rinseAllowed }]
            : []),
          { words: 'End the service …', onPress: () => setSheet({ kind: 'end' }) },
          ...(!elsewhere && !free
            ? [{ words: 'Hand over', onPress: () => void act({ kind: 'handed' }) }]
            : []),
        ]}
      />
    </div>
  );
}

const UNDO_WORDS: Partial<Record<EventBody['kind'], string>> = {
  replanned: 'the other order',
  closed: 'the last foil',
  skipped: 'the skip',
  added: 'the added foil',
  bowl: 'the fresh bowl',
  checked: 'the check',
  pulled: 'the pull',
  'rinse-begun': 'the rinse',
  'rinse-done': 'the end of the rinse',
  next: 'the other panel',
  'step-begun': 'the beginning',
  'step-done': 'the end of the step',
  note: 'the note',
  finished: 'the end',
  'past-limit': 'the reason',
  longer: 'the minutes',
  reapplied: 'the second application',
  strength: 'the other strength',
  'step-added': 'the added step',
  'step-moved': 'the move',
  'step-changed': 'the change',
  'step-skipped': 'the skip',
  'step-more': 'the minutes',
};

/** What the large button does, in words. */
function actionWords(step: NextStep, calendar: Calendar): string {
  switch (step.kind) {
    case 'start':
      return 'Start';
    case 'foil':
      return `${step.own.added ? 'Added foil' : unitName(step.own.unit)} ${step.own.unit.kind === 'foil' ? 'placed' : 'done'}`;
    case 'bowl':
      return `Bowl ${step.mix} mixed`;
    case 'rinse':
      return 'At the basin';
    case 'pull':
      return `${unitName(step.units[0].unit)} opened and wiped`;
    case 'again':
      return `${unitName(step.units[0].unit)} painted again`;
    case 'at-basin':
      return 'The last panel runs clear';
    case 'step-begin':
      return beginWords(step.own.step);
    case 'step-done':
      return `${step.own.step.name}: done`;
    case 'step-until':
      return `${step.own.step.name} at ${calendar.timeOf(step.at)}`;
    case 'finish':
      return 'Finish';
    case 'wait':
      return 'Wait';
    case 'finished':
      return '';
  }
}

/** The step in hand as a screen reader says it once: what is to be done, and no running seconds. */
function spokenWords(step: NextStep, calendar: Calendar): string {
  switch (step.kind) {
    case 'foil': {
      const { unit } = step.own;
      return `${step.own.added ? 'Added foil' : unitName(unit)}, ${unit.letter}, ${unit.panelName}, ${step.place + 1} of ${step.block.units.length}.`;
    }
    case 'bowl':
      return `Mix a fresh bowl ${step.mix}.`;
    case 'rinse':
      return 'Rinse now.';
    case 'pull':
      return `Open and wipe ${step.units.length === 1 ? unitName(step.units[0].unit) : `${step.units.length} foils, ${unitName(step.units[0].unit)} first`}.`;
    case 'again':
      return `Paint again: ${unitName(step.units[0].unit)}.`;
    case 'at-basin':
      return 'At the basin.';
    case 'step-done':
      return `${step.own.step.name} is on.`;
    case 'wait':
      return `Nothing to foil until ${calendar.timeOf(step.until)}.`;
    case 'finished':
      return 'Finished.';
    default:
      return `${actionWords(step, calendar)}.`;
  }
}

/** Where the rest of the clock leads, and what holds it. */
function RestLine({
  state,
  rest,
  planned,
  onTake,
}: {
  state: ServiceState;
  rest: ReturnType<typeof useRest>;
  planned: number | null;
  onTake(course: ScriptCourse): void;
}) {
  const calendar = useCalendar();
  const { better } = rest;
  if (!rest.timeline) return null;
  const end = state.startedAt! + rest.timeline.end * MINUTE;
  const late = planned === null ? 0 : Math.round(rest.timeline.end - planned);
  return (
    <div className="flex items-center justify-between gap-3">
      <p aria-label="The rest" className="text-md text-ink-soft">
        All rinsed about <b className="text-ink">{calendar.timeOf(end)}</b>
        {late !== 0 && `, ${Math.abs(late)} min ${late > 0 ? 'later' : 'sooner'} than planned`}. {rest.binds}
      </p>
      {better && (
        <Button onClick={() => onTake(better.course)}>
          {better.saves >= 1
            ? `Another order saves ${Math.round(better.saves)} min`
            : 'Another order is safer'}
        </Button>
      )}
    </div>
  );
}

const STATUS_WORDS = {
  opening: 'Opening …',
  live: 'Live',
  offline: 'No network',
  'signed-out': 'Locked',
} as const;

interface TopLineProps {
  snapshot: LinkSnapshot;
  service: KeptService;
  state: ServiceState;
  now: number;
  onServices(): void;
  /** null while nothing is on the head. */
  onAllNow: (() => void) | null;
}

function TopLine({ snapshot, service, state, now, onServices, onAllNow }: TopLineProps) {
  const calendar = useCalendar();
  const { status, unsent, full, problem } = snapshot;
  const units = state.blocks.flatMap((block) => block.units);
  const foils = units.filter(({ unit }) => unit.kind === 'foil' || unit.kind === 'open-air');
  const between = units.length - foils.length;
  const closed = foils.filter(({ closedAt }) => closedAt !== null).length;
  const bad = status !== 'live' || unsent > 0 || full;
  return (
    <header className="flex min-h-[56px] shrink-0 items-center max-md:flex-wrap gap-x-4 border-b border-line bg-raised pr-4 pl-2">
      <a
        href={`/visits/${snapshot.visitId}/clock`}
        aria-label={`Back to the visit of ${service.clientName}`}
        className="grid size-[44px] place-items-center rounded-ui text-ink-soft hover:bg-leaf-pale hover:text-ink"
      >
        <BackIcon />
      </a>
      <h1 className="truncate text-xl font-bold wide">{service.clientName}</h1>
      <p className="text-lg whitespace-nowrap">
        {foils.length === 0
          ? 'without foils'
          : `${closed} of ${foils.length} foils${between > 0 ? `, ${units.filter(({ unit, closedAt }) => closedAt !== null && unit.laidWith === 'between foils').length} of ${between} between` : ''}`}
      </p>
      <p className="text-xl font-bold">{calendar.timeOf(now)}</p>
      <p
        role="status"
        aria-label="Connection"
        title={problem ?? undefined}
        className={clsx(
          'ml-auto truncate text-base',
          bad ? 'font-semibold text-amber-bark' : 'text-ink-soft',
        )}
      >
        {STATUS_WORDS[status]}
        {unsent > 0 && `: ${unsent} kept on this device`}
        {full && '; this device has no room left, keep this page open until all is sent'}
        {status === 'signed-out' && ', sign in to send'}
        {problem && status === 'live' && `; ${problem}`}
      </p>
      {status === 'signed-out' && (
        <a
          href={`/locked?to=${encodeURIComponent(`/chair?visit=${snapshot.visitId}`)}`}
          className="font-semibold text-leaf underline"
        >
          Unlock
        </a>
      )}
      {!soundIsOn() && <span className="text-base text-amber-bark">Touch once for sound</span>}
      <Button look="quiet" onClick={onServices}>
        Services
      </Button>
      {onAllNow && (
        <Button className="border-rowan! text-rowan!" onClick={onAllNow}>
          Rinse all now
        </Button>
      )}
    </header>
  );
}
