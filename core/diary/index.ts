export { clashesWith, lanesOf, type Lane, type Stretch } from './lanes';
export { minutesToBook } from './length';
export { STANDING_WORDS, standingOf, type Standing } from './standing';
export {
  APPOINTMENT_KINDS,
  APPOINTMENT_STATES,
  hourMinute,
  KIND_WORDS,
  type AppointmentKind,
  type AppointmentState,
  type Slot,
} from './types';
export {
  canBeTexted,
  fillReminder,
  goesOutNow,
  PAGE_FIELD,
  reminderProblem,
  reminderStanding,
  textsNeeded,
  USUAL_REMINDER_WORDS,
  withPage,
  type ReminderKind,
  type ReminderStanding,
} from './reminder';
export {
  freeStretches,
  isOutside,
  nearestOpenDay,
  openOn,
  USUAL_OPENING,
  USUAL_WORKING_HOURS,
  WEEK_BEGINNINGS,
  WEEKDAYS,
  weekdayOf,
  weekFrom,
  whyClosed,
  workedOn,
  type DayHours,
  type DaysOff,
  type Opening,
  type WeekBeginning,
  type WeekHours,
  type WhyNot,
  type WorkingHours,
} from './hours';
export { placesFor, weekAt, type FreePlace, type PersonDay, type WeekDay } from './week';
