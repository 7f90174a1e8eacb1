import type { Result } from '../core/units';
import type { AppointmentKind, AppointmentState, Slot } from '../core/diary';
import { database, inSalon, type Actor, type Transaction } from './database';
import { insertOnce } from './made-once';
import { hashOfSecret, newSecret } from './secrets';
import { leaveTrail } from './trail';
import { openVisit } from './visits';
import { rawRows } from './raw-rows';
import type { AppointmentRow } from './tables';

/** An appointment as the diary shows it; its time is that of the salon. */
export interface Appointment extends Slot {
  readonly id: string;
  readonly revision: number;
  readonly clientId: string;
  readonly clientName: string;
  readonly phone: string;
  readonly personId: string;
  readonly personName: string;
  readonly kind: AppointmentKind;
  readonly state: AppointmentState;
  readonly note: string;
  readonly visitId: string | null;
  readonly begun: boolean;
  readonly recorded: boolean;
  readonly signed: boolean;
  /** The day of the visit that is put right. */
  readonly redoOf: string | null;
}

/** What is booked. */
export interface Booking extends Slot {
  /** As the device gave it. */
  readonly id?: string;
  readonly clientId: string;
  readonly personId: string;
  readonly kind: AppointmentKind;
  readonly note: string;
  /** The visit that is put right; only for a redo. */
  readonly redoOf: string | null;
}

export type Booked = Result<{ readonly id: string }>;

const NO_CLIENT: Booked = {
  ok: false,
  problem: 'Client: there is no such client in this salon; they may have been archived.',
};
const NO_PERSON: Booked = { ok: false, problem: 'Colourist: nobody of that name works here.' };
const NO_APPOINTMENT: Booked = { ok: false, problem: 'There is no such appointment in this salon.' };
const STALE: Booked = {
  ok: false,
  problem: 'Somebody changed this appointment meanwhile. Nothing was overwritten: look at it again.',
};

/** The moment of a day's minute where the salon is. */
const momentOf = (trx: Transaction, { on, from }: Slot, timeZone: string) =>
  trx.raw('((?::date + make_interval(mins => ?)) at time zone ?)', [on, from, timeZone]);

interface ShownRow extends Pick<
  AppointmentRow,
  'id' | 'revision' | 'client_id' | 'person_id' | 'minutes' | 'kind' | 'state' | 'note' | 'visit_id'
> {
  name: string;
  phone: string;
  person_name: string;
  on_day: string;
  from_minute: number;
  begun: boolean;
  recorded: boolean;
  signed: boolean;
  redo_of: string | null;
}

async function appointments(
  trx: Transaction,
  timeZone: string,
  narrow: (query: ReturnType<Transaction>) => void,
): Promise<Appointment[]> {
  const rows = await trx('appointment as a')
    .join('client as c', 'c.id', 'a.client_id')
    .join('person as p', 'p.id', 'a.person_id')
    .leftJoin('visit as v', 'v.id', 'a.visit_id')
    .leftJoin('outcome as o', 'o.visit_id', 'a.visit_id')
    .leftJoin('visit as r', 'r.id', 'a.redo_of')
    .modify(narrow)
    .orderBy('a.starts_at')
    .orderBy('c.name')
    .select<ShownRow[]>(
      'a.id',
      'a.revision',
      'a.client_id',
      'c.name',
      'c.phone',
      'a.person_id',
      'p.name as person_name',
      'a.minutes',
      'a.kind',
      'a.state',
      'a.note',
      'a.visit_id',
      'r.held_on as redo_of',
      trx.raw(
        "to_char(a.starts_at at time zone ?, 'YYYY-MM-DD') as on_day, (extract(hour from a.starts_at at time zone ?) * 60 + extract(minute from a.starts_at at time zone ?))::int as from_minute",
        [timeZone, timeZone, timeZone],
      ),
      trx.raw(
        'v.begun_at is not null as begun, o.visit_id is not null as recorded, o.signed_at is not null as signed',
      ),
    );
  return rows.map((row) => ({
    id: row.id,
    revision: row.revision,
    clientId: row.client_id,
    clientName: row.name,
    phone: row.phone,
    personId: row.person_id,
    personName: row.person_name,
    on: row.on_day,
    from: row.from_minute,
    minutes: row.minutes,
    kind: row.kind,
    state: row.state,
    note: row.note,
    visitId: row.visit_id,
    begun: row.begun,
    recorded: row.recorded,
    signed: row.signed,
    redoOf: row.redo_of,
  }));
}

