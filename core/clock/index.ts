export { bindingsOf } from './explain';
export { follow } from './follow';
export { basinMinutes } from './hands';
export { Head } from './head';
export { foilSeconds, MINUTES_PER_PANEL_CHANGE, SECONDS_PER_FOIL } from './pace';
export {
  changesBetween,
  fewerFoils,
  goesPast,
  planFollowed,
  plansOf,
  type ClockPlanned,
  type ClockQuestion,
  type Figures,
} from './plans';
export { Question } from './question';
export { LEAST_PART, Search } from './search';
export * from './types';
export { WET_PARTS, wetPartOf, type WetPart } from './wet-order';
