export { usedOf, usedProblem, NOTHING_USED, type UsedMix } from './used';
export { endOf, neededBefore, type StepState } from './steps';
export { alarmsOf, dueAlarms, timersOf, type Alarm } from './alarms';
export { dueOf } from './due';
export { inOrder, lastUndoable, type EventBody, type ServiceEvent } from './events';
export { MINUTE } from './minute';
export { nextStep, stepBody, type NextStep } from './next-step';
export { recordOf, servedBy, wasPastLimit, type Served, type ServiceRecord } from './record';
export {
  betterRest,
  mayRinseNow,
  restOf,
  restSteps,
  restTimeline,
  runningCourse,
  type RestQuestion,
  type RestStep,
} from './rest';
export {
  scriptOf,
  scriptPartOf,
  type ScriptCourse,
  type ScriptLift,
  type ScriptPart,
  type ScriptUnit,
  type ServiceScript,
} from './script';
export { lengthOf, levelNow, minutesOn, readingOf, readyMinutesOf } from './lifting';
export { conflictWords, unitName } from './said';
export type { BlockState, ServiceState, UnitState } from './service-state';
export { serviceState } from './state';
