export { carriedConsult, carriedMix } from './carried';
export {
  BASIN_VISITS,
  USUAL_CLOCK,
  USUAL_HOUSE_CLOCK,
  type BasinVisits,
  type HouseClock,
  type VisitClock,
} from './clock';
export {
  CONDITIONS,
  HAIR_FLAGS,
  isFragile,
  NOTED,
  SERVICES,
  type Condition,
  type Consult,
  type HairFlag,
  type Health,
  type HistoryEntry,
  type Noted,
  type RegrowthByZone,
  type Service,
  type ZoneHair,
} from './consult';
export { limitsOf, measuresOf, timeThereIs, type House } from './house';
export * from './mix';
export * from './place';
export {
  CORRECTIONS,
  EMPTY_OUTCOME,
  INSPECTION,
  NEXT_WHAT,
  takenOf,
  ZONE_TONES,
  type InspectionPoint,
  type Outcome,
  type ZoneOutcome,
  type ZoneTone,
} from './record';
export {
  CONSENT_KINDS,
  recordedTests,
  type ConsentKind,
  type HairTest,
  type RecordedTest,
  type TestDocument,
  type WrittenTest,
} from './tests';
