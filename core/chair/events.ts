import type { ServiceStep } from '../steps';
import type { ScriptCourse, ScriptPart } from './script';

/** An action of a plan as services wrote it down when they began, before their script had a course. */
export type PlannedAction =
  | { readonly kind: 'foil'; readonly block: string }
  | { readonly kind: 'rinse'; readonly blocks: readonly string[] }
  | { readonly kind: 'pull'; readonly block: string };

/** What a device says of a service. Foils and blocks by their ids. */
export type EventBody =
  /** The clock runs from here: the first foil is begun, from a fresh bowl. */
  | { readonly kind: 'started'; readonly plan?: readonly PlannedAction[] }
  /** The rest goes on by another course. */
  | { readonly kind: 'replanned'; readonly course: ScriptCourse }
  | { readonly kind: 'closed'; readonly foil: string }
  | { readonly kind: 'skipped'; readonly foil: string; readonly why: string | null }
  /** A foil that was not planned, laid in a block and closed at once. */
  | { readonly kind: 'added'; readonly foil: string; readonly block: string }
  /** Another block is worked next. */
  | { readonly kind: 'next'; readonly block: string }
  | { readonly kind: 'bowl'; readonly mix: string }
  | {
      readonly kind: 'checked';
      readonly foil: string;
      readonly level: number;
      readonly then: 'more' | 'rinse';
      readonly minutes: number | null;
      readonly reason: string | null;
      readonly photo: string | null;
    }
  | { readonly kind: 'pulled'; readonly foils: readonly string[]; readonly reason: string | null }
  /** Blocks go to the basin, or only these of their foils; `incident` where all of it had to, at once. */
  | {
      readonly kind: 'rinse-begun';
      readonly blocks: readonly string[];
      readonly foils?: readonly string[];
      readonly incident: string | null;
    }
  | { readonly kind: 'rinse-done' }
  /** Why a block stays on past its limit. */
  | { readonly kind: 'past-limit'; readonly block: string; readonly reason: string }
  /** More minutes for some foils, by what was seen. */
  | {
      readonly kind: 'longer';
      readonly foils: readonly string[];
      readonly minutes: number;
      readonly reason: string;
    }
  /** Opened, wiped and painted again. */
  | { readonly kind: 'reapplied'; readonly foils: readonly string[]; readonly reason: string }
  /** Another strength for what a mix is not yet on. */
  | { readonly kind: 'strength'; readonly mix: string; readonly volumes: number; readonly reason: string }
  /** Mix was changed: what is not yet placed goes by this. */
  | { readonly kind: 'rescripted'; readonly script: ScriptPart }
  /** `after`: the step that it follows; null puts it next. */
  | { readonly kind: 'step-added'; readonly step: ServiceStep; readonly after: string | null }
  | { readonly kind: 'step-moved'; readonly step: string; readonly after: string | null }
  | { readonly kind: 'step-changed'; readonly step: ServiceStep }
  | { readonly kind: 'step-skipped'; readonly step: string; readonly why: string | null }
  | { readonly kind: 'step-more'; readonly step: string; readonly minutes: number; readonly reason: string }
  | { readonly kind: 'step-begun'; readonly step: string }
  | { readonly kind: 'step-done'; readonly step: string }
  | { readonly kind: 'note'; readonly words: string; readonly foil: string | null }
  /** The step is free for another screen, or this one takes it. */
  | { readonly kind: 'handed' }
  | { readonly kind: 'taken' }
  | { readonly kind: 'raised'; readonly alarm: string; readonly due: number; readonly late: boolean }
  | { readonly kind: 'silenced'; readonly alarm: string }
  | { readonly kind: 'undone'; readonly event: string }
  /** `reason` where it was ended before everything was done. */
  | { readonly kind: 'finished'; readonly reason?: string };

/** Something that happened, as every device holds it. */
export interface ServiceEvent {
  /** Made by the device: the same one sent twice is one event. */
  readonly id: string;
  readonly device: string;
  /** Milliseconds since 1970, by the server’s clock as far as it is known. */
  readonly at: number;
  /** Who was signed in. */
  readonly by: string;
  readonly body: EventBody;
  /** Place in the order in which the server took it; missing until it has. */
  readonly position?: number;
}

/** Events in the order in which they happened; what happened in the same millisecond stays as it came. */
export function inOrder(events: readonly ServiceEvent[]): ServiceEvent[] {
  return [...events].sort((a, b) => a.at - b.at);
}

/** Events in the order in which the server took them, those that it has not taken last. */
export function asTaken(events: readonly ServiceEvent[]): ServiceEvent[] {
  return [...events].sort(
    (a, b) => (a.position ?? Number.MAX_SAFE_INTEGER) - (b.position ?? Number.MAX_SAFE_INTEGER),
  );
}

/** What can be taken back: work, not words about it. */
const UNDOABLE: ReadonlySet<EventBody['kind']> = new Set([
  'replanned',
  'closed',
  'skipped',
  'added',
  'next',
  'bowl',
  'checked',
  'pulled',
  'rinse-begun',
  'rinse-done',
  'past-limit',
  'longer',
  'reapplied',
  'strength',
  'step-added',
  'step-moved',
  'step-changed',
  'step-skipped',
  'step-more',
  'step-begun',
  'step-done',
  'note',
  'finished',
]);

/** Events without those that were taken back, and without the taking back. */
export function standing(events: readonly ServiceEvent[]): ServiceEvent[] {
  const gone = new Set(events.flatMap(({ body }) => (body.kind === 'undone' ? [body.event] : [])));
  return events.filter(
    ({ id, body }) => body.kind !== 'undone' && !(gone.has(id) && UNDOABLE.has(body.kind)),
  );
}

/** The last thing that can be taken back; undefined where there is nothing. */
export function lastUndoable(events: readonly ServiceEvent[]): ServiceEvent | undefined {
  return standing(events).findLast(({ body }) => UNDOABLE.has(body.kind));
}
