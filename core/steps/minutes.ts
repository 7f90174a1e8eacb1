import type { StepKind } from './step';

/** Minutes of steps that no product gives a time: working assumptions until a house has measured its own. */
export const STEP_MINUTES = {
  wash: 8,
  'pre-tone': 5,
  treatment: 5,
  rinse: 5,
  paint: 10,
  dry: 25,
  cut: 20,
  own: 10,
} as const satisfies Partial<Record<StepKind, number>>;

/** Putting one colour on. */
export const PUT_ON_MINUTES = 4;

/** A spot that was repaired on dry hair is rinsed alone and dried again. */
export const SPOT_MINUTES = { rinse: 3, dry: 5 } as const;
