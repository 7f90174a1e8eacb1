export { hairBefore, hairProblem, suits, type HairNow } from './hair';
export { PUT_ON_MINUTES, SPOT_MINUTES, STEP_MINUTES } from './minutes';
export { offeredSteps } from './offers';
export { plainStep, plainSteps, type PlainKind } from './plain';
export { roundsOf, timedSteps, wholeMinutes, type StepTimes, type TimedStep } from './rounds';
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
