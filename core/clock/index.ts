export { bindingsOf, type Binding } from './explain';
export { follow } from './follow';
export { basinMinutes } from './hands';
export { Head } from './head';
export {
  dropoutSeconds,
  foilSeconds,
  MINUTES_PER_PANEL_CHANGE,
  SECONDS_PER_FOIL,
  SECONDS_PER_PAINTED_SECTION,
  workMinutes,
  type PacedFoil,
} from './pace';
export {
  changesBetween,
  fewerFoils,
  figuresOf,
  goesPast,
  MOST_PLANS,
  planFollowed,
  plansOf,
  type ClockPlanned,
  type ClockQuestion,
  type Figures,
} from './plans';
export { LAST_MINUTES, Question } from './question';
export { LEAST_PART, Search, type Fixed, type Found } from './search';
export * from './types';
export { BACK_PARTS, WET_PARTS, wetPartOf, type WetPart } from './wet-order';
