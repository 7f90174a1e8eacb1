export { correctionResult, usualWash, type CorrectionResult } from './corrections';
export { needsOf, type Need } from './needs';
export { levelWhere, partsOf, reachedBefore, rootResult, tonerIdeas, tonerResult, type Reached, type RootResult, type TonerIdea, type TonerResult } from './tone';
