/** In which order a date is written, and whether hours count to 24 or twice to 12. */
export const DATE_ORDERS = ['day-month', 'month-day'] as const;
export const HOUR_COUNTS = ['24', '12'] as const;

export interface CalendarWriting {
  readonly dates: (typeof DATE_ORDERS)[number];
  readonly hours: (typeof HOUR_COUNTS)[number];
}

export const DAY_FIRST: CalendarWriting = { dates: 'day-month', hours: '24' };

/**
 * Days and times as a house writes them. Days are YYYY-MM-DD and know no hours; moments are ISO texts or ms
 * since 1970.
 */
export interface Calendar {
  /** `24 Nov 2026`, `Nov 24, 2026` */
  day(on: string): string;
  /** `Friday 27 Nov`, `Friday, Nov 27` */
  weekday(on: string): string;
  /** `Friday` */
  nameOfDay(on: string): string;
  /** The day of a moment where the salon is. */
  dayOf(moment: string | number): string;
  /** A moment where the salon is: `25 Nov 2026, 09:14`. */
  moment(moment: string | number): string;
  /** The time of a moment where the salon is: `09:14`, `9:14 am`. */
  timeOf(moment: string | number): string;
  /** Minutes since midnight: `09:05`, `9:05 am`. */
  readonly time: (minute: number) => string;
}

const MINUTE_MS = 60_000;
const DAY_FORM = { day: 'numeric', month: 'short', year: 'numeric' } as const;
const kept = new Map<string, Calendar>();

/** How a house writes days and times. @param timeZone as the time zone database names it */
export function calendarOf({
  calendar: { dates, hours },
  timeZone,
}: {
  calendar: CalendarWriting;
  timeZone: string;
}): Calendar {
  const key = `${dates} ${hours} ${timeZone}`;
  const known = kept.get(key);
  if (known) return known;
  const locale = dates === 'month-day' ? 'en-US' : 'en-GB';
  const clock = {
    hour: hours === '12' ? 'numeric' : '2-digit',
    minute: '2-digit',
    hourCycle: hours === '12' ? 'h12' : 'h23',
  } as const;
  const writer = (form: Intl.DateTimeFormatOptions, zone: string) => {
    const format = new Intl.DateTimeFormat(locale, { ...form, timeZone: zone });
    // A narrow space before am and pm is a letter that a text message has no room for.
    return (moment: string | number) => format.format(new Date(moment)).replace(/\u202f/g, ' ');
  };
  const day = writer(DAY_FORM, 'UTC');
  const weekday = writer({ weekday: 'long', day: 'numeric', month: 'short' }, 'UTC');
  const time = writer(clock, 'UTC');
  const calendar: Calendar = {
    day,
    weekday: dates === 'day-month' ? (on) => weekday(on).replace(',', '') : weekday,
    nameOfDay: writer({ weekday: 'long' }, 'UTC'),
    dayOf: writer(DAY_FORM, timeZone),
    moment: writer({ ...DAY_FORM, ...clock }, timeZone),
    timeOf: writer(clock, timeZone),
    time: (minute) => time(Math.round(minute) * MINUTE_MS),
  };
  kept.set(key, calendar);
  return calendar;
}
