export {
  growthIntervals,
  regrowthByZone,
  weeksBetween,
  type GrowthVisit,
  type Taken,
  type ZoneRegrowth,
  type ZoneTaken,
} from './by-zone';
export { levelLines, linesThrough, regrowthLines, type ZoneLine } from './lines';
export { nextVisit, type NextFacts, type NextReason, type NextVisit, type NextWhat } from './next-visit';
export {
  carriesOldLight,
  growthRate,
  regrowthAfter,
  WEEKS_PER_MONTH,
  type GrowthInterval,
  type GrowthRate,
  type Regrowth,
} from './regrowth';
export { sessionsToGoal, type LevelVisit, type Sessions } from './sessions';
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
export { TEASING_MM, tonerWeeks, visibleLine, type Edge, type VisibleLine } from './visible-line';
