/** A value with its past and future, each step named so that undo can say what it undoes. */
export interface History<T> {
  readonly past: readonly Step<T>[];
  readonly present: T;
  readonly future: readonly Step<T>[];
}

interface Step<T> {
  /** What the step did: `drop-out 5 → 8 mm, Back`. */
  readonly label: string;
  /** Steps of one gesture share a key and are undone together. */
  readonly gesture: string;
  readonly at: number;
  /** The value on the other side of the step. */
  readonly value: T;
}

/** Steps of one gesture that follow each other within this time are one step. */
const GESTURE_MS = 900;
const DEEPEST = 300;

/** Name of a gesture that lasts until the hand lifts, however slowly it moves: a drag. */
export const held = (id: string): string => `held ${id}`;
const isHeld = (gesture: string) => gesture.startsWith('held ');

export const historyOf = <T>(present: T): History<T> => ({ past: [], present, future: [] });

/**
 * Takes a new value as a step; one that continues a gesture is named from the gesture’s first value.
 */
export function advance<T>(
  history: History<T>,
  next: T,
  step: { label: (before: T, after: T) => string; gesture: string; at: number },
): History<T> {
  const last = history.past.at(-1);
  const continues =
    last !== undefined &&
    last.gesture === step.gesture &&
    (isHeld(step.gesture) || step.at - last.at <= GESTURE_MS) &&
    history.future.length === 0;
  const before = continues ? last.value : history.present;
  const earlier = continues ? history.past.slice(0, -1) : history.past.slice(-DEEPEST + 1);
  return {
    past: [
      ...earlier,
      { label: step.label(before, next), gesture: step.gesture, at: step.at, value: before },
    ],
    present: next,
    future: [],
  };
}

export function undo<T>(history: History<T>): History<T> {
  const last = history.past.at(-1);
  if (!last) return history;
  return {
    past: history.past.slice(0, -1),
    present: last.value,
    future: [{ ...last, value: history.present }, ...history.future],
  };
}

export function redo<T>(history: History<T>): History<T> {
  const [next, ...later] = history.future;
  if (!next) return history;
  return { past: [...history.past, { ...next, value: history.present }], present: next.value, future: later };
}

/** Puts another value in place without a step, such as what was left over from before. */
export const replaced = <T>(present: T): History<T> => historyOf(present);

/** Takes somebody else's change into every step, so that steps back undo one's own work and not theirs. */
export function rebased<T>(
  { past, present, future }: History<T>,
  take: (value: T, at: 'now' | 'step') => T,
): History<T> {
  const steps = (all: readonly Step<T>[]) =>
    all.map((step) => ({ ...step, value: take(step.value, 'step') }));
  return { past: steps(past), present: take(present, 'now'), future: steps(future) };
}
