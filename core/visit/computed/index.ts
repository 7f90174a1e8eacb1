export { createVisitEngine, type ComputedVisit } from './engine';
export { factsOf, type VisitDocuments, type VisitFacts } from './facts';
