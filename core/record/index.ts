export { nextFactsOf } from './next-facts';
export { zonesOfPlan, zonesOfService, zonesRecorded, type ZoneDone, type ZonesDone } from './zones';