/** Appointments from a day to a day, both included, where the salon is. */
export function listAppointments({
  actor,
  from,
  to,
  timeZone,
  personId,
}: {
  readonly actor: Pick<Actor, 'salonId'>;
  readonly from: string;
  readonly to: string;
  readonly timeZone: string;
  readonly personId?: string;
}): Promise<Appointment[]> {
  return inSalon(actor.salonId, (trx) =>
    appointments(trx, timeZone, (query) => {
      query
        .whereRaw('a.starts_at >= (?::date)::timestamp at time zone ?', [from, timeZone])
        .whereRaw('a.starts_at < (?::date + 1)::timestamp at time zone ?', [to, timeZone]);
      if (personId) query.where('a.person_id', personId);
    }),
  );
}

/** One appointment; undefined when the salon has none of that id. */
export function readAppointment(
  actor: Actor,
  id: string,
  timeZone: string,
): Promise<Appointment | undefined> {
  return inSalon(
    actor.salonId,
    async (trx) => (await appointments(trx, timeZone, (query) => void query.where('a.id', id)))[0],
  );
}

/** Appointments of a client that are still to come, soonest first. */
export function comingAppointments(
  actor: Pick<Actor, 'salonId'>,
  clientId: string,
  from: string,
  timeZone: string,
): Promise<Appointment[]> {
  return inSalon(actor.salonId, (trx) =>
    appointments(
      trx,
      timeZone,
      (query) =>
        void query
          .where({ 'a.client_id': clientId, 'a.state': 'booked' })
          .whereRaw('a.starts_at >= (?::date)::timestamp at time zone ?', [from, timeZone]),
    ),
  );
}

/**
 * Books; several at once are booked together or not at all, and each once for one id.
 * @returns the id of the first
 */
export function book(actor: Actor, bookings: readonly Booking[], timeZone: string): Promise<Booked> {
  return inSalon(actor.salonId, async (trx): Promise<Booked> => {
    const ids: string[] = [];
    for (const booking of bookings) {
      const client = await trx('client')
        .where({ id: booking.clientId })
        .whereNull('archived_at')
        .select('name')
        .first();
      if (!client) return refuse(NO_CLIENT);
      if (!(await worksHere(trx, booking.personId))) return refuse(NO_PERSON);
      if (
        booking.redoOf &&
        !(await trx('visit').where({ id: booking.redoOf, client_id: booking.clientId }).first())
      )
        return refuse({ ok: false, problem: 'Redo: the visit that is put right is not one of theirs.' });
      const { id, made } = await insertOnce(
        trx,
        'appointment',
        {
          salon_id: actor.salonId,
          client_id: booking.clientId,
          person_id: booking.personId,
          starts_at: momentOf(trx, booking, timeZone),
          minutes: booking.minutes,
          kind: booking.kind,
          note: booking.note,
          redo_of: booking.kind === 'redo' ? booking.redoOf : null,
          created_by: actor.personId,
        },
        booking.id,
      );
      ids.push(id);
      if (made)
        await leaveTrail(trx, actor, 'booked', { clientId: booking.clientId, words: saidOf(booking) });
    }
    return { ok: true, id: ids[0] };
  }).catch(answerOf);
}

/** A refusal that takes back what its transaction has written. */
class Refused extends Error {
  constructor(readonly answer: Booked) {
    super('refused');
  }
}

function refuse(answer: Booked): never {
  throw new Refused(answer);
}

function answerOf(error: unknown): Booked {
  if (error instanceof Refused) return error.answer;
  throw error;
}

const worksHere = async (trx: Transaction, personId: string) =>
  Boolean(await trx('person').where({ id: personId, active: true }).select('id').first());
const saidOf = ({ on, from, minutes, kind }: Slot & { kind: AppointmentKind }) =>
  `${kind}, ${on} ${String(Math.floor(from / 60)).padStart(2, '0')}:${String(from % 60).padStart(2, '0')}, ${minutes} min`;

