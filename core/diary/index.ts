export { clashesWith, lanesOf, type Lane, type Stretch } from './lanes';
export { minutesToBook, RASTER } from './length';
export { STANDING_WORDS, standingOf, type Standing } from './standing';
export { APPOINTMENT_KINDS, APPOINTMENT_STATES, hourMinute, KIND_WORDS, type AppointmentKind, type AppointmentState, type Slot } from './types';
export { canBeTexted, fillReminder, goesOutNow, reminderProblem, reminderStanding, textsNeeded, USUAL_REMINDER_WORDS, type ReminderKind, type ReminderStanding } from './reminder';
