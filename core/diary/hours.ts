import { dayAfter } from '../units';
import { RASTER } from './length';
import type { Stretch } from './lanes';

/** Hours of a day, minutes since midnight. */
export interface DayHours {
  readonly from: number;
  readonly to: number;
}

/** Hours of the weekdays, Monday first; null where nothing is open. */
export type WeekHours = readonly (DayHours | null)[];

/** Days off, the first and the last included, YYYY-MM-DD. */
export interface DaysOff {
  readonly from: string;
  readonly to: string;
  readonly words: string;
}

/** When a salon is open. */
export interface Opening {
  readonly week: WeekHours;
  readonly closed: readonly DaysOff[];
}

/** When somebody works: as the salon is open where they have no week of their own. */
export interface WorkingHours {
  readonly week: WeekHours | null;
  readonly off: readonly DaysOff[];
}

export const WEEKDAYS = [
  'monday',
  'tuesday',
  'wednesday',
  'thursday',
  'friday',
  'saturday',
  'sunday',
] as const;
/** The days that a week may begin with. */
export const WEEK_BEGINNINGS = ['monday', 'saturday', 'sunday'] as const;
export type WeekBeginning = (typeof WEEK_BEGINNINGS)[number];

/** Nine to seven, closed on Sundays. Working assumption of a house. */
export const USUAL_OPENING: Opening = {
  week: WEEKDAYS.map((day) => (day === 'sunday' ? null : { from: 9 * 60, to: 19 * 60 })),
  closed: [],
};
export const USUAL_WORKING_HOURS: WorkingHours = { week: null, off: [] };

/** Further ahead no open day is looked for, days. */
const FARTHEST = 120;

/** Which weekday a day is; 0 for Monday. */
export const weekdayOf = (on: string): number => (new Date(on).getUTCDay() + 6) % 7;

/** The first day of the week that a day lies in. */
export function weekFrom(on: string, begins: WeekBeginning): string {
  return dayAfter(on, -((weekdayOf(on) - WEEKDAYS.indexOf(begins) + 7) % 7));
}

const offOn = (on: string, off: readonly DaysOff[]) => off.find(({ from, to }) => from <= on && on <= to);

/** Hours of the salon on a day; null when it is closed. */
export function openOn(on: string, { week, closed }: Opening): DayHours | null {
  return offOn(on, closed) ? null : week[weekdayOf(on)];
}

/**
 * Hours that somebody works on a day, within those of the salon; null when they do not work or it is closed.
 */
export function workedOn(on: string, opening: Opening, { week, off }: WorkingHours): DayHours | null {
  const open = openOn(on, opening);
  const dayHours = week ? week[weekdayOf(on)] : open;
  if (!open || !dayHours || offOn(on, off)) return null;
  const from = Math.max(open.from, dayHours.from);
  const to = Math.min(open.to, dayHours.to);
  return from < to ? { from, to } : null;
}

/** Why a day is not worked: days off by name, the weekday, or nothing where it is. */
export type WhyNot =
  { readonly kind: 'days-off'; readonly words: string } | { readonly kind: 'weekday' } | null;

export function whyClosed(on: string, opening: Opening): WhyNot {
  const off = offOn(on, opening.closed);
  if (off) return { kind: 'days-off', words: off.words };
  return opening.week[weekdayOf(on)] ? null : { kind: 'weekday' };
}

/**
 * The open day nearest to another, not before a third; of two equally near the later.
 * @returns the day itself where none is open within four months
 */
export function nearestOpenDay(on: string, opening: Opening, notBefore: string): string {
  for (let away = 0; away <= FARTHEST; away += 1) {
    for (const day of [dayAfter(on, away), dayAfter(on, -away)]) {
      if (day >= notBefore && openOn(day, opening)) return day;
    }
  }
  return on;
}

/**
 * What is free of a day's hours beside what is booked, in order; what is shorter than the raster is nothing.
 */
export function freeStretches(hours: DayHours | null, booked: readonly Stretch[]): Stretch[] {
  if (!hours) return [];
  const free: Stretch[] = [];
  let at = hours.from;
  for (const { from, minutes } of [...booked].sort((a, b) => a.from - b.from)) {
    const until = Math.min(from, hours.to);
    if (until - at >= RASTER) free.push({ from: at, minutes: until - at });
    at = Math.max(at, from + minutes);
  }
  if (hours.to - at >= RASTER) free.push({ from: at, minutes: hours.to - at });
  return free;
}

/** Whether a stretch begins before the hours of a day or ends after them. */
export const isOutside = ({ from, minutes }: Stretch, hours: DayHours | null): boolean =>
  hours === null || from < hours.from || from + minutes > hours.to;
