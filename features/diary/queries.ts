import 'server-only';
import { isColour, recipeWords, wholeMinutes } from '@/core/steps';
import { sheetsToCut, together, type Sheets } from '@/core/work';
import { cautionsFor } from '@/core/caution';
import {
  APPOINTMENT_KINDS,
  minutesToBook,
  placesFor,
  standingOf,
  weekAt,
  weekFrom,
  type AppointmentKind,
  type FreePlace,
  type Opening,
  type Standing,
  type WeekDay,
  type WorkingHours,
} from '@/core/diary';
import { dayAfter, byKey } from '@/core/units';
import {
  comingAppointments,
  dueClients,
  feedOwner,
  feedSince,
  listAppointments,
  unfinishedVisits,
  type Appointment,
  type DueClient,
} from '@/data/appointments';
import { listClients, readClient } from '@/data/clients';
import { computedOf } from '@/data/compute';
import { readHouse } from '@/data/house';
import { serverNow } from '@/data/now';
import { listPeople, type Person } from '@/data/people';
import type { SignedIn } from '@/data/sessions';
import { remindableNow } from '../reminders/queries';
import { requirePerson } from '../session/current';
import { isDay, isId, minuteOf, today } from '../shared';
import { wholeVisit } from '../visit/queries';

export type { Appointment };

export interface ShownAppointment extends Appointment {
  readonly standing: Standing;
  /** Minutes that a client is late. */
  readonly lateMinutes: number;
}

/** Somebody who can be booked. */
interface Column {
  readonly personId: string;
  readonly name: string;
  readonly working: WorkingHours;
}

export interface DayFacts {
  readonly on: string;
  readonly today: string;
  /** Minute of the day now where the salon is; null on another day. */
  readonly nowMinute: number | null;
  readonly timeZone: string;
  readonly opening: Opening;
  readonly columns: readonly Column[];
  readonly appointments: readonly ShownAppointment[];
  readonly due: readonly DueClient[];
  readonly unfinished: readonly {
    readonly visitId: string;
    readonly clientName: string;
    readonly heldOn: string;
    readonly recorded: boolean;
  }[];
  readonly feedSince: string | null;
  /** Reminders that are to be sent now, whatever day is looked at. */
  readonly toRemind: number;
  /** Clients of the due list who were reminded. */
  readonly reminded: readonly string[];
  /** A client who is to be booked, as the address says; null where it names none. */
  readonly toBook: {
    readonly id: string;
    readonly name: string;
    readonly phone: string;
    readonly kind: AppointmentKind;
    readonly from?: number;
    readonly personId?: string;
  } | null;
}

/** Clients whose visit is due within so many days are listed. */
const DUE_AHEAD_DAYS = 14;

/** A day of the diary with what is due and what is unfinished. */
export async function loadDay(
  wanted: string | undefined,
  booking: { client?: string; kind?: string; from?: string; person?: string } = {},
): Promise<DayFacts> {
  const person = await requirePerson();
  const { timeZone, opening } = (await readHouse(person)).document;
  const now = new Date(serverNow());
  const day = today(timeZone, now);
  const on = dayWanted(wanted, day);
  const nowMinute = on === day ? minuteOf(now, timeZone) : null;
  const [all, people, due, unfinished, since, { remindable }] = await Promise.all([
    listAppointments({ actor: person, from: on, to: on, timeZone }),
    listPeople(person),
    dueClients(person, day, dayAfter(day, DUE_AHEAD_DAYS), timeZone),
    unfinishedVisits(person, day),
    feedSince(person),
    remindableNow(person),
  ]);
  const shown = all.map((appointment): ShownAppointment => {
    const sinceStart = on < day ? 10_000 : on > day ? -10_000 : nowMinute! - appointment.from;
    const standing = standingOf({
      ...appointment,
      sinceStart,
      short: appointment.kind === 'alert-test' || appointment.kind === 'consult',
    });
    return { ...appointment, standing, lateMinutes: standing === 'late' ? Math.round(sinceStart) : 0 };
  });
  const named =
    booking.client && isId(booking.client)
      ? (await readClient(person, booking.client, day))?.client
      : undefined;
  const kind = APPOINTMENT_KINDS.find((appointmentKind) => appointmentKind === booking.kind) ?? 'full';
  const columns = columnsOf(people.people, all);
  const from = /^\d{1,4}$/.test(booking.from ?? '') ? { from: Number(booking.from) } : {};
  const withPerson = columns.some(({ personId }) => personId === booking.person)
    ? { personId: booking.person }
    : {};
  return {
    on,
    today: day,
    nowMinute,
    timeZone,
    opening,
    columns,
    appointments: shown,
    due,
    unfinished,
    feedSince: since,
    toRemind: remindable.filter(
      ({ kind, standing }) => kind === 'appointment' && (standing === 'to-send' || standing === 'failed'),
    ).length,
    reminded: remindable
      .filter(({ kind, standing }) => kind === 'due' && standing === 'sent')
      .map(({ clientId }) => clientId),
    toBook:
      named && !named.archived
        ? { id: named.id, name: named.name, phone: named.phone ?? '', kind, ...from, ...withPerson }
        : null,
  };
}

