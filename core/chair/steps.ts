import {
  hairBefore,
  hairProblem,
  isAtBasin,
  plainStep,
  roundsOf,
  staysOn,
  stepName,
  suits,
  type HairNow,
  type ServiceStep,
} from '../steps';
import type { EventBody } from './events';
import { MINUTE } from './minute';

/** A step of a service as it stands. Moments are milliseconds since 1970. */
export interface StepState {
  /** Its minutes count what was given to it since. */
  readonly step: ServiceStep;
  /** Minutes that it was planned with; null for a step that was added at the chair. */
  readonly plannedMinutes: number | null;
  readonly standing: 'waiting' | 'on' | 'done' | 'skipped';
  readonly begunAt: number | null;
  readonly doneAt: number | null;
  /** Why it was skipped. */
  readonly why: string | null;
}

export type StepEvent = Extract<EventBody, { readonly kind: `step-${string}` }>;

interface Row {
  step: ServiceStep;
  plannedMinutes: number | null;
  standing: StepState['standing'];
  begunAt: number | null;
  doneAt: number | null;
  why: string | null;
}

const WORDS = { on: 'begun', done: 'done' } as const;

/**
 * The steps of a service in their order, as events change them. Where devices contradict each other, what was
 * done counts.
 */
export class StepList {
  private readonly rows: Row[];

  constructor(planned: readonly ServiceStep[]) {
    this.rows = planned.map((step) => row(step, step.minutes));
  }

  /** Takes an event. @returns a sentence where it contradicts what happened before */
  take(body: StepEvent, at: number): string | null {
    if (body.kind === 'step-added') return this.add(body.step, body.after);
    const own = this.rows.find(
      ({ step }) => step.id === (body.kind === 'step-changed' ? body.step.id : body.step),
    );
    if (!own) return null;
    const name = stepName(own.step);
    const { standing } = own;
    switch (body.kind) {
      case 'step-moved':
        if (standing !== 'waiting')
          return standing === 'skipped' ? null : `${name} was ${WORDS[standing]} before it was moved.`;
        this.rows.splice(this.rows.indexOf(own), 1);
        this.insert(own, body.after);
        return null;
      case 'step-changed':
        if (standing === 'on' || standing === 'done')
          return `${name} was ${WORDS[standing]} before it was changed: it stays as it was.`;
        Object.assign(own, { step: body.step, standing: 'waiting', why: null });
        return null;
      case 'step-skipped':
        if (standing === 'on' || standing === 'done')
          return `${name} was ${WORDS[standing]} before it was skipped: it counts.`;
        Object.assign(own, { standing: 'skipped', why: body.why });
        return null;
      case 'step-more':
        own.step = { ...own.step, minutes: own.step.minutes + body.minutes };
        return null;
      case 'step-begun':
        if (own.begunAt !== null) return null;
        if (own.step.kind === 'rinse' || own.step.kind === 'wash') this.endAll(at);
        Object.assign(own, { standing: 'on', begunAt: at, why: null });
        return standing === 'skipped' ? `${name} was skipped and then begun: it counts.` : null;
      case 'step-done':
        if (own.doneAt !== null) return null;
        Object.assign(own, { standing: 'done', begunAt: own.begunAt ?? at, doneAt: at, why: null });
        return standing === 'skipped' ? `${name} was skipped and then done: it counts.` : null;
    }
  }

  read(): StepState[] {
    return this.rows.map((current) => ({ ...current }));
  }

  private add(step: ServiceStep, after: string | null): null {
    if (!this.rows.some((other) => other.step.id === step.id)) this.insert(row(step, null), after);
    return null;
  }

  /** @param after id of the step that it follows; null, or one that is gone: after what is begun */
  private insert(current: Row, after: string | null): void {
    const at = this.rows.findIndex(({ step }) => step.id === after);
    const begun = this.rows.findLastIndex(({ standing }) => standing === 'on' || standing === 'done');
    this.rows.splice(Math.max(at, begun) + 1, 0, current);
  }

  /** What stays on is over once the hair is under water. */
  private endAll(at: number): void {
    for (const own of this.rows) {
      if (own.standing === 'on' && staysOn(own.step)) Object.assign(own, { standing: 'done', doneAt: at });
    }
  }
}

