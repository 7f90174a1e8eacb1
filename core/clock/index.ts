export {
  foilingMinutes, foilSeconds, MINUTES_PER_PANEL_CHANGE, SECONDS_PER_FOIL, SECONDS_PER_PAINTED_SECTION, type PacedFoil,
} from './pace';