/** Moves an appointment, or changes what it is for; a stale change overwrites nothing. */
export function changeAppointment({
  actor,
  id,
  revision,
  change,
  timeZone,
}: {
  readonly actor: Actor;
  readonly id: string;
  readonly revision: number;
  readonly change: Slot & {
    readonly personId: string;
    readonly kind: AppointmentKind;
    readonly note: string;
  };
  readonly timeZone: string;
}): Promise<Booked> {
  return inSalon(actor.salonId, async (trx): Promise<Booked> => {
    const before = await held(trx, id, revision);
    if ('problem' in before) return before;
    if (!(await worksHere(trx, change.personId))) return NO_PERSON;
    await trx('appointment')
      .where({ id })
      .update({
        person_id: change.personId,
        starts_at: momentOf(trx, change, timeZone),
        minutes: change.minutes,
        kind: change.kind,
        note: change.note,
        redo_of: change.kind === 'redo' ? before.redo_of : null,
        revision: revision + 1,
        updated_at: trx.fn.now(),
      });
    await leaveTrail(trx, actor, 'booking-changed', { clientId: before.client_id, words: saidOf(change) });
    return { ok: true, id };
  });
}

/** Cancels, marks as not come, or takes either back. */
export function setAppointmentState(
  actor: Actor,
  id: string,
  revision: number,
  state: AppointmentState,
): Promise<Booked> {
  return inSalon(actor.salonId, async (trx): Promise<Booked> => {
    const before = await held(trx, id, revision);
    if ('problem' in before) return before;
    await trx('appointment')
      .where({ id })
      .update({ state, revision: revision + 1, updated_at: trx.fn.now() });
    await leaveTrail(trx, actor, 'booking-changed', { clientId: before.client_id, words: state });
    return { ok: true, id };
  });
}

async function held(
  trx: Transaction,
  id: string,
  revision: number,
): Promise<{ client_id: string; redo_of: string | null } | Extract<Booked, { ok: false }>> {
  const row = await trx('appointment')
    .where({ id })
    .forUpdate()
    .select('revision', 'client_id', 'redo_of')
    .first();
  if (!row) return NO_APPOINTMENT as Extract<Booked, { ok: false }>;
  return row.revision === revision ? row : (STALE as Extract<Booked, { ok: false }>);
}

/**
 * Opens the visit of an appointment, once: the one that it has, an open one of that day, or a new one.
 * @returns the visit's id; undefined without such an appointment
 */
export function visitOfAppointment(actor: Actor, id: string, timeZone: string): Promise<string | undefined> {
  return inSalon(actor.salonId, async (trx) => {
    const row = await trx('appointment')
      .where({ id })
      .forUpdate()
      .select<(Pick<AppointmentRow, 'client_id' | 'visit_id' | 'kind'> & { on_day: string })[]>(
        'client_id',
        'visit_id',
        'kind',
        trx.raw("to_char(starts_at at time zone ?, 'YYYY-MM-DD') as on_day", [timeZone]),
      )
      .first();
    if (!row) return undefined;
    if (row.visit_id) return row.visit_id;
    const open = await trx('visit as v')
      .leftJoin('outcome as o', 'o.visit_id', 'v.id')
      .leftJoin('appointment as a', 'a.visit_id', 'v.id')
      .where({ 'v.client_id': row.client_id, 'v.held_on': row.on_day })
      .whereNull('o.visit_id')
      .whereNull('a.id')
      .select<{ id: string }[]>('v.id')
      .first();
    const visitId =
      open?.id ??
      (await openVisit({
        trx,
        actor,
        clientId: row.client_id,
        heldOn: row.on_day,
        what: row.kind === 'toner' ? 'no-foils' : 'foils',
      }));
    if (visitId)
      await trx('appointment')
        .where({ id })
        .update({ visit_id: visitId, revision: trx.raw('revision + 1') });
    return visitId;
  });
}

/** A client whose next visit is due and not booked. */
export interface DueClient {
  readonly clientId: string;
  readonly clientName: string;
  readonly phone: string;
  readonly nextOn: string;
  readonly nextWhat: AppointmentKind;
  readonly lastOn: string;
}

/**
 * Clients whose last record names a next visit up to a day, and who have no appointment to come; the longest
 * due first.
 */
