export { type Consult, consultSchema, EMPTY_CONSULT, parseConsult, type RegrowthByZone } from './consult-document';
export { differencesOf, type Difference } from './differences';
export { AVERAGE_HAIR, AVERAGE_HEAD } from './fields';
export { type Outcome, outcomeSchema, parseOutcome } from './outcome-document';
export { openedHeadSvg } from './opened-head-svg';
export { panelOf, parsePlan, parsePlanText, PLAN_FORMAT, PLAN_VERSION, planSchema, type PanelInput } from './plan-document';
export { parseWith, pathOf, sentenceOf, type Parsed } from './problem';
export { roundedSheet, sheetSchema } from './sheet-document';
export { emptyPlan, START_PANELS, startPlan } from './start-plan';
