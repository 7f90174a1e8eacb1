export { Allowed, type Fixed } from './allowed';
export { Courses } from './course';
export { basinMinutes } from './moves';
export { bindingsOf, nearestAlternative, type Alternative, type Binding } from './explain';
export {
  foilingMinutes, foilSeconds, MINUTES_PER_PANEL_CHANGE, SECONDS_PER_FOIL, SECONDS_PER_PAINTED_SECTION, type PacedFoil,
} from './pace';
export { MOST_BLOCKS, searchService, type Found, type SearchOptions } from './search';
export { runService, splitBlocks } from './service';
export { simplePlan } from './simple';
export * from './types';
export { underRunOff, WET_PARTS, wetPartOf, type WetPart } from './wet-order';
