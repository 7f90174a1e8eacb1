import { daysBetween, minuteOf, today } from '@/core/units';

export { daysBetween, minuteOf, today };

/** Whether a text from a URL has the form of a row's id. */
export const isId = (text: string): boolean => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(text);

/** Whether a number from outside can be a revision: what the database counts in, and no more. */
export const isRevision = (value: number): boolean =>
  Number.isInteger(value) && value >= 0 && value < 2 ** 31;

/** Whether a text from outside is a day of the calendar, YYYY-MM-DD, of our times. */
export const isDay = (text: string): boolean =>
  /^20\d{2}-\d{2}-\d{2}$/.test(text) && new Date(`${text}T00:00:00Z`).toJSON()?.startsWith(text) === true;

/** How long ago or ahead a day is, in the unit one would use: `today`, `3 days ago`, `in 9 weeks`. */
export function sayDistance(day: string, from: string): string {
  const days = daysBetween(from, day);
  if (days === 0) return 'today';
  const size = Math.abs(days);
  const weeks = Math.round(size / 7);
  const words = size < 14 ? `${size} day${size === 1 ? '' : 's'}` : `${weeks} weeks`;
  return days < 0 ? `${words} ago` : `in ${words}`;
}

/** A duration as it is said: `1 h 05`, `45 min`. */
export function hoursAndMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  const hours = Math.floor(whole / 60);
  return hours > 0 ? `${hours} h ${String(whole % 60).padStart(2, '0')}` : `${whole} min`;
}
