export { againSheet, linesOf, type AgainFacts } from './again-sheet';
export { findAgain, listWords, sequenceWords, type PanelGuide, type SideGuide } from './find-again';
export { growthVisits } from './growth-visits';
export { levelsByZone } from './levels';
export { mixedLines, unitsSaid, type MixedLine } from './mixed';
export { repeatLines } from './repeat';
export { stockUsed, type StockUsed } from './stock-used';
export {
  retouch,
  zonesSaid,
  type Retouch,
  type RetouchHow,
  type RetouchPanel,
  type RetouchWish,
} from './retouch';
export { zonesOfPlan, zonesOfService, zonesRecorded, type ZoneDone, type ZonesDone } from './zones';
