import { beginningOf } from '../core/formats';
import { forgetTries, returnTry, takeTry } from './attempts';
import { database, inSalon, type Actor, type Transaction } from './database';
import { hashPassword, passwordMatches } from './passwords';
import { announce } from './signals';
import { rawRows } from './raw-rows';
import { signInWith } from './sign-in-lookup';

export type Role = 'owner' | 'colourist' | 'assistant';

/** Who is signed in. */
export interface SignedIn extends Actor {
  readonly sessionId: string;
  readonly personName: string;
  readonly role: Role;
  readonly salonName: string;
  /** The station is locked: it shows nothing until a PIN or password is given. */
  readonly locked: boolean;
}

/** Where a sign-in comes from. */
export interface Station {
  /** Network address; tries are counted by it. */
  readonly from: string;
  /**
   * A device that somebody signed in on with this address before: strangers’ tries do not count against it.
   */
  readonly known?: string;
  /** What the browser says it is, shown in the list of one's sessions. */
  readonly device: string;
}

/**
 * A session's id, or how many seconds to wait after too many wrong tries; undefined when name and password do
 * not match.
 */
export type Opened = { readonly sessionId: string } | { readonly waitSeconds: number } | undefined;

const SESSION_DAYS = 14;

/** Spent on a sign-in with an unknown address, so that it takes as long as one with a wrong password. */
let decoy: Promise<string> | undefined;

/**
 * Checks an e-mail address and password and opens a session. Tries are limited by address and by where they
 * come from.
 */
export async function openSession(
  email: string,
  password: string,
  station: Station = { from: 'local', device: '' },
): Promise<Opened> {
  const address = email.trim().toLowerCase();
  const tried = station.known === undefined ? address : `${address} on ${station.known}`;
  const waitSeconds =
    (station.known === undefined && (await takeTry('from', station.from))) ||
    (await takeTry('sign-in', tried));
  if (waitSeconds > 0) return { waitSeconds };
  const found = await signInWith(database(), address);
  decoy ??= hashPassword('no one has this password');
  const matches = await passwordMatches(found?.password_hash ?? (await decoy), password);
  if (!found || !matches) return undefined;
  await forgetTries('sign-in', tried);
  if (station.known === undefined) await returnTry('from', station.from);
  const sessionId = await inSalon(found.salon_id, (trx) =>
    insertSession(trx, { salonId: found.salon_id, personId: found.person_id }, station.device),
  );
  return { sessionId };
}

/** Writes a session's row. */
export async function insertSession(
  trx: Transaction,
  { salonId, personId }: Actor,
  device: string,
): Promise<string> {
  const [session] = await trx('session')
    .insert({
      salon_id: salonId,
      person_id: personId,
      device: beginningOf(device, 200),
      expires_at: trx.raw(`now() + interval '${SESSION_DAYS} days'`),
    })
    .returning('id');
  return session.id;
}

/**
 * The person behind a session id; undefined when it is unknown, revoked or expired. The row decides, not the
 * cookie.
 * A session that is not locked counts as used now.
 */
export async function readSession(sessionId: string): Promise<SignedIn | undefined> {
  if (!/^[0-9a-f-]{36}$/.test(sessionId)) return undefined;
  const [row] = await rawRows<{
    session_id: string;
    person_id: string;
    salon_id: string;
    person_name: string;
    role: Role;
    salon_name: string;
    locked: boolean;
    to_touch: boolean;
  }>(database(), 'select * from find_session(?)', [sessionId]);
  if (!row) return undefined;
  if (row.to_touch && !row.locked) {
    await inSalon(row.salon_id, (trx) =>
      trx('session').where({ id: sessionId }).update({ seen_at: trx.fn.now() }),
    );
  }
  return {
    sessionId: row.session_id,
    personId: row.person_id,
    salonId: row.salon_id,
    personName: row.person_name,
    role: row.role,
    salonName: row.salon_name,
    locked: row.locked,
  };
}

