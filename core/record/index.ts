export { againSheet, linesOf } from './again-sheet';
export { findAgain, listWords, sequenceWords } from './find-again';
export { growthVisits } from './growth-visits';
export { levelsByZone } from './levels';
export { mixedLines, unitsSaid } from './mixed';
export { repeatLines } from './repeat';
export { stockUsed, type StockUsed } from './stock-used';
export { retouch, zonesSaid, type RetouchHow } from './retouch';
export { zonesOfPlan, zonesOfService, zonesRecorded, type ZonesDone } from './zones';
