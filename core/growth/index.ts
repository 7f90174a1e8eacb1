export { carriesOldLight, growthRate, regrowthAfter, type GrowthInterval, type GrowthRate } from './regrowth';
export { tonerWeeks, visibleLine, type Edge, type VisibleLine } from './visible-line';
