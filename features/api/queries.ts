import 'server-only';
import { z } from 'zod';
import { hourMinute } from '@/core/diary';
import { capital, daysBetween, today } from '@/core/units';
import {
  book,
  changeAppointment,
  listAppointments,
  readAppointment,
  setAppointmentState,
  type Appointment,
} from '@/data/appointments';
import { holderOf } from '@/data/api-tokens';
import { changeClient, clientFieldsOf, pageOfClients } from '@/data/client-changes';
import type { Client } from '@/data/client-fields';
import { createClient, listClients } from '@/data/clients';
import { UnreadableDocument } from '@/data/documents';
import { readHouse } from '@/data/house';
import { serverNow } from '@/data/now';
import { listPeople } from '@/data/people';
import { pageOfVisits, readVisit, visitOfDay } from '@/data/visits';
import { readTime } from '../house/read-time';
import { PART_NAMES } from '../visit/edits';
import { saveDocument } from '../visit/queries';
import type { VisitPart } from '../visit/types';
import { ApiProblem, operation, type Answered, type Asker, type Operation } from './operation';
import {
  appointmentChange,
  appointmentSchema,
  appointmentsQuery,
  appointmentState,
  clientFields,
  clientSchema,
  clientsQuery,
  documents,
  newAppointment,
  newClient,
  newVisit,
  pageOf,
  personSchema,
  saved,
  visitHead,
  visitMade,
  visitsQuery,
} from './schemas';

export { holderOf, UnreadableDocument };

const none = (what: string) => new ApiProblem(404, `There is no such ${what} in this salon.`);
const stale = (what: string) =>
  new ApiProblem(
    412,
    `Somebody changed this ${what} since the revision that you follow. Nothing was overwritten: read it again.`,
  );
const zoneOf = async (asker: Asker) => (await readHouse(asker)).document.timeZone;
const todayOf = async (asker: Asker) => today(await zoneOf(asker), new Date(serverNow()));

/** A page of what was read one item too many of. */
function page<T extends { readonly id: string }>(read: readonly T[], limit: number): Answered {
  const items = read.slice(0, limit);
  return { body: { items, next: read.length > limit ? items[limit - 1].id : null } };
}

const clientOf = ({ id, revision, name, phone, email, note, bornOn, archived }: Client) => ({
  id,
  revision,
  name,
  phone,
  email,
  note,
  bornOn,
  archived,
});
const appointmentOf = ({
  id,
  revision,
  clientId,
  personId,
  on,
  from,
  minutes,
  kind,
  state,
  note,
  visitId,
  redoOf,
}: Appointment) => ({
  id,
  revision,
  clientId,
  personId,
  on,
  at: hourMinute(from),
  minutes,
  kind,
  state,
  note,
  visitId,
  redoOf,
});

async function born(asker: Asker, bornOn: string | null): Promise<void> {
  if (bornOn !== null && (bornOn < '1900-01-01' || bornOn > (await todayOf(asker))))
    throw new ApiProblem(422, 'bornOn: must be a day from 1900 to today.');
}

async function client(asker: Asker, id: string): Promise<Answered> {
  const own = await clientFieldsOf(asker, id);
  if (!own) throw none('client');
  return { body: clientOf(own), revision: own.revision };
}

async function appointment(asker: Asker, id: string): Promise<Answered> {
  const own = await readAppointment(asker, id, await zoneOf(asker));
  if (!own) throw none('appointment');
  return { body: appointmentOf(own), revision: own.revision };
}

