export { hairBefore, hairProblem, suits, type HairNow } from './hair';
export { offeredSteps } from './offers';
export { plainStep, plainSteps } from './plain';
export { roundsOf, timedSteps, wholeMinutes, type TimedStep } from './rounds';
export {
  isAtBasin,
  isColour,
  recipeWords,
  scaled,
  staysOn,
  STEP_HAIR,
  STEP_HAIR_WORDS,
  STEP_KINDS,
  stepName,
  type ServiceStep,
  type StepHair,
  type StepKind,
} from './step';
export { putOn, suggestedSteps } from './suggested';
