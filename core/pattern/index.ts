export { columnCount, equalColumns } from './columns';
export { createPatternEngine, MOST_FOILS_PER_PANEL, type ComputedPlan, type PatternDrawing } from './compute';
export { pick, stitchIntervals, type Picked } from './gather';
export { hairGrams, hairsOn } from './hair';
export { type Outline } from './outline';
export { type FoilPath } from './panel-foils';
export { EAR_LINE_DEG } from './region';
export { pitchOf, rowOffsets } from './spacing';
export type * from './types';
