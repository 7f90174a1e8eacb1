import type { AppointmentKind } from './types';

/** Minutes that an appointment of a kind takes where nothing is planned. Working assumptions of a house. */
const USUAL: Readonly<Record<AppointmentKind, number>> = {
  full: 180,
  face: 90,
  toner: 45,
  consult: 20,
  'alert-test': 10,
  redo: 90,
};

/**
 * What comes before the first foil and after the last step: greeting, looking, consulting; paying, booking.
 * Working assumption.
 */
const AROUND = 20;
/** Appointments begin and end on this raster, minutes. */
export const RASTER = 5;

/**
 * Minutes to book: from the clock of the pattern where there is one (first foil to dry), with what comes
 * around it, to the next five;
 * the usual length of the kind where there is none.
 */
export function minutesToBook(kind: AppointmentKind, clockMinutes: number | null): number {
  if (clockMinutes === null || kind === 'toner' || kind === 'consult' || kind === 'alert-test')
    return USUAL[kind];
  return Math.ceil((clockMinutes + AROUND) / RASTER) * RASTER;
}
