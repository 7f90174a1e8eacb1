/** What an appointment is for. */
export const APPOINTMENT_KINDS = ['full', 'face', 'toner', 'consult', 'alert-test', 'redo'] as const;
export type AppointmentKind = (typeof APPOINTMENT_KINDS)[number];

export const APPOINTMENT_STATES = ['booked', 'cancelled', 'no-show'] as const;
export type AppointmentState = (typeof APPOINTMENT_STATES)[number];

export const KIND_WORDS: Readonly<Record<AppointmentKind, string>> = {
  full: 'Full foils',
  face: 'Face and hairline',
  toner: 'Toner only',
  consult: 'Consultation',
  'alert-test': 'Alert test',
  redo: 'Redo',
};

/** A time in the diary: a day and minutes since midnight where the salon is. */
export interface Slot {
  /** YYYY-MM-DD */
  readonly on: string;
  readonly from: number;
  readonly minutes: number;
}

/** Minutes of a day as documents and addresses have them, whatever the house writes: `09:05`. */
export const hourMinute = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(Math.round(minute) % 60).padStart(2, '0')}`;
