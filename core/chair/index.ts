export { alarmsOf, dueAlarms, timersOf, type Alarm, type Timers } from './alarms';
export { inOrder, lastUndoable, standing, type EventBody, type PlannedAction, type ServiceEvent } from './events';
export { nextStep, type NextStep } from './next-step';
export { recordOf, servedBy, type FoilRecord, type Served, type ServiceRecord } from './record';
export { mayRinseNow, ownId, plannedActions, restOf, restSteps, simpleRest, type RestQuestion, type RestStep } from './rest';
export { scriptOf, zoneWords, type ScriptBlock, type ScriptFoil, type ScriptInput, type ScriptLift, type ServiceScript } from './script';
export { conflictWords, MINUTE, readingOf, readyMinutesOf, serviceState, type BlockState, type Check, type Conflict, type FoilState, type ServiceState } from './state';
