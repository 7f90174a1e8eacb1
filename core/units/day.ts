const DAY_MS = 86_400_000;

/**
 * The day so many days after another, before it where there are fewer than none. Days are YYYY-MM-DD and know
 * no hours.
 */
export const dayAfter = (on: string, days: number): string =>
  new Date(Date.parse(on) + days * DAY_MS).toISOString().slice(0, 10);

/** Days from one day to another; negative when the second is earlier. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);

/** Today as a day, YYYY-MM-DD, in a time zone. */
export function today(timeZone: string, now = new Date()): string {
  const format = new Intl.DateTimeFormat('en-GB', {
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    timeZone,
  });
  const parts = Object.fromEntries(format.formatToParts(now).map(({ type, value }) => [type, value]));
  return `${parts.year}-${parts.month}-${parts.day}`;
}

/** The minute of the day in a time zone. */
export function minuteOf(now: Date, timeZone: string): number {
  const parts = Object.fromEntries(
    new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', hourCycle: 'h23', timeZone })
      .formatToParts(now)
      .map(({ type, value }) => [type, value]),
  );
  return 60 * Number(parts.hour) + Number(parts.minute);
}
