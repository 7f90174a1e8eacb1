export { fitInSteps, fitPlan, type FitChange, type FitLimit, type Fitted } from './fit';
export type { PointsOf } from './worth';
export { thinned } from './thin';
