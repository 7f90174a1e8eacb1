export { fitInSteps, fitPlan, type FitLimit, type Fitted } from './fit';
export { thinned } from './thin';
