'use server';

import type { Result } from '@/core/units';
import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { APPOINTMENT_KINDS, APPOINTMENT_STATES, type AppointmentState } from '@/core/diary';
import { parseWith } from '@/core/formats';
import {
  book,
  changeAppointment,
  makeFeed,
  revokeFeed,
  setAppointmentState,
  visitOfAppointment,
  type Booked,
} from '@/data/appointments';
import { readHouse } from '@/data/house';
import { signedIn, signedInOrElsewhere } from '../session/signed-in';
import { isId, isRevision } from '../shared';
import { clientsNamed } from './queries';

const MISSING = { ok: false, problem: 'There is no such appointment in this salon.' } as const;

const id = (what: string) => z.string({ error: `${what}: choose one` }).refine(isId, `${what}: choose one`);
const slot = {
  personId: id('Colourist'),
  on: z.iso
    .date('Day: write a day such as 2027-01-31')
    .refine((day) => day >= '2000-01-01' && day < '2200-01-01', 'Day: it is too far away'),
  from: z
    .int('Time: write a time such as 9:30')
    .min(0, 'Time: write a time such as 9:30')
    .max(1439, 'Time: write a time such as 9:30'),
  minutes: z
    .int('Minutes: must be a whole number from 5 to 900')
    .min(5, 'Minutes: must be a whole number from 5 to 900')
    .max(900, 'Minutes: must be a whole number from 5 to 900'),
  kind: z.enum(APPOINTMENT_KINDS, { error: 'What for: choose one' }),
  note: z.string().trim().max(500, 'Note: it is longer than 500 characters'),
};
const changeSchema = z.strictObject(slot);
const bookingSchema = z.strictObject({
  ...slot,
  clientId: id('Client'),
  redoOf: z.string().refine(isId, 'Redo: choose the visit that is put right').nullable(),
  alertTest: z.strictObject({ id: z.uuid(), on: slot.on, from: slot.from }).nullable(),
  id: z.uuid(),
});

const sentence = (problem: string) =>
  ({ ok: false, problem: problem.replace(/^[\w.]+: (?=[A-Z])/, '') }) as const;
const said = (booked: Booked): Result => {
  if (booked.ok) revalidatePath('/day');
  return booked.ok ? { ok: true } : booked;
};

/** Books an appointment, with an alert test before it where one is wanted. */
export const bookAppointment = signedIn(
  'bookAppointment',
  async (person, input: unknown): Promise<Result> => {
    const read = parseWith(bookingSchema, input);
    if (!read.ok) return sentence(read.problem);
    const { alertTest, ...booking } = read.value;
    if (booking.kind === 'redo' && !booking.redoOf)
      return { ok: false, problem: 'Redo: choose the visit that is put right.' };
    if (
      alertTest &&
      (alertTest.on > booking.on || (alertTest.on === booking.on && alertTest.from >= booking.from))
    )
      return {
        ok: false,
        problem: 'Alert test: it must lie before the visit, by the hours that the maker asks.',
      };
    const { timeZone } = (await readHouse(person)).document;
    return said(
      await book(
        person,
        [
          { ...booking, redoOf: booking.kind === 'redo' ? booking.redoOf : null },
          ...(alertTest
            ? [{ ...booking, ...alertTest, minutes: 10, kind: 'alert-test' as const, note: '', redoOf: null }]
            : []),
        ],
        timeZone,
      ),
    );
  },
);

/** Moves an appointment or changes what it is for. */
export const moveAppointment = signedIn(
  'moveAppointment',
  async (person, appointmentId: string, revision: number, input: unknown): Promise<Result> => {
    const read = parseWith(changeSchema, input);
    if (!read.ok) return sentence(read.problem);
    if (!isId(appointmentId) || !isRevision(revision)) return MISSING;
    return said(
      await changeAppointment({
        actor: person,
        id: appointmentId,
        revision,
        change: read.value,
        timeZone: (await readHouse(person)).document.timeZone,
      }),
    );
  },
);

/** Cancels, marks as not come, or takes either back. */
export const markAppointment = signedIn(
  'markAppointment',
  async (person, appointmentId: string, revision: number, state: AppointmentState): Promise<Result> => {
    if (!isId(appointmentId) || !isRevision(revision) || !APPOINTMENT_STATES.includes(state)) return MISSING;
    return said(await setAppointmentState(person, appointmentId, revision, state));
  },
);

/** Opens the visit of an appointment. */
export const openAppointment = signedInOrElsewhere(
  'openAppointment',
  async (person, appointmentId: string): Promise<void> => {
    const visitId = isId(appointmentId)
      ? await visitOfAppointment(person, appointmentId, (await readHouse(person)).document.timeZone)
      : undefined;
    redirect(visitId ? `/visits/${visitId}/consult` : '/day');
  },
);

/** Makes a private calendar address for whoever is signed in. @returns its secret, shown once */
export const makeCalendar = signedIn(
  'makeCalendar',
  async (
    person,
  ): Promise<{ readonly ok: true; readonly secret: string } | Extract<Result, { ok: false }>> => {
    const secret = await makeFeed(person);
    revalidatePath('/day');
    return { ok: true, secret };
  },
);

export const withdrawCalendar = signedIn('withdrawCalendar', async (person): Promise<Result> => {
  await revokeFeed(person);
  revalidatePath('/day');
  return { ok: true };
});

export const searchClients = signedIn(
  'searchClients',
  async (person, words: string) => clientsNamed(person, String(words)),
  () => [],
);
