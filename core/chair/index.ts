export { usedOf, usedProblem, NOTHING_USED, type UsedMix } from './used';
export { endOf, hairNow, neededBefore, wrongHair, type StepState } from './steps';
export { alarmsOf, dueAlarms, timersOf, type Alarm, type Timers } from './alarms';
export { inOrder, lastUndoable, standing, type EventBody, type PlannedAction, type ServiceEvent } from './events';
export { nextStep, type NextStep } from './next-step';
export { recordOf, servedBy, type PanelLine, type Served, type StepRecord, type ServiceRecord, type UnitRecord } from './record';
export { betterRest, mayRinseNow, restOf, restSteps, restTimeline, runningCourse, type RestQuestion, type RestStep } from './rest';
export { scriptOf, type ScriptBlock, type ScriptCourse, type ScriptInput, type ScriptLift, type ScriptMix, type ScriptPart, type ScriptUnit, type ServiceScript } from './script';
export { conflictWords, lengthOf, MINUTE, readingOf, readyMinutesOf, serviceState, unitName, type BlockState, type Check, type Conflict, type ServiceState, type UnitState } from './state';
