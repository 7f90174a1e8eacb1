export type { SuggestFacts } from './facts';
export { settle } from './settings';
export { suggest, type Suggestion } from './suggest';
