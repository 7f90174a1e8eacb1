export type { SuggestFacts } from './facts';
export { reasonsFor, type Reason } from './reasons';
export { settle, type Setting } from './settings';
export { suggest, type Suggestion } from './suggest';
