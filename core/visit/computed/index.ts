export { createVisitEngine, type ComputedVisit, type VisitColours, type VisitEngine } from './engine';
export { factsOf, type EarlierVisit, type ReadVisit, type VisitDocuments, type VisitFacts } from './facts';
export type { VisitGrowth } from './growth';