/** Who works at a chair, and whoever has something booked. */
function columnsOf(people: readonly Person[], booked: readonly Appointment[]): Column[] {
  const has = new Set(booked.map(({ personId }) => personId));
  return people
    .filter(({ id, active, role }) => (active && role !== 'assistant') || has.has(id))
    .map(({ id, name, hours }) => ({ personId: id, name, working: hours }));
}

/** Somebody who is due, and where their visit would fit. */
export interface DueInWeek extends DueClient {
  readonly minutes: number;
  readonly places: readonly FreePlace[];
}

/** A week of the salon. */
export interface WeekFacts {
  readonly from: string;
  readonly today: string;
  readonly columns: readonly Column[];
  readonly days: readonly WeekDay[];
  readonly due: readonly DueInWeek[];
}

/** Seven days from the first of the week that a day lies in: who works when, what is free, and who is due. */
export async function loadWeek(wanted: string | undefined): Promise<WeekFacts> {
  const person = await requirePerson();
  const { timeZone, opening, calendar } = (await readHouse(person)).document;
  const now = new Date(serverNow());
  const day = today(timeZone, now);
  const from = weekFrom(dayWanted(wanted, day), calendar.weekBegins);
  const last = dayAfter(from, 6);
  const [all, people, due] = await Promise.all([
    listAppointments({ actor: person, from, to: last, timeZone }),
    listPeople(person),
    dueClients(person, day, last > day ? last : day, timeZone),
  ]);
  const booked = all.filter(({ state }) => state === 'booked');
  const columns = columnsOf(people.people, booked);
  const days = weekAt({
    from,
    opening,
    workers: columns.map(({ personId, working }) => ({ personId, hours: working })),
    booked,
    notBefore: { on: day, minute: minuteOf(now, timeZone) },
  });
  return {
    from,
    today: day,
    columns,
    days,
    due: due.map((dueClient) => {
      const minutes = minutesToBook(dueClient.nextWhat, null);
      return {
        ...dueClient,
        minutes,
        places: placesFor(minutes, dueClient.nextOn < day ? day : dueClient.nextOn, days),
      };
    }),
  };
}

/** The day that an address asks for, or another where it asks for none. */
const dayWanted = (wanted: string | undefined, otherwise: string) =>
  wanted !== undefined && isDay(wanted) ? wanted : otherwise;

/** Today in a time zone, by the server’s clock. */
const todayIn = (timeZone: string) => today(timeZone, new Date(serverNow()));

/** What is laid out before a client comes. */
export interface Preparation {
  readonly pattern: string | null;
  readonly foils: number;
  /** Sheets to cut, by size. */
  readonly toCut: readonly Sheets[];
  readonly bowls: string | null;
  /** Toners and root colour as they were mixed last. */
  readonly toner: string | null;
  readonly cautions: readonly string[];
  readonly alertTestMissing: boolean;
  readonly minutes: Readonly<Record<AppointmentKind, number>>;
  /** Recorded visits, newest first: one of them is put right by a redo. */
  readonly visits: readonly { readonly id: string; readonly on: string; readonly pattern: string }[];
}

/** A day's visits with what is laid out for each. */
export interface DayPreparation {
  readonly on: string;
  readonly today: string;
  readonly visits: readonly { readonly appointment: Appointment; readonly prepared: Preparation }[];
  /** Foils to cut for all of them together. */
  readonly toCut: Preparation['toCut'];
}

/** What is laid out for a day: everything that is booked and not cancelled, in the order of the day. */
export async function loadPreparation(wanted: string | undefined): Promise<DayPreparation> {
  const person = await requirePerson();
  const { timeZone } = (await readHouse(person)).document;
  const day = todayIn(timeZone);
  const on = dayWanted(wanted, day);
  const booked = (await listAppointments({ actor: person, from: on, to: on, timeZone })).filter(
    ({ state }) => state === 'booked',
  );
  const visits: { appointment: Appointment; prepared: Preparation }[] = [];
  for (const appointment of booked) {
    const prepared = await prepare(person, appointment.clientId, false);
    if (prepared)
      visits.push({
        appointment,
        prepared: FOILED.has(appointment.kind) ? prepared : { ...prepared, foils: 0, toCut: [], bowls: null },
      });
  }
  return { on, today: day, visits, toCut: together(visits.flatMap(({ prepared }) => prepared.toCut)) };
}