const CLIENTS: readonly Operation[] = [
  operation({
    id: 'listClients',
    method: 'GET',
    path: '/clients',
    scope: 'clients:read',
    summary: 'Clients',
    query: clientsQuery,
    answer: pageOf(clientSchema),
    description:
      'In the order of their ids. Those found by words come best first and in one page. An assistant’s token lists them by words only, as in the application.',
    run: async (asker, { query: { find, archived, limit, after } }) => {
      const away = archived === 'true';
      if (find?.trim()) {
        const found = await listClients(asker, find, await todayOf(asker), { archived: away });
        return { body: { items: found.slice(0, limit).map(clientOf), next: null } };
      }
      if (asker.role === 'assistant')
        throw new ApiProblem(403, 'An assistant’s token lists clients by words only: say find.');
      return page(
        (await pageOfClients(asker, { after, limit: limit + 1, archived: away })).map(clientOf),
        limit,
      );
    },
  }),
  operation({
    id: 'addClient',
    method: 'POST',
    path: '/clients',
    scope: 'clients:write',
    summary: 'Adds a client',
    body: newClient,
    answer: clientSchema,
    makes: true,
    revised: true,
    run: async (asker, { body: { id, ...fields } }) => {
      await born(asker, fields.bornOn);
      const made = await createClient(asker, { ...fields, name: fields.name.normalize('NFC') }, id);
      return { ...(await client(asker, made)), made: true };
    },
  }),
  operation({
    id: 'readClient',
    method: 'GET',
    path: '/clients/{clientId}',
    scope: 'clients:read',
    summary: 'One client',
    answer: clientSchema,
    revised: true,
    run: (asker, { ids: [id] }) => client(asker, id),
  }),
  operation({
    id: 'changeClient',
    method: 'PUT',
    path: '/clients/{clientId}',
    scope: 'clients:write',
    summary: 'Changes a client',
    body: clientFields,
    answer: clientSchema,
    revised: true,
    follows: true,
    run: async (asker, { ids: [id], body, base }) => {
      await born(asker, body.bornOn);
      const changed = await changeClient(asker, id, base, { ...body, name: body.name.normalize('NFC') });
      if (!changed.ok) throw changed.reason === 'stale' ? stale('client') : none('client');
      return client(asker, id);
    },
  }),
];

const MOST_DAYS = 62;

/** What the diary refused, with the status that fits. */
function refused(problem: string): ApiProblem {
  if (problem.startsWith('There is no such')) return none('appointment');
  return problem.startsWith('Somebody changed') ? stale('appointment') : new ApiProblem(422, problem);
}

const DIARY: readonly Operation[] = [
  operation({
    id: 'listPeople',
    method: 'GET',
    path: '/people',
    scope: 'appointments:read',
    summary: 'Who works in the salon',
    answer: z.object({ items: z.array(personSchema) }),
    run: async (asker) => ({
      body: {
        items: (await listPeople(asker)).people
          .filter(({ active }) => active)
          .map(({ id, name, role }) => ({ id, name, role })),
      },
    }),
  }),
  operation({
    id: 'listAppointments',
    method: 'GET',
    path: '/appointments',
    scope: 'appointments:read',
    summary: 'Appointments from a day to a day',
    query: appointmentsQuery,
    answer: pageOf(appointmentSchema),
    description: 'Both days included, in the order of their times.',
    run: async (asker, { query: { from, to, personId, limit, after } }) => {
      if (to < from || daysBetween(from, to) > MOST_DAYS)
        throw new ApiProblem(422, `to: must be a day from ${from} to ${MOST_DAYS} days after it.`);
      const all = (
        await listAppointments({ actor: asker, from, to, timeZone: await zoneOf(asker), personId })
      )
        .map(appointmentOf)
        .sort((a, b) => (`${a.on} ${a.at} ${a.id}` < `${b.on} ${b.at} ${b.id}` ? -1 : 1));
      const start = after === undefined ? 0 : all.findIndex(({ id }) => id === after) + 1;
      return page(all.slice(start, start + limit + 1), limit);
    },
  }),
  operation({
    id: 'book',
    method: 'POST',
    path: '/appointments',
    scope: 'appointments:write',
    summary: 'Books an appointment',
    body: newAppointment,
    answer: appointmentSchema,
    makes: true,
    revised: true,
    run: async (asker, { body: { at, ...own } }) => {
      if ((own.kind === 'redo') !== (own.redoOf !== null))
        throw new ApiProblem(422, 'redoOf: a redo, and nothing else, names the visit that is put right.');
      const booked = await book(asker, [{ ...own, from: readTime(at) }], await zoneOf(asker));
      if (!booked.ok) throw refused(booked.problem);
      return { ...(await appointment(asker, booked.id)), made: true };
    },
  }),
  operation({
    id: 'readAppointment',
    method: 'GET',
    path: '/appointments/{appointmentId}',
    scope: 'appointments:read',
    summary: 'One appointment',
    answer: appointmentSchema,
    revised: true,
    run: (asker, { ids: [id] }) => appointment(asker, id),
  }),
  operation({
    id: 'moveAppointment',
    method: 'PUT',
    path: '/appointments/{appointmentId}',
    scope: 'appointments:write',
    summary: 'Moves an appointment, or changes what it is for',
    body: appointmentChange,
    answer: appointmentSchema,
    revised: true,
    follows: true,
    run: async (asker, { ids: [id], base, body: { at, ...own } }) => {
      const changed = await changeAppointment({
        actor: asker,
        id,
        revision: base,
        change: { ...own, from: readTime(at) },
        timeZone: await zoneOf(asker),
      });
      if (!changed.ok) throw refused(changed.problem);
      return appointment(asker, id);
    },
  }),
  operation({
    id: 'setAppointmentState',
    method: 'PUT',
    path: '/appointments/{appointmentId}/state',
    scope: 'appointments:write',
    summary: 'Cancels an appointment, marks it as not come, or takes either back',
    body: appointmentState,
    answer: appointmentSchema,
    revised: true,
    follows: true,
    run: async (asker, { ids: [id], base, body: { state } }) => {
      const changed = await setAppointmentState(asker, id, base, state);
      if (!changed.ok) throw refused(changed.problem);
      return appointment(asker, id);
    },
  }),
];

