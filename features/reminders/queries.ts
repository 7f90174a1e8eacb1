import 'server-only';
import { clockWords, fillReminder, KIND_WORDS, reminderStanding, textsNeeded, type ReminderKind, type ReminderStanding } from '@/core/diary';
import { dayAfter } from '@/core/units';
import { dueClients, listAppointments } from '@/data/appointments';
import { readHouse } from '@/data/house';
import { serverNow } from '@/data/now';
import { recentReminders, reminderFacts, type Reminder } from '@/data/reminders';
import type { SignedIn } from '@/data/sessions';
import { requirePerson } from '../session/current';
import { minuteOf, sayDay, sayWeekday, today } from '../shared';
import { outboxPlace } from './outbox';

export type { Reminder };

/** A reminder that could be sent, or why it cannot. */
export interface Remindable {
  readonly kind: ReminderKind;
  readonly clientId: string;
  readonly clientName: string;
  readonly phone: string;
  readonly appointmentId: string | null;
  /** The day and time that it speaks of. */
  readonly about: string;
  /** The same, and what for, as the salon says it. */
  readonly what: string;
  readonly words: string;
  readonly texts: number;
  readonly standing: ReminderStanding;
  /** Why it did not go through. */
  readonly problem: string;
  /** She was reminded of another time of this appointment: it was moved since. */
  readonly movedSince: boolean;
}

export interface Reminding {
  readonly timeZone: string;
  /** Appointments until this day are reminded of. */
  readonly until: string;
  readonly remindable: readonly Remindable[];
  /** Sent in the last two weeks, newest first. */
  readonly sent: readonly Reminder[];
  readonly connected: boolean;
}

/** Visits that are due within so many days can be reminded of. */
const DUE_AHEAD_DAYS = 14;

/** Every reminder of now: appointments to come that are not begun, and visits that are due and not booked. */
export async function remindableNow(person: SignedIn): Promise<Omit<Reminding, 'sent' | 'connected'>> {
  const { timeZone, reminders: house } = (await readHouse(person)).document;
  const now = new Date(serverNow());
  const day = today(timeZone, now);
  const until = dayAfter(day, house.daysBefore);
  const [booked, due] = await Promise.all([listAppointments(person, day, until, timeZone), dueClients(person, day, dayAfter(day, DUE_AHEAD_DAYS), timeZone)]);
  const coming = booked.filter(({ state, begun, on, from }) => state === 'booked' && !begun && (on > day || from > minuteOf(now, timeZone)));
  const { consented, kept } = await reminderFacts(person, [...new Set([...coming, ...due].map(({ clientId }) => clientId))]);
  const one = (own: Pick<Remindable, 'clientId' | 'clientName' | 'phone' | 'appointmentId' | 'about' | 'what'>, template: string, said: Record<string, string>): Remindable => {
    const hers = kept.filter(({ clientId, appointmentId }) => clientId === own.clientId && appointmentId === own.appointmentId);
    const same = hers.find(({ about }) => about === own.about);
    const words = fillReminder(template, { ...said, name: own.clientName, salon: person.salonName });
    return {
      ...own, kind: own.appointmentId === null ? 'due' : 'appointment', words, texts: textsNeeded(words), standing: reminderStanding({ phone: own.phone, consent: consented.has(own.clientId), kept: same?.state ?? null }),
      problem: same?.problem ?? '', movedSince: own.appointmentId !== null && !same && hers.some(({ state }) => state === 'sent'),
    };
  };
  return {
    timeZone, until,
    remindable: [
      ...coming.map((own) => one(
        { clientId: own.clientId, clientName: own.clientName, phone: own.phone, appointmentId: own.id, about: `${own.on} ${clockWords(own.from)}`, what: `${sayWeekday(own.on)}, ${clockWords(own.from)}, ${KIND_WORDS[own.kind].toLowerCase()}` },
        house.appointment, { day: sayWeekday(own.on), time: clockWords(own.from), colourist: own.personName },
      )),
      ...due.map((own) => one(
        { clientId: own.clientId, clientName: own.clientName, phone: own.phone, appointmentId: null, about: own.nextOn, what: `${KIND_WORDS[own.nextWhat].toLowerCase()}, due ${sayDay(own.nextOn)}` },
        house.due, { day: sayWeekday(own.nextOn) },
      )),
    ],
  };
}

/** The page of reminders. */
export async function loadReminding(): Promise<Reminding> {
  const person = await requirePerson();
  const [now, sent] = await Promise.all([remindableNow(person), recentReminders(person, new Date(serverNow() - 14 * 86_400_000))]);
  return { ...now, sent: sent.filter(({ state }) => state === 'sent'), connected: outboxPlace() !== undefined };
}
