'use client';

import { useEffect, useState, type ReactNode } from 'react';
import { partWords } from '@/core/head';
import { formatLevel } from '@/core/units';
import { Button } from '@/ui/button';
import { BackIcon, RedoIcon, UndoIcon } from '@/ui/icons';
import { isTyping } from '@/ui/is-typing';
import { Link } from '@/ui/link';
import { useSaid } from '@/ui/measures';
import { useCalendar } from '../house/calendar';
import { CautionBar } from '../safety/caution-bar';
import { sayDistance } from '../shared';
import { ComfortMenu } from '../comfort/comfort-menu';
import { Colleagues } from './colleagues';
import { DraftBanner } from './draft-banner';
import { Ribbon } from './ribbon';
import { stepAhead, StepLink, useGoToStep, useStep, useWay } from './step-link';
import { STEPS } from './step-names';
import { useVisit } from './store';

/** One visit: header, steps, the page of the step, and the ribbon that runs through all of them. */
export function VisitFrame({ today, children }: { today: string; children: ReactNode }) {
  const step = useStep();
  useWay();
  useStepKeys();
  const [facing, setFacing] = useState(false);
  return (
    <div data-live="true" data-facing={facing || undefined} className="flex h-dvh flex-col short:h-auto">
      <Header today={today} step={step} facing={facing} onFacing={setFacing} />
      <NotSaved />
      <SignedOff />
      <CautionBar />
      <DraftBanner />
      <div className="relative min-h-0 flex-1 short:h-[34rem] short:flex-none">{children}</div>
      {/* The clock stretches it over time, in the same place. */}
      {step !== 'clock' && <Ribbon />}
    </div>
  );
}

/** Says on every step that nothing changes any more, and where a correction goes. */
function SignedOff() {
  const { bundle } = useVisit();
  const { signed } = bundle.signOff;
  if (!signed) return null;
  return (
    <p
      role="status"
      className="flex items-center gap-3 border-b border-leaf bg-leaf-pale px-4 py-1.5 text-sm"
    >
      <b>Signed off by {signed.by}.</b> This visit can no longer be changed.{' '}
      <StepLink step="record" className="font-semibold underline">
        A correction is an addendum, in Record
      </StepLink>
    </p>
  );
}

interface HeaderProps {
  today: string;
  step: string;
  /** Turned towards the client: notes, prices and cautions are hidden. */
  facing: boolean;
  onFacing(facing: boolean): void;
}

function Header({ today, step, facing, onFacing }: HeaderProps) {
  const calendar = useCalendar();
  const { bundle, consult } = useVisit();
  const said = useSaid();
  const facts = [
    `base ${formatLevel(consult.naturalLevel)} → ${formatLevel(consult.goalLevel)}`,
    said(partWords(consult.head.part)),
    bundle.heldOn === today ? 'today' : calendar.day(bundle.heldOn),
    bundle.previous &&
      `last visit ${sayDistance(bundle.previous.heldOn, bundle.heldOn).replace(' ago', ' before')}`,
  ].filter(Boolean);
  return (
    <header className="flex shrink-0 flex-wrap items-center gap-x-3 border-b border-line bg-raised max-md:gap-x-1 md:h-14 md:flex-nowrap md:pr-4 md:pl-2">
      <Link
        href={`/clients/${bundle.client.id}`}
        aria-label={`Back to ${bundle.client.name}`}
        className="grid size-11 shrink-0 place-items-center rounded-ui text-ink-soft hover:bg-leaf-pale hover:text-ink"
      >
        <BackIcon />
      </Link>
      <div className="min-w-0 flex-1 xl:flex xl:items-center xl:gap-3">
        <h1 className="truncate text-lg leading-tight font-bold wide xl:shrink-0">{bundle.client.name}</h1>
        <p className="truncate text-sm leading-tight text-ink-soft narrow">{facts.join(' · ')}</p>
      </div>
      <Button
        small
        look={facing ? 'primary' : 'quiet'}
        aria-pressed={facing}
        onClick={() => onFacing(!facing)}
      >
        {facing ? (
          'Turn back'
        ) : (
          <>
            Turn<span className="max-md:sr-only"> to client</span>
          </>
        )}
      </Button>
      <Colleagues />
      <SaveMark />
      <UndoButtons />
      <ComfortMenu />
      <nav
        aria-label="Steps of the visit"
        className="flex max-md:order-last max-md:h-11 max-md:basis-full max-md:overflow-x-auto max-md:border-t max-md:border-line md:h-full"
      >
        {STEPS.map(({ path, name }) => (
          <StepLink
            key={path}
            step={path}
            aria-current={path === step ? 'step' : undefined}
            className={`grid h-full place-items-center border-b-[3px] px-3 text-md xl:px-4 ${
              path === step ? 'border-leaf font-semibold' : 'border-transparent text-ink-soft hover:text-ink'
            }`}
          >
            {name}
          </StepLink>
        ))}
      </nav>
    </header>
  );
}

/** Why the last edit was not taken; what was typed stays, and the next sound edit is saved with it. */
function NotSaved() {
  const { save } = useVisit();
  if (save.state !== 'refused' || !save.problem) return null;
  return (
    <p
      role="alert"
      className="border-b border-line bg-rowan-pale px-4 py-2 text-base font-semibold text-rowan"
    >
      Not saved. {save.problem}
    </p>
  );
}

function SaveMark() {
  const { save } = useVisit();
  const words = {
    saved: 'Saved',
    waiting: 'Saving …',
    saving: 'Saving …',
    offline: 'Not saved yet',
    refused: 'Not saved',
  }[save.state];
  const bad = save.state === 'offline' || save.state === 'refused';
  return (
    <p
      role="status"
      className={`text-sm whitespace-nowrap ${bad ? 'font-semibold text-amber-bark' : 'text-ink-soft max-md:sr-only'}`}
      title={save.problem}
    >
      {words}
      {bad && save.problem && <span className="sr-only">: {save.problem}</span>}
    </p>
  );
}

function UndoButtons() {
  const visit = useVisit();
  const said = useSaid();
  const undo = visit.undoLabel ? `Undo: ${said(visit.undoLabel)}` : undefined;
  const redo = visit.redoLabel ? `Redo: ${said(visit.redoLabel)}` : undefined;
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const key = event.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      if (isTyping(event.target)) return;
      event.preventDefault();
      if (key === 'y' || event.shiftKey) visit.redo();
      else visit.undo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  const look =
    'grid size-11 place-items-center rounded-ui text-ink hover:bg-leaf-pale disabled:text-edge disabled:hover:bg-transparent';
  return (
    <div className="flex">
      <button
        type="button"
        className={look}
        onClick={visit.undo}
        disabled={!visit.undoLabel}
        aria-label={undo ?? 'Undo'}
        title={undo}
      >
        <UndoIcon />
      </button>
      <button
        type="button"
        className={look}
        onClick={visit.redo}
        disabled={!visit.redoLabel}
        aria-label={redo ?? 'Redo'}
        title={redo}
      >
        <RedoIcon />
      </button>
    </div>
  );
}

/** [ and ] go to the step before and after. */
function useStepKeys() {
  const go = useGoToStep();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const by = event.key === ']' ? 1 : event.key === '[' ? -1 : 0;
      const next = by !== 0 && STEPS[STEPS.findIndex(({ path }) => path === stepAhead()) + by];
      if (next) go(next.path);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [go]);
}
