export { correctionResult, usualCorrection, type CorrectionFacts } from './corrections';
export { hairAt } from './hair-at';
export { neededFor, needsOf, type Need } from './needs';
export type { ColourResults } from './results';
export {
  levelWhere,
  nearestInTheHouse,
  reachedBefore,
  rootResult,
  tonerIdeas,
  tonerResult,
  usualShadow,
  usualTap,
  withShadow,
  type Reached,
  type TonerIdea,
} from './tone';
