import { stepName } from '../steps';
import { alarmsOf } from './alarms';
import { nextStep } from './next-step';
import { restOf, restSteps, restTimeline } from './rest';
import type { ServiceScript } from './script';
import { unitName } from './said';
import type { ServiceState } from './service-state';

/** What a service is at, and the next thing that will be called: for whoever looks after several. */
interface ServiceDue {
  /** What is to be done now: `Foil 14, Back`. */
  readonly now: string;
  /** The next thing due, with its moment; null where nothing runs. */
  readonly next: { readonly words: string; readonly at: number; readonly urgent: boolean } | null;
}

export function dueOf(script: ServiceScript, state: ServiceState, now: number): ServiceDue {
  const next = alarmsOf(script, state).find(({ key }) => !state.silenced.has(key));
  return {
    now: nowWords(script, state, now),
    next: next ? { words: next.words, at: next.due, urgent: next.urgent } : null,
  };
}

function nowWords(script: ServiceScript, state: ServiceState, now: number): string {
  const rest = state.startedAt === null ? null : restOf(script, state, state.freeAt ?? now);
  const steps = rest ? restSteps(rest, restTimeline(rest), state.startedAt!) : [];
  const step = nextStep(script, state, steps, now);
  switch (step.kind) {
    case 'start':
      return 'Not started';
    case 'foil':
      return `${unitName(step.own.unit)}, ${step.own.unit.panelName}`;
    case 'bowl':
      return `Fresh bowl ${step.mix}`;
    case 'wait':
      return 'Waiting for foils';
    case 'pull':
      return `Open ${step.units.length} ${step.units.length === 1 ? 'foil' : 'foils'}`;
    case 'again':
      return `Paint ${step.units.length} ${step.units.length === 1 ? 'foil' : 'foils'} again`;
    case 'rinse':
      return 'To the basin';
    case 'at-basin':
      return 'At the basin';
    case 'step-begin':
      return `Next: ${stepName(step.own.step)}`;
    case 'step-done':
      return `${stepName(step.own.step)} is on`;
    case 'step-until':
      return `${step.on.length} ${step.on.length === 1 ? 'colour is' : 'colours are'} on`;
    case 'finish':
      return 'Everything is done';
    case 'finished':
      return 'Finished';
  }
}
