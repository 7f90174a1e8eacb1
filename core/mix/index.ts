export {
  correctionResult,
  usualCorrection,
  type CorrectionFacts,
  type CorrectionResult,
} from './corrections';
export { hairAt, type HeadHair } from './hair-at';
export { neededFor, needsOf, type Need } from './needs';
export type { ColourResults } from './results';
export {
  levelWhere,
  nearestInTheHouse,
  partsOf,
  reachedBefore,
  rootResult,
  tonerIdeas,
  tonerResult,
  usualShadow,
  usualTap,
  withShadow,
  type Reached,
  type RootResult,
  type TonerIdea,
  type TonerResult,
  type ToneWanted,
} from './tone';
