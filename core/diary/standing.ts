import type { AppointmentState } from './types';

/** How an appointment stands at a moment. */
export type Standing =
  'later' | 'late' | 'running' | 'to-record' | 'to-sign' | 'done' | 'cancelled' | 'no-show' | 'missed';

interface Facts {
  readonly state: AppointmentState;
  /** Minutes from the beginning until now; negative before it. */
  readonly sinceStart: number;
  readonly minutes: number;
  readonly begun: boolean;
  readonly recorded: boolean;
  readonly signed: boolean;
  /** A kind that no visit is opened for. */
  readonly short: boolean;
}

/** A client is late so many minutes after the beginning. Working assumption. */
const LATE = 5;

/** How an appointment stands: who is late, what runs, whose record is unfinished. */
export function standingOf({ state, sinceStart, minutes, begun, recorded, signed, short }: Facts): Standing {
  if (state !== 'booked') return state;
  if (signed) return 'done';
  if (recorded) return 'to-sign';
  if (begun) return sinceStart > minutes + 240 ? 'to-record' : 'running';
  if (sinceStart < LATE) return 'later';
  if (sinceStart > minutes) return short ? 'done' : 'missed';
  return 'late';
}

export const STANDING_WORDS: Readonly<Record<Standing, string>> = {
  later: '',
  late: 'late',
  running: 'under way',
  'to-record': 'not recorded yet',
  'to-sign': 'not signed off yet',
  done: 'done',
  cancelled: 'cancelled',
  'no-show': 'did not come',
  missed: 'never begun',
};
