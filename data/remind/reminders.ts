import type { Result } from '../../core/units';
import { inSalon, type Actor, type Transaction } from '../database';
import { leaveTrail, type Author } from '../trail';

/** A reminder as it is kept. */
export interface Reminder {
  readonly id: string;
  readonly clientId: string;
  readonly clientName: string;
  readonly appointmentId: string | null;
  /** The day and time that it speaks of: `2027-03-01 09:30`, or a day alone. */
  readonly about: string;
  readonly phone: string;
  readonly words: string;
  readonly state: 'queued' | 'sent' | 'failed';
  readonly problem: string;
  readonly sentAt: string | null;
  readonly createdAt: string;
  /** Who sent it; null where it went out by itself. */
  readonly by: string | null;
}

/** Whose reminders. */
type InSalon = Pick<Actor, 'salonId'>;

/** What is to be sent. */
export type NewReminder = Pick<Reminder, 'clientId' | 'appointmentId' | 'about' | 'phone' | 'words'>;

interface ReminderRow {
  id: string;
  client_id: string;
  client_name: string;
  appointment_id: string | null;
  about: string;
  phone: string;
  words: string;
  state: Reminder['state'];
  problem: string;
  sent_at: Date | null;
  created_at: Date;
  by: string | null;
}

async function reminders(
  trx: Transaction,
  narrow: (query: ReturnType<Transaction>) => void,
): Promise<Reminder[]> {
  const rows = await trx('reminder as r')
    .join('client as c', 'c.id', 'r.client_id')
    .leftJoin('person as p', 'p.id', 'r.created_by')
    .modify(narrow)
    .orderBy('r.created_at', 'desc')
    .select<ReminderRow[]>(
      'r.id',
      'r.client_id',
      'c.name as client_name',
      'r.appointment_id',
      'r.about',
      'r.phone',
      'r.words',
      'r.state',
      'r.problem',
      'r.sent_at',
      'r.created_at',
      'p.name as by',
    );
  return rows.map((row) => ({
    id: row.id,
    clientId: row.client_id,
    clientName: row.client_name,
    appointmentId: row.appointment_id,
    about: row.about,
    phone: row.phone,
    words: row.words,
    state: row.state,
    problem: row.problem,
    sentAt: row.sent_at?.toISOString() ?? null,
    createdAt: row.created_at.toISOString(),
    by: row.by,
  }));
}

const CONSENTED = { kind: 'reminders' } as const;

/** Which of these clients agreed to be texted, and the reminders that are kept of them. */
export function reminderFacts(
  actor: InSalon,
  clientIds: readonly string[],
): Promise<{ consented: ReadonlySet<string>; kept: readonly Reminder[] }> {
  return inSalon(actor.salonId, async (trx) => {
    const rows: { client_id: string }[] = await trx('consent')
      .where(CONSENTED)
      .whereNull('withdrawn_at')
      .whereIn('client_id', [...clientIds])
      .distinct('client_id');
    return {
      consented: new Set(rows.map(({ client_id }) => client_id)),
      kept: await reminders(trx, (query) => void query.whereIn('r.client_id', [...clientIds])),
    };
  });
}

/** Reminders of the last days, newest first. */
export function recentReminders(actor: Actor, since: Date): Promise<Reminder[]> {
  return inSalon(actor.salonId, (trx) =>
    reminders(trx, (query) => void query.where('r.created_at', '>=', since).limit(200)),
  );
}

export type Queued = Result<{ readonly reminder: Pick<Reminder, 'id' | 'phone' | 'words'> }>;

/**
 * Keeps a reminder before it is sent, so that one that was on its way is known after a fault: its id goes
 * with it, and whoever
 * sends it knows one that came twice. One of the same is taken up again with the words of now; one that was
 * sent is refused.
 */
export function queueReminder(
  actor: Author,
  { clientId, appointmentId, about, phone, words }: NewReminder,
): Promise<Queued> {
  return inSalon(actor.salonId, async (trx): Promise<Queued> => {
    const client = await trx('client')
      .where({ id: clientId })
      .whereNull('archived_at')
      .forUpdate()
      .select('name')
      .first();
    if (!client) return { ok: false, problem: 'There is no such client in this salon.' };
    if (
      !(await trx('consent')
        .where({ ...CONSENTED, client_id: clientId })
        .whereNull('withdrawn_at')
        .select('id')
        .first())
    )
      return { ok: false, problem: `${client.name}: they have not agreed to be texted, or withdrew it.` };
    const same = await trx('reminder')
      .where({ client_id: clientId, appointment_id: appointmentId, about })
      .select('id', 'state')
      .first();
    if (same?.state === 'sent')
      return { ok: false, problem: `${client.name}: this reminder was sent already.` };
    const [row] = same
      ? await trx('reminder')
          .where({ id: same.id })
          .update({ phone, words, state: 'queued', problem: '' })
          .returning(['id', 'phone', 'words'])
      : await trx('reminder')
          .insert({
            salon_id: actor.salonId,
            client_id: clientId,
            appointment_id: appointmentId,
            about,
            phone,
            words,
            created_by: actor.personId,
          })
          .returning(['id', 'phone', 'words']);
    return { ok: true, reminder: row };
  });
}

/**
 * Keeps what became of a reminder that was on its way.
 * @param problem why it did not go through; null where it did
 */
export function settleReminder(actor: Author, id: string, problem: string | null, now: Date): Promise<void> {
  return inSalon(actor.salonId, async (trx) => {
    const [row] = await trx('reminder')
      .where({ id })
      .whereNot({ state: 'sent' })
      .update(
        problem === null
          ? { state: 'sent', problem: '', sent_at: now }
          : { state: 'failed', problem: problem.slice(0, 300) },
      )
      .returning(['client_id', 'about']);
    if (row && problem === null)
      await leaveTrail(trx, actor, 'reminded', { clientId: row.client_id, words: `of ${row.about}` });
  });
}
