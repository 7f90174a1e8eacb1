export { usedOf, usedProblem, NOTHING_USED, type UsedMix } from './used';
export { endOf, neededBefore, type StepState } from './steps';
export { alarmsOf, dueAlarms, timersOf, type Alarm, type Timers } from './alarms';
export { dueOf } from './due';
export {
  inOrder,
  lastUndoable,
  standing,
  type EventBody,
  type PlannedAction,
  type ServiceEvent,
} from './events';
export { MINUTE } from './minute';
export { nextStep, type NextStep } from './next-step';
export {
  recordOf,
  servedBy,
  wasPastLimit,
  type PanelLine,
  type Served,
  type StepRecord,
  type ServiceRecord,
  type UnitRecord,
} from './record';
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
  type ScriptBlock,
  type ScriptCourse,
  type ScriptInput,
  type ScriptLift,
  type ScriptMix,
  type ScriptPart,
  type ScriptUnit,
  type ServiceScript,
} from './script';
export {
  conflictWords,
  lengthOf,
  levelNow,
  minutesOn,
  readingOf,
  readyMinutesOf,
  serviceState,
  unitName,
  type BlockState,
  type Check,
  type Conflict,
  type ServiceState,
  type UnitState,
} from './state';
