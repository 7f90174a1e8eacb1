import {
  fillReminder,
  hourMinute,
  KIND_WORDS,
  reminderStanding,
  textsNeeded,
  withPage,
  type ReminderKind,
  type ReminderStanding,
  type Slot,
} from '../../core/diary';
import { calendarOf, dayAfter, minuteOf, today } from '../../core/units';
import type { House } from '../../core/visit';
import { dueClients, listAppointments } from '../appointments';
import { readHouse } from '../house';
import { serverNow } from '../now';
import { samplePage } from './address';
import { reminderFacts } from './reminders';

/** A reminder that could be sent, or why it cannot. */
export interface Remindable {
  readonly kind: ReminderKind;
  readonly clientId: string;
  readonly clientName: string;
  readonly phone: string;
  readonly appointmentId: string | null;
  /** When the appointment is; null for a visit that is due. */
  readonly slot: Pick<Slot, 'on' | 'from'> | null;
  /** The day and time that it speaks of. */
  readonly about: string;
  /** The same, and what for, as the salon says it. */
  readonly what: string;
  /** The address of their own page is not in it yet. */
  readonly words: string;
  readonly texts: number;
  readonly standing: ReminderStanding;
  /** Why it did not go through. */
  readonly problem: string;
  /** They were reminded of another time of this appointment: it was moved since. */
  readonly movedSince: boolean;
}

export interface RemindableNow {
  readonly house: House;
  /** Appointments until this day are reminded of. */
  readonly until: string;
  readonly remindable: readonly Remindable[];
}

/** One of them by what it is of; undefined where it is none any more. */
export const sameReminder = (
  all: readonly Remindable[],
  { clientId, appointmentId, about }: Pick<Remindable, 'clientId' | 'appointmentId' | 'about'>,
): Remindable | undefined =>
  all.find((one) => one.clientId === clientId && one.appointmentId === appointmentId && one.about === about);

/** Visits that are due within so many days can be reminded of. */
const DUE_AHEAD_DAYS = 14;

/** Every reminder of now: appointments to come that are not begun, and visits that are due and not booked. */
export async function remindableNow(salon: {
  readonly salonId: string;
  readonly salonName: string;
}): Promise<RemindableNow> {
  const { document: house } = await readHouse(salon);
  const { timeZone, reminders: set } = house;
  const calendar = calendarOf(house);
  const now = new Date(serverNow());
  const day = today(timeZone, now);
  const until = dayAfter(day, set.daysBefore);
  const [booked, due] = await Promise.all([
    listAppointments({ actor: salon, from: day, to: until, timeZone }),
    dueClients(salon, day, dayAfter(day, DUE_AHEAD_DAYS), timeZone),
  ]);
  const coming = booked.filter(
    ({ state, begun, on, from }) =>
      state === 'booked' && !begun && (on > day || from > minuteOf(now, timeZone)),
  );
  const { consented, kept } = await reminderFacts(salon, [
    ...new Set([...coming, ...due].map(({ clientId }) => clientId)),
  ]);
  type Own = Pick<
    Remindable,
    'clientId' | 'clientName' | 'phone' | 'appointmentId' | 'slot' | 'about' | 'what'
  >;
  const one = (own: Own, template: string, said: Record<string, string>): Remindable => {
    const sent = kept.filter(
      ({ clientId, appointmentId }) => clientId === own.clientId && appointmentId === own.appointmentId,
    );
    const same = sent.find(({ about }) => about === own.about);
    const words = fillReminder(template, { ...said, name: own.clientName, salon: salon.salonName });
    return {
      ...own,
      kind: own.appointmentId === null ? 'due' : 'appointment',
      words,
      texts: textsNeeded(withPage(words, samplePage())),
      standing: reminderStanding({
        phone: own.phone,
        consent: consented.has(own.clientId),
        kept: same?.state ?? null,
      }),
      problem: same?.problem ?? '',
      movedSince: own.appointmentId !== null && !same && sent.some(({ state }) => state === 'sent'),
    };
  };
  return {
    house,
    until,
    remindable: [
      ...coming.map((appointment) =>
        one(
          {
            clientId: appointment.clientId,
            clientName: appointment.clientName,
            phone: appointment.phone,
            appointmentId: appointment.id,
            slot: { on: appointment.on, from: appointment.from },
            about: `${appointment.on} ${hourMinute(appointment.from)}`,
            what: `${calendar.weekday(appointment.on)}, ${calendar.time(appointment.from)}, ${KIND_WORDS[appointment.kind].toLowerCase()}`,
          },
          set.appointment,
          {
            day: calendar.weekday(appointment.on),
            time: calendar.time(appointment.from),
            colourist: appointment.personName,
          },
        ),
      ),
      ...due.map((dueClient) =>
        one(
          {
            clientId: dueClient.clientId,
            clientName: dueClient.clientName,
            phone: dueClient.phone,
            appointmentId: null,
            slot: null,
            about: dueClient.nextOn,
            what: `${KIND_WORDS[dueClient.nextWhat].toLowerCase()}, due ${calendar.day(dueClient.nextOn)}`,
          },
          set.due,
          { day: calendar.weekday(dueClient.nextOn) },
        ),
      ),
    ],
  };
}