/** Kinds of appointments that foils are cut and bowls laid out for. */
const FOILED: ReadonlySet<AppointmentKind> = new Set(['full', 'face', 'redo']);

/**
 * What a client's next visit needs, by the open visit or the last one; undefined when this salon has no such
 * client.
 * @param timed how long it takes is asked too, which takes a moment
 */
async function prepare(person: SignedIn, clientId: string, timed = true): Promise<Preparation | undefined> {
  const { document: house } = await readHouse(person);
  const day = todayIn(house.timeZone);
  const story = await readClient(person, clientId, day);
  if (!story) return undefined;
  const [newest] = story.visits;
  const usual = minutesFor(null);
  if (!newest)
    return {
      pattern: null,
      foils: 0,
      toCut: [],
      bowls: null,
      toner: null,
      cautions: [],
      alertTestMissing: true,
      minutes: usual,
      visits: [],
    };
  const cautions = cautionsFor({
    consult: newest.consult,
    onRecord: story.safety,
    about: { onDay: day, bornOn: story.client.bornOn },
    limits: house.cautions,
  });
  const {
    computed: { plan, sheet, work, after: steps, clock: clockPlan },
    asked,
  } = (await wholeVisit(person, newest.id, ['plan', 'sheet', 'work', 'after', 'clock']))!;
  const after = wholeMinutes(steps);
  const clock =
    timed && clockPlan.blocks.length > 0
      ? (await computedOf(person.salonId, asked, ['timed'])).timed.timeline.end + after
      : null;
  return {
    pattern: plan.name,
    foils: sheet.totals.foils,
    toCut: sheetsToCut(work.units, plan),
    bowls: work.bowls.ok
      ? work.bowls.bowls.map(({ label, mixed: needed }) => `${label}: ${Math.round(needed)} g`).join(', ') ||
        null
      : null,
    toner: steps.flatMap(({ step }) => (isColour(step) ? (recipeWords(step) ?? []) : [])).join('; ') || null,
    cautions: cautions
      .filter(({ key }) => !['allergy-unasked', 'scalp-unseen', 'dye-unasked', 'alert-test'].includes(key))
      .map(({ weight, seen }) => (weight === 'stop' ? `Stop: ${seen}` : seen)),
    alertTestMissing: cautions.some(({ key }) => key === 'alert-test'),
    minutes: minutesFor(clock),
    visits: story.visits
      .filter(({ outcome }) => outcome !== null)
      .slice(0, 12)
      .map(({ id, heldOn, planName }) => ({ id, on: heldOn, pattern: planName })),
  };
}

const minutesFor = (clock: number | null) =>
  byKey(APPOINTMENT_KINDS, (kind) =>
    minutesToBook(kind, kind === 'face' && clock !== null ? clock / 2 : clock),
  );

/** The same for whoever is signed in. */
export async function preparationOf(
  person: SignedIn,
  clientId: string,
  timed: boolean,
): Promise<Preparation | undefined> {
  return isId(clientId) ? prepare(person, clientId, timed) : undefined;
}

/** Clients to choose from, by words. */
export async function clientsNamed(
  person: SignedIn,
  words: string,
): Promise<readonly { readonly id: string; readonly name: string; readonly phone: string }[]> {
  const { timeZone } = (await readHouse(person)).document;
  return (await listClients(person, words.slice(0, 200), todayIn(timeZone)))
    .slice(0, 12)
    .map(({ id, name, phone }) => ({ id, name, phone: phone ?? '' }));
}

/** What a calendar is given: one person's appointments from two months back to a year ahead. */
export async function feedAppointments(
  secret: string,
): Promise<{ timeZone: string; salonName: string; appointments: readonly Appointment[] } | undefined> {
  const owner = /^[\w-]{32}$/.test(secret) ? await feedOwner(secret) : undefined;
  if (!owner) return undefined;
  const { timeZone } = (await readHouse(owner)).document;
  const day = todayIn(timeZone);
  return {
    timeZone,
    salonName: 'Dappled Lattice',
    appointments: await listAppointments({
      actor: owner,
      from: dayAfter(day, -60),
      to: dayAfter(day, 366),
      timeZone,
      personId: owner.personId,
    }),
  };
}

/** A client's own appointments to come, for their calendar. */
export async function comingOf(
  person: SignedIn,
  clientId: string,
): Promise<{ timeZone: string; appointments: readonly Appointment[] } | undefined> {
  if (!isId(clientId)) return undefined;
  const { timeZone } = (await readHouse(person)).document;
  return { timeZone, appointments: await comingAppointments(person, clientId, todayIn(timeZone), timeZone) };
}
