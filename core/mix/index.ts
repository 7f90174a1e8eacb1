export { correctionResult, usualSpot, usualWash, type CorrectionResult } from './corrections';
export { needsOf, type Need } from './needs';
export type { ColourResults } from './results';
export { levelWhere, partsOf, reachedBefore, rootResult, tonerIdeas, tonerResult, type Reached, usualShadow, usualTap, withShadow, type RootResult, type TonerIdea, type TonerResult } from './tone';
