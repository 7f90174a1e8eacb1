export { alarmsOf, dueAlarms, timersOf, type Alarm, type Timers } from './alarms';
export { inOrder, lastUndoable, standing, type EventBody, type PlannedAction, type ServiceEvent } from './events';
export { nextStep, type NextStep } from './next-step';
export { recordOf, servedBy, type PanelLine, type Served, type ServiceRecord, type UnitRecord } from './record';
export { betterRest, mayRinseNow, restOf, restSteps, restTimeline, runningCourse, type RestQuestion, type RestStep } from './rest';
export { scriptOf, type ScriptBlock, type ScriptCourse, type ScriptInput, type ScriptLift, type ScriptMix, type ScriptUnit, type ServiceScript } from './script';
export { conflictWords, lengthOf, MINUTE, readingOf, readyMinutesOf, serviceState, unitName, type BlockState, type Check, type Conflict, type ServiceState, type UnitState } from './state';
