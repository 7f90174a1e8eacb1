import 'server-only';
import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator';
import { KIND_WORDS } from '@/core/diary';
import type { Appointment } from './queries';

/** The moment of a day's minute in a time zone. */
function momentIn(on: string, minute: number, timeZone: string): Date {
  const wanted = Date.parse(`${on}T00:00:00Z`) + minute * 60_000;
  // What the wall clock shows is the moment plus an offset that itself depends on the moment: twice is
  // enough.
  const offset = (at: number) => {
    const parts = Object.fromEntries(
      new Intl.DateTimeFormat('en-GB', {
        year: 'numeric',
        month: '2-digit',
        day: '2-digit',
        hour: '2-digit',
        minute: '2-digit',
        second: '2-digit',
        hourCycle: 'h23',
        timeZone,
      })
        .formatToParts(new Date(at))
        .map(({ type, value }) => [type, value]),
    );
    return (
      Date.parse(`${parts.year}-${parts.month}-${parts.day}T${parts.hour}:${parts.minute}:${parts.second}Z`) -
      at
    );
  };
  return new Date(wanted - offset(wanted - offset(wanted)));
}

/**
 * Appointments as a calendar (RFC 5545), in UTC. To a colourist’s own calendar go the client’s name and what
 * for; to a client’s,
 * what for alone.
 */
export function calendarFile(
  appointments: readonly Appointment[],
  { timeZone, name, to }: { timeZone: string; name: string; to: 'colourist' | 'client' },
): string {
  const calendar = ical({
    name,
    prodId: { company: 'Dappled Lattice', product: 'Diary', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const { id, revision, on, from, minutes, kind, state, clientName } of appointments) {
    calendar.createEvent({
      id: `${id}@dappled-lattice`,
      sequence: revision - 1,
      start: momentIn(on, from, timeZone),
      end: momentIn(on, from + minutes, timeZone),
      stamp: momentIn(on, from, timeZone),
      summary:
        to === 'colourist'
          ? `${clientName}: ${KIND_WORDS[kind].toLowerCase()}`
          : `${name}: ${KIND_WORDS[kind].toLowerCase()}`,
      status: state === 'booked' ? ICalEventStatus.CONFIRMED : ICalEventStatus.CANCELLED,
    });
  }
  return calendar.toString();
}