/** Ends a session for good. */
export async function revokeSession(signedIn: SignedIn): Promise<void> {
  await inSalon(signedIn.salonId, (trx) => revokeSessions(trx, signedIn.salonId, { id: signedIn.sessionId }));
}

/**
 * Within a transaction: ends the sessions that fit and have not ended, but one where it is named.
 * @returns how many
 */
export async function revokeSessions(
  trx: Transaction,
  salonId: string,
  fitting: { id?: string; person_id?: string },
  but?: string,
): Promise<number> {
  const open = trx('session').where(fitting).whereNull('revoked_at');
  const ended = await (but === undefined ? open : open.whereNot({ id: but })).update({
    revoked_at: trx.fn.now(),
  });
  // Streams that are open in them end at once.
  if (ended > 0) await announce(trx, { topic: 'sessions', id: salonId });
  return ended;
}

/** Locks the station: the session stays, and shows nothing until somebody of the salon unlocks it. */
export async function lockSession(signedIn: SignedIn): Promise<void> {
  await inSalon(signedIn.salonId, async (trx) => {
    await trx('session').where({ id: signedIn.sessionId }).update({ locked_at: trx.fn.now() });
    await announce(trx, { topic: 'sessions', id: signedIn.salonId });
  });
}

/** Somebody who may take over a station. */
export interface StationPerson {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly hasPin: boolean;
}

/** The people of a station's salon. */
export function stationPeople({ salonId }: Actor): Promise<StationPerson[]> {
  return inSalon(salonId, async (trx) => {
    const rows = await trx('person')
      .where({ active: true })
      .orderByRaw("case role when 'owner' then 0 when 'colourist' then 1 else 2 end, name")
      .select('id', 'name', 'role', 'pin_hash');
    return rows.map(({ id, name, role, pin_hash }) => ({ id, name, role, hasPin: pin_hash !== null }));
  });
}

/**
 * Unlocks a station or hands it to another person of its salon, by PIN, or by password.
 * @returns the session that goes on: the same one for the same person, a new one for another; the old one is
 *   revoked
 */
export async function takeStation(
  station: SignedIn,
  personId: string,
  secret: string,
  device: string,
): Promise<Opened> {
  const person = await inSalon(station.salonId, (trx) =>
    trx('person').where({ id: personId, active: true }).select('pin_hash', 'password_hash').first(),
  );
  if (!person) return undefined;
  const waitSeconds = await takeTry('pin', personId);
  if (waitSeconds > 0) return { waitSeconds };
  const isPin =
    /^\d{4,8}$/.test(secret) && person.pin_hash !== null && (await passwordMatches(person.pin_hash, secret));
  if (!isPin && !(await passwordMatches(person.password_hash, secret))) return undefined;
  await forgetTries('pin', personId);
  return inSalon(station.salonId, async (trx) => {
    if (personId === station.personId) {
      await trx('session')
        .where({ id: station.sessionId })
        .update({ locked_at: null, seen_at: trx.fn.now() });
      return { sessionId: station.sessionId };
    }
    await revokeSessions(trx, station.salonId, { id: station.sessionId });
    return { sessionId: await insertSession(trx, { salonId: station.salonId, personId }, device) };
  });
}

export interface DemoAccount {
  readonly salonName: string;
  readonly personName: string;
  readonly role: Role;
  readonly email: string;
}

/** Whether this installation has any salon yet. */
export async function anySalon(): Promise<boolean> {
  const [row] = await rawRows<{ any: boolean }>(database(), 'select any_salon() as any');
  return row.any;
}

/** Accounts of salons that hold demo data; none once there are none. */
export async function demoAccounts(): Promise<DemoAccount[]> {
  const rows = await rawRows<{ salon_name: string; person_name: string; role: Role; email: string }>(
    database(),
    'select * from demo_accounts()',
  );
  return rows.map((row) => ({
    salonName: row.salon_name,
    personName: row.person_name,
    role: row.role,
    email: row.email,
  }));
}
