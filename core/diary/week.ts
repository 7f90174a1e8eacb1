import { dayAfter, daysBetween } from '../units';
import {
  freeStretches,
  openOn,
  whyClosed,
  workedOn,
  type DayHours,
  type Opening,
  type WhyNot,
  type WorkingHours,
} from './hours';
import type { Stretch } from './lanes';
import type { Slot } from './types';

interface Worker {
  readonly personId: string;
  readonly hours: WorkingHours;
}

interface Booked extends Slot {
  readonly personId: string;
}

/** A day of one colourist. */
export interface PersonDay {
  readonly personId: string;
  /** Null: not at work. */
  readonly hours: DayHours | null;
  readonly booked: readonly Stretch[];
  readonly free: readonly Stretch[];
}

/** A day of the salon with each colourist's. */
export interface WeekDay {
  readonly on: string;
  readonly open: DayHours | null;
  readonly whyClosed: WhyNot;
  readonly people: readonly PersonDay[];
}

const DAYS = 7;

/**
 * Seven days from a day on: who works when, what is booked and what is free.
 * @param notBefore what lies before this moment is not free: day and minute
 */
export function weekAt({
  from,
  opening,
  workers,
  booked,
  notBefore,
}: {
  readonly from: string;
  readonly opening: Opening;
  readonly workers: readonly Worker[];
  readonly booked: readonly Booked[];
  readonly notBefore: { readonly on: string; readonly minute: number };
}): WeekDay[] {
  return Array.from({ length: DAYS }, (_, i) => {
    const on = dayAfter(from, i);
    return {
      on,
      open: openOn(on, opening),
      whyClosed: whyClosed(on, opening),
      people: workers.map(({ personId, hours: workingHours }) => {
        const hours = workedOn(on, opening, workingHours);
        const stretches = booked.filter((one) => one.personId === personId && one.on === on);
        const left =
          on < notBefore.on
            ? null
            : on > notBefore.on || !hours
              ? hours
              : { ...hours, from: Math.max(hours.from, notBefore.minute) };
        return {
          personId,
          hours,
          booked: stretches.map(({ from: at, minutes }) => ({ from: at, minutes })),
          free: freeStretches(left, stretches),
        };
      }),
    };
  });
}

/** A time that is free for somebody. */
export interface FreePlace extends Slot {
  readonly personId: string;
}

/** Places offered at most. */
const OFFERED = 3;

/**
 * Where an appointment of a length fits: one place a day, the days nearest to the wished one first; of a day
 * the shortest
 * stretch that holds it, so that the long ones stay whole.
 */
export function placesFor(
  minutes: number,
  near: string,
  week: readonly WeekDay[],
  most = OFFERED,
): FreePlace[] {
  const places = week.flatMap(({ on, people }) => {
    const fitting = people.flatMap(({ personId, free }) =>
      free
        .filter((stretch) => stretch.minutes >= minutes)
        .map((stretch) => ({ personId, on, from: stretch.from, minutes, left: stretch.minutes - minutes })),
    );
    const [best] = fitting.sort((a, b) => a.left - b.left || a.from - b.from);
    return best ? [best] : [];
  });
  return places
    .sort(
      (a, b) =>
        Math.abs(daysBetween(near, a.on)) - Math.abs(daysBetween(near, b.on)) || a.on.localeCompare(b.on),
    )
    .slice(0, most)
    .map(({ personId, on, from }) => ({ personId, on, from, minutes }));
}