export function dueClients(
  actor: Pick<Actor, 'salonId'>,
  today: string,
  until: string,
  timeZone: string,
): Promise<DueClient[]> {
  return inSalon(actor.salonId, async (trx) => {
    const rows = await rawRows<{
      client_id: string;
      name: string;
      phone: string;
      held_on: string;
      next_on: string;
      next_what: AppointmentKind | null;
    }>(
      trx,
      `select * from (
         select distinct on (v.client_id) v.client_id, c.name, c.phone, v.held_on, o.document ->> 'nextOn' as next_on, o.document ->> 'nextWhat' as next_what
         from visit v join outcome o on o.visit_id = v.id join client c on c.id = v.client_id
         where c.archived_at is null order by v.client_id, v.held_on desc
       ) last
       where last.next_on is not null and last.next_on <= ?
         and not exists (select 1 from appointment a where a.client_id = last.client_id and a.state = 'booked' and a.kind <> 'alert-test' and a.starts_at >= (?::date)::timestamp at time zone ?)
         and not exists (select 1 from visit n left join outcome d on d.visit_id = n.id where n.client_id = last.client_id and n.held_on >= ? and d.visit_id is null)
       order by last.next_on, last.name limit 100`,
      [until, today, timeZone, today],
    );
    return rows.map((row) => ({
      clientId: row.client_id,
      clientName: row.name,
      phone: row.phone,
      nextOn: row.next_on,
      nextWhat: row.next_what ?? 'full',
      lastOn: row.held_on,
    }));
  });
}

/** Visits that were begun before a day and are not recorded, or recorded and not signed off. */
export function unfinishedVisits(
  actor: Actor,
  before: string,
): Promise<{ visitId: string; clientName: string; heldOn: string; recorded: boolean }[]> {
  return inSalon(actor.salonId, async (trx) => {
    const rows = await trx('visit as v')
      .join('client as c', 'c.id', 'v.client_id')
      .leftJoin('outcome as o', 'o.visit_id', 'v.id')
      .where('v.held_on', '<', before)
      .whereNotNull('v.begun_at')
      .whereNull('o.signed_at')
      .whereNull('c.archived_at')
      .whereRaw('v.held_on > ?::date - 30', [before])
      .orderBy('v.held_on', 'desc')
      .limit(50)
      .select<{ id: string; name: string; held_on: string; recorded: boolean }[]>(
        'v.id',
        'c.name',
        'v.held_on',
        trx.raw('o.visit_id is not null as recorded'),
      );
    return rows.map(({ id, name, held_on, recorded }) => ({
      visitId: id,
      clientName: name,
      heldOn: held_on,
      recorded,
    }));
  });
}

/**
 * Makes a person's private calendar address anew; an older one stops working.
 * @returns the secret, which is kept nowhere
 */
export function makeFeed(actor: Actor): Promise<string> {
  return inSalon(actor.salonId, async (trx) => {
    const secret = newSecret(24);
    await trx('calendar_feed')
      .where({ person_id: actor.personId })
      .whereNull('revoked_at')
      .update({ revoked_at: trx.fn.now() });
    await trx('calendar_feed').insert({
      salon_id: actor.salonId,
      person_id: actor.personId,
      secret_hash: hashOfSecret(secret),
    });
    await leaveTrail(trx, actor, 'feed-made');
    return secret;
  });
}

export function revokeFeed(actor: Actor): Promise<void> {
  return inSalon(actor.salonId, async (trx) => {
    const gone = await trx('calendar_feed')
      .where({ person_id: actor.personId })
      .whereNull('revoked_at')
      .update({ revoked_at: trx.fn.now() });
    if (gone > 0) await leaveTrail(trx, actor, 'feed-revoked');
  });
}

/** Whether a person has a calendar address that works, and since when. */
export function feedSince(actor: Actor): Promise<string | null> {
  return inSalon(actor.salonId, async (trx) => {
    const row = await trx('calendar_feed')
      .where({ person_id: actor.personId })
      .whereNull('revoked_at')
      .select('created_at')
      .first();
    return row ? row.created_at.toISOString() : null;
  });
}

/** Whose appointments a secret opens; undefined for one that does not, or no longer. */
export async function feedOwner(secret: string): Promise<{ salonId: string; personId: string } | undefined> {
  const [row] = await rawRows<{ salon_id: string; person_id: string }>(
    database(),
    'select salon_id, person_id from feed_of(?)',
    [hashOfSecret(secret)],
  );
  return row && { salonId: row.salon_id, personId: row.person_id };
}
