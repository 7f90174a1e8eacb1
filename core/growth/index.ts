export {
  growthIntervals,
  regrowthByZone,
  weeksBetween,
  type GrowthVisit,
  type ZoneRegrowth,
} from './by-zone';
export { levelLines, linesThrough, regrowthLines, type ZoneLine } from './lines';
export { nextVisit, type NextFacts, type NextReason, type NextVisit } from './next-visit';
export { carriesOldLight, growthRate, WEEKS_PER_MONTH, type GrowthRate } from './regrowth';
export { sessionsToGoal } from './sessions';
export { targetProgress, type Target, type TargetProgress, type TargetVisit } from './targets';
export {
  bySoonest,
  LINE_SPREAD,
  lineWeeks,
  lineWords,
  quickRootLines,
  OPEN_ZONES,
  rootLines,
  type RootLine,
} from './root-lines';
export { TEASING_MM, tonerWeeks, visibleLine, type Edge } from './visible-line';
