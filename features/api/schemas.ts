import { z } from 'zod';
import { APPOINTMENT_KINDS, APPOINTMENT_STATES } from '@/core/diary';
import { consultSchema, mixSchema, outcomeSchema, planSchema } from '@/core/formats';

const id = z.uuid();
const day = z.iso
  .date('must be a day such as 2027-01-31')
  .refine((own) => own >= '2000-01-01' && own < '2200-01-01', 'is too far away');
const revision = z.int().min(1).describe('The same as in the ETag');
const MOST_PAGE = 200;

/** Parts of a page. */
const pageQuery = {
  limit: z.coerce.number().int().min(1).max(MOST_PAGE).default(50).describe('At most this many'),
  after: id.optional().describe('`next` of the page before'),
};
export const pageOf = <T extends z.ZodType>(item: T) =>
  z.object({
    items: z.array(item),
    next: id.nullable().describe('`after` of the next page; null where this is the last'),
  });

export const personSchema = z
  .object({ id, name: z.string(), role: z.enum(['owner', 'colourist', 'assistant']) })
  .meta({ id: 'Person' });

/** A client’s fields as they are read; the day is checked where today is known. */
export const clientFields = z
  .strictObject({
    name: z.string().trim().min(1, 'must not be empty').max(120),
    phone: z
      .string()
      .trim()
      .max(40)
      .regex(/^[\d\s()+/.-]*$/, 'holds something other than digits, spaces and + ( ) / . -')
      .default(''),
    email: z.union([z.literal(''), z.email('must be an e-mail address').max(200)]).default(''),
    note: z.string().trim().max(2000).default(''),
    bornOn: z.iso.date('must be a day such as 1990-02-28').nullable().default(null),
  })
  .meta({ id: 'ClientFields' });
export const newClient = clientFields
  .extend({ id: id.optional().describe('Chosen by you: the same request sent again adds nobody twice') })
  .meta({ id: 'NewClient' });
export const clientSchema = z
  .object({
    id,
    revision,
    name: z.string(),
    phone: z.string(),
    email: z.string(),
    note: z.string(),
    bornOn: z.iso.date().nullable(),
    archived: z.boolean(),
  })
  .meta({ id: 'Client' });

const time = z
  .string()
  .regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'must be a time such as 09:30')
  .describe('By the clock of the salon');
const booked = {
  personId: id.describe('Whose chair'),
  on: day.describe('Day, where the salon is'),
  at: time,
  minutes: z.int().min(5).max(900),
  kind: z.enum(APPOINTMENT_KINDS),
  note: z.string().trim().max(500).default(''),
};
export const appointmentChange = z.strictObject(booked).meta({ id: 'AppointmentChange' });
export const newAppointment = z
  .strictObject({
    ...booked,
    clientId: id,
    redoOf: id.nullable().default(null).describe('The visit that is put right, for a redo'),
    id: id.optional().describe('Chosen by you: the same request sent again books nothing twice'),
  })
  .meta({ id: 'NewAppointment' });
export const appointmentState = z
  .strictObject({ state: z.enum(APPOINTMENT_STATES) })
  .meta({ id: 'AppointmentState' });
export const appointmentSchema = z
  .object({
    ...booked,
    id,
    revision,
    clientId: id,
    note: z.string(),
    state: z.enum(APPOINTMENT_STATES),
    visitId: id.nullable(),
    redoOf: z.string().nullable().describe('Day of the visit that is put right'),
  })
  .meta({ id: 'Appointment' });
export const appointmentsQuery = z.strictObject({
  from: day,
  to: day.describe('No more than 62 days after `from`'),
  personId: id.optional(),
  ...pageQuery,
});

export const newVisit = z
  .strictObject({ clientId: id, heldOn: day, what: z.enum(['foils', 'no-foils']).default('foils') })
  .meta({ id: 'NewVisit' });
export const visitHead = z
  .object({
    id,
    clientId: id,
    heldOn: z.iso.date(),
    colourist: z.string(),
    begunAt: z.string().nullable().describe('A moment in UTC; null before the service began'),
    recorded: z.boolean(),
    signed: z.boolean(),
  })
  .meta({ id: 'Visit' });
export const visitMade = z.object({ id }).meta({ id: 'VisitId' });
export const visitsQuery = z.strictObject({
  clientId: id.optional(),
  from: day.optional(),
  to: day.optional(),
  ...pageQuery,
});
export const clientsQuery = z.strictObject({
  find: z
    .string()
    .max(200)
    .optional()
    .describe('Words of names, phones and e-mail addresses; found ones come in one page'),
  archived: z.enum(['true', 'false']).default('false'),
  ...pageQuery,
});

export const saved = z.object({ revision }).meta({ id: 'Saved' });

/** The documents of a visit, in their newest versions; older ones are read, too (docs/formats). */
export const documents = {
  consult: consultSchema.meta({ id: 'Consultation' }),
  plan: planSchema.meta({ id: 'Pattern' }),
  mix: mixSchema.meta({ id: 'Mix' }),
  record: outcomeSchema.meta({ id: 'Record' }),
};