const row = (step: ServiceStep, plannedMinutes: number | null): Row => ({
  step,
  plannedMinutes,
  standing: 'waiting',
  begunAt: null,
  doneAt: null,
  why: null,
});

/** When a step that was begun has had its minutes. */
export const endOf = ({ step, begunAt }: StepState): number => begunAt! + step.minutes * MINUTE;

/** What a colourist can do next of some steps. */
export type StepTurn =
  | { readonly kind: 'begin'; readonly own: StepState; readonly on: readonly StepState[] }
  | { readonly kind: 'done'; readonly own: StepState; readonly on: readonly StepState[] }
  /** Colours are on; the next of their round is put on at `at`, so that all of them are done together. */
  | {
      readonly kind: 'until';
      readonly own: StepState;
      readonly at: number;
      readonly on: readonly StepState[];
    };

/** Colours whose ends lie so near to each other are rinsed at once, ms: nobody rinses twice for less. */
const TOGETHER = 2 * MINUTE;

/** What is next; null once every step is done. */
export function stepTurn(steps: readonly StepState[], now: number): StepTurn | null {
  const on = steps.filter(({ standing }) => standing === 'on');
  const left = steps.filter(({ standing }) => standing !== 'skipped');
  const rounds = roundsOf(
    left.map((stepState) => ({ own: stepState, kind: stepState.step.kind, minutes: stepState.step.minutes })),
  );
  const at = rounds.findIndex((round) => round.some(({ own }) => own.standing !== 'done'));
  if (at < 0) return null;
  const round = rounds[at].map(({ own }) => own);
  const running = round.filter(({ standing }) => standing === 'on').sort((a, b) => endOf(a) - endOf(b));
  const [waiting] = round.filter(({ standing }) => standing === 'waiting');
  if (waiting) {
    const due =
      running.length === 0 ? now : endOf(running[running.length - 1]) - waiting.step.minutes * MINUTE;
    return due <= now ? { kind: 'begin', own: waiting, on } : { kind: 'until', own: waiting, at: due, on };
  }
  const [first] = running;
  const together = endOf(running[running.length - 1]) - endOf(first) <= TOGETHER;
  const follows = rounds[at + 1]?.[0].own;
  // Rinsing ends them all.
  if (
    together &&
    staysOn(first.step) &&
    follows &&
    follows.standing === 'waiting' &&
    follows.step.kind === 'rinse'
  ) {
    return { kind: 'begin', own: follows, on };
  }
  return { kind: 'done', own: first, on };
}

/** How far a service is: its steps, and its visits to the basin with foils. */
interface Progress {
  readonly steps: readonly StepState[];
  readonly stages: readonly unknown[];
}

/** State of the hair by what was done. */
function hairNow({ steps, stages }: Progress): HairNow {
  let now: HairNow = stages.length > 0 ? 'damp' : 'dry';
  const done = steps.filter(({ begunAt }) => begunAt !== null).sort((a, b) => a.begunAt! - b.begunAt!);
  for (const { step, doneAt } of done) {
    if (step.kind === 'treatment') now = 'treated';
    else if (step.kind === 'dry') now = doneAt === null ? now : 'dry';
    else if (isAtBasin(step)) now = 'damp';
  }
  return now;
}

/** What is wrong with the hair for a step that is to be begun, as a sentence; null where it suits. */
export const wrongHair = (step: ServiceStep, service: Progress): string | null =>
  hairProblem(step, hairNow(service));

/**
 * What is added so that a step finds the hair that it wants: a drying or a treatment before it, where the
 * hair is another by
 * then. @param after id of the step that it follows; null for what is next
 */
export function neededBefore(
  step: ServiceStep,
  service: Progress,
  after: string | null,
  id: string,
): ServiceStep | null {
  const { steps } = service;
  const at = steps.findIndex((stepState) => stepState.step.id === after);
  const before = steps
    .slice(0, at + 1)
    .filter(({ standing }) => standing === 'waiting')
    .map((stepState) => stepState.step);
  const now = hairBefore([...before, step], hairNow(service))[before.length];
  if (suits(step.hair, now) || step.hair === 'damp') return null;
  return step.hair === 'dry' ? plainStep(id, 'dry') : plainStep(id, 'treatment');
}
