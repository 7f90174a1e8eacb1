export { foilingMinutes, MINUTES_PER_PANEL_CHANGE, SECONDS_PER_FOIL } from './pace';
