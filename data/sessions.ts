import { database, inSalon, type Actor } from './database';
import { hashPassword, passwordMatches } from './passwords';

export type Role = 'owner' | 'colourist' | 'assistant';

/** Who is signed in. */
export interface SignedIn extends Actor {
  readonly sessionId: string;
  readonly personName: string;
  readonly role: Role;
  readonly salonName: string;
}

const SESSION_DAYS = 14;

/** Spent on a sign-in with an unknown address, so that it takes as long as one with a wrong password. */
let decoy: Promise<string> | undefined;

/** Checks an e-mail address and password; opens a session and returns its id, or undefined when they do not match. */
export async function openSession(email: string, password: string): Promise<string | undefined> {
  const { rows } = await database().raw('select * from find_sign_in(?)', [email.trim()]);
  const found = rows[0] as { person_id: string; salon_id: string; password_hash: string } | undefined;
  decoy ??= hashPassword('no one has this password');
  const matches = await passwordMatches(found?.password_hash ?? (await decoy), password);
  if (!found || !matches) return undefined;
  return inSalon(found.salon_id, async (trx) => {
    const [session] = await trx('session')
      .insert({
        salon_id: found.salon_id,
        person_id: found.person_id,
        expires_at: trx.raw(`now() + interval '${SESSION_DAYS} days'`),
      })
      .returning('id');
    return session.id as string;
  });
}

/** The person behind a session id; undefined when it is unknown, revoked or expired. The row decides, not the cookie. */
export async function readSession(sessionId: string): Promise<SignedIn | undefined> {
  if (!/^[0-9a-f-]{36}$/.test(sessionId)) return undefined;
  const { rows } = await database().raw('select * from find_session(?)', [sessionId]);
  const row = rows[0];
  if (!row) return undefined;
  return {
    sessionId: row.session_id,
    personId: row.person_id,
    salonId: row.salon_id,
    personName: row.person_name,
    role: row.role,
    salonName: row.salon_name,
  };
}

/** Ends a session for good. */
export async function revokeSession(signedIn: SignedIn): Promise<void> {
  await inSalon(signedIn.salonId, (trx) =>
    trx('session').where({ id: signedIn.sessionId }).update({ revoked_at: trx.fn.now() }),
  );
}

export interface DemoAccount {
  readonly salonName: string;
  readonly personName: string;
  readonly role: Role;
  readonly email: string;
}

/** Accounts of salons that hold demo data; none once there are none. */
export async function demoAccounts(): Promise<DemoAccount[]> {
  const { rows } = await database().raw('select * from demo_accounts()');
  return rows.map((row: { salon_name: string; person_name: string; role: Role; email: string }) => ({
    salonName: row.salon_name,
    personName: row.person_name,
    role: row.role,
    email: row.email,
  }));
}