/** A document of a visit: read, and written as the application writes it. */
function documentOperations(name: keyof typeof documents, part: VisitPart): readonly Operation[] {
  const words = PART_NAMES[part];
  const scope = part === 'outcome' ? 'records' : 'visits';
  return [
    operation({
      id: `read${capital(name)}`,
      method: 'GET',
      path: `/visits/{visitId}/${name}`,
      scope: `${scope}:read`,
      summary: `The ${words} of a visit`,
      answer: documents[name],
      revised: true,
      ...(part === 'mix' && { description: 'Revision 0 and an empty one until something is mixed.' }),
      run: async (asker, { ids: [id] }) => {
        const visit = await readVisit(asker, id);
        if (!visit) throw none('visit');
        const revised = visit[part];
        if (revised === null) throw new ApiProblem(404, 'This visit is not recorded yet.');
        return { body: revised.document, revision: revised.revision };
      },
    }),
    operation({
      id: `write${capital(name)}`,
      method: 'PUT',
      path: `/visits/{visitId}/${name}`,
      scope: `${scope}:write`,
      summary: `Writes the ${words} of a visit`,
      body: documents[name],
      anyVersion: true,
      answer: saved,
      revised: true,
      follows: true,
      description:
        `The whole document, in any version that is read. ${part === 'outcome' || part === 'mix' ? 'The first one follows revision 0.' : ''} A signed visit changes no more.`.replace(
          '  ',
          ' ',
        ),
      run: async (asker, { ids: [visitId], body, base, editId }) => {
        const came = await saveDocument({
          person: asker,
          visitId,
          part,
          base: { baseRevision: base, editId, noDraft: true },
          document: body,
        });
        if ('problem' in came) throw new ApiProblem(422, came.problem);
        if (came.ok) return { body: { revision: came.revision }, revision: came.revision };
        if (came.reason === 'missing') throw none('visit');
        if (came.reason === 'stale') throw stale(words);
        throw new ApiProblem(
          409,
          came.reason === 'signed'
            ? 'This visit is signed off and no longer changes.'
            : 'The service has not begun yet: it is recorded after that.',
        );
      },
    }),
  ];
}

const VISITS: readonly Operation[] = [
  operation({
    id: 'listVisits',
    method: 'GET',
    path: '/visits',
    scope: 'visits:read',
    summary: 'Visits',
    query: visitsQuery,
    answer: pageOf(visitHead),
    description: 'In the order of their ids.',
    run: async (asker, { query: { limit, ...of } }) =>
      page(await pageOfVisits(asker, { ...of, limit: limit + 1 }), limit),
  }),
  operation({
    id: 'openVisit',
    method: 'POST',
    path: '/visits',
    scope: 'visits:write',
    summary: 'Opens a visit',
    body: newVisit,
    answer: visitMade,
    makes: true,
    description:
      'With what is carried over from the last one. One of that client and day that is open still is given instead of a second one (200).',
    run: async (asker, { body: { clientId, heldOn, what } }) => {
      const opened = await visitOfDay(asker, clientId, heldOn, what);
      if (!opened)
        throw new ApiProblem(422, 'clientId: there is no such client in this salon, or they are archived.');
      return { body: { id: opened.id }, made: opened.made };
    },
  }),
  operation({
    id: 'readVisit',
    method: 'GET',
    path: '/visits/{visitId}',
    scope: 'visits:read',
    summary: 'One visit',
    answer: visitHead,
    run: async (asker, { ids: [id] }) => {
      const [own] = await pageOfVisits(asker, { id, limit: 1 });
      if (!own) throw none('visit');
      return { body: own };
    },
  }),
  ...documentOperations('consult', 'consult'),
  ...documentOperations('plan', 'plan'),
  ...documentOperations('mix', 'mix'),
  ...documentOperations('record', 'outcome'),
];

/** Everything that the API does. */
export const OPERATIONS: readonly Operation[] = [...CLIENTS, ...DIARY, ...VISITS];
