export { fitPlan, type FitChange, type FitLimit, type Fitted } from './fit';
