export { bindingsOf, type Binding } from './explain';
export {
  foilingMinutes, foilSeconds, MINUTES_PER_PANEL_CHANGE, SECONDS_PER_FOIL, SECONDS_PER_PAINTED_SECTION, type PacedFoil,
} from './pace';
export { MOST_BLOCKS, searchService, simplePlan, type Found, type SearchOptions } from './search';
export {
  basinTimes, compareCosts, runService, splitBlocks, USUAL_RULES, type Action, type Block, type ClockRules, type Cost, type PlacedFoil, type Stage, type Timeline,
} from './service';
export { underRunOff, WET_PARTS, wetPartOf, type WetPart } from './wet-order';
