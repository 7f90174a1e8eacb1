import type { Result } from '../core/units';
import { USUAL_WORKING_HOURS, type WorkingHours } from '../core/diary';
import { parseWorkingHours } from '../core/formats';
import { database, inSalon, type Actor, type Transaction } from './database';
import { hashPassword, passwordMatches } from './passwords';
import { forgetTries, takeTry } from './attempts';
import { stored } from './documents';
import { hashOfSecret, newSecret } from './secrets';
import { revokeSessions, type Role } from './sessions';
import { leaveTrail, type Author } from './trail';
import { rawRows } from './raw-rows';
import type { AccessLinkRow } from './tables';

/** Somebody who works in the salon. */
export interface Person {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly active: boolean;
  readonly hasPin: boolean;
  readonly hours: WorkingHours;
  readonly sessions: readonly {
    readonly id: string;
    readonly device: string;
    readonly since: string;
    readonly seen: string;
  }[];
}

/** A link that was handed out and can still be used. */
export interface OpenLink {
  readonly id: string;
  readonly kind: 'invitation' | 'reset';
  readonly role: Role | null;
  readonly personName: string | null;
  readonly expiresAt: string;
}

export function listPeople(actor: Actor): Promise<{ people: Person[]; links: OpenLink[] }> {
  return inSalon(actor.salonId, async (trx) => {
    const people = await trx('person')
      .orderByRaw("active desc, case role when 'owner' then 0 when 'colourist' then 1 else 2 end, name")
      .select('id', 'name', 'email', 'role', 'active', 'pin_hash', 'hours');
    const sessions = await trx('session')
      .whereNull('revoked_at')
      .andWhere('expires_at', '>', trx.fn.now())
      .orderBy('seen_at', 'desc')
      .select('id', 'person_id', 'device', 'created_at', 'seen_at');
    const links = await trx('access_link as l')
      .leftJoin('person as p', 'p.id', 'l.person_id')
      .whereNull('l.used_at')
      .whereNull('l.revoked_at')
      .andWhere('l.expires_at', '>', trx.fn.now())
      .orderBy('l.created_at')
      .select<(Pick<AccessLinkRow, 'id' | 'kind' | 'role' | 'expires_at'> & { name: string | null })[]>(
        'l.id',
        'l.kind',
        'l.role',
        'l.expires_at',
        'p.name',
      );
    return {
      people: people.map(({ pin_hash, hours, ...person }) => ({
        ...person,
        hasPin: pin_hash !== null,
        hours: hours === null ? USUAL_WORKING_HOURS : stored('working hours', parseWorkingHours(hours)),
        sessions: sessions
          .filter(({ person_id }) => person_id === person.id)
          .map(({ id, device, created_at, seen_at }) => ({
            id,
            device,
            since: created_at.toISOString(),
            seen: seen_at.toISOString(),
          })),
      })),
      links: links.map(({ id, kind, role, expires_at, name }) => ({
        id,
        kind,
        role,
        personName: name,
        expiresAt: expires_at.toISOString(),
      })),
    };
  });
}

export type Changed = Result;
const NOBODY: Changed = { ok: false, problem: 'Nobody of that name works in this salon.' };

/**
 * Changes a person's role, or whether they work here; the last owner stays one. Sessions of who no longer
 * works here end.
 */
export function changePerson(
  actor: Actor,
  personId: string,
  change: { role?: Role; active?: boolean },
): Promise<Changed> {
  return inSalon(actor.salonId, async (trx) => {
    // All owners are locked, so that two who step down at once do not both get away with it.
    const owners: { id: string }[] = await trx('person')
      .where({ role: 'owner', active: true })
      .forUpdate()
      .select('id');
    const person = await trx('person').where({ id: personId }).select('name', 'role', 'active').first();
    if (!person) return NOBODY;
    const after = { role: change.role ?? person.role, active: change.active ?? person.active };
    const staysOwner = after.role === 'owner' && after.active;
    if (!staysOwner && owners.length === 1 && owners[0].id === personId) {
      return { ok: false, problem: `${person.name} is the only owner: make somebody else one first.` };
    }
    if (after.role === person.role && after.active === person.active) return { ok: true };
    await trx('person').where({ id: personId }).update(after);
    if (!after.active) {
      await revokeSessions(trx, actor.salonId, { person_id: personId });
      // Links and tokens that they made, and those made for them, open nothing any more.
      await trx('access_link')
        .whereNull('used_at')
        .whereNull('revoked_at')
        .where((query) => void query.where({ created_by: personId }).orWhere({ person_id: personId }))
        .update({ revoked_at: trx.fn.now() });
      await trx('api_token')
        .whereNull('revoked_at')
        .where((query) => void query.where({ created_by: personId }).orWhere({ person_id: personId }))
        .update({ revoked_at: trx.fn.now() });
    }
    const changes = [
      ...(after.role === person.role ? [] : [{ where: 'role', from: person.role, to: after.role }]),
      ...(after.active === person.active
        ? []
        : [{ where: 'works here', from: person.active ? 'yes' : 'no', to: after.active ? 'yes' : 'no' }]),
    ];
    await leaveTrail(trx, actor, 'person-changed', { words: person.name, changes });
    return { ok: true };
  });
}

/** Sets when somebody works. */
export function setWorkingHours(actor: Actor, personId: string, hours: WorkingHours): Promise<Changed> {
  return inSalon(actor.salonId, async (trx): Promise<Changed> => {
    const [person] = await trx('person')
      .where({ id: personId })
      .update({ hours: JSON.stringify(hours) })
      .returning('name');
    if (!person) return NOBODY;
    await leaveTrail(trx, actor, 'hours-set', { words: person.name });
    return { ok: true };
  });
}

/**
 * Ends one session of somebody in the salon, or only of one person in it.
 * @returns whether there was one to end
 */
export function endSession(actor: Actor, sessionId: string, ofPerson?: string): Promise<boolean> {
  return inSalon(
    actor.salonId,
    async (trx) =>
      (await revokeSessions(trx, actor.salonId, {
        id: sessionId,
        ...(ofPerson && { person_id: ofPerson }),
      })) > 0,
  );
}

/** Why a password is not one’s own; undefined when it is. */
async function wrongPassword(actor: Actor, password: string): Promise<string | undefined> {
  const waitSeconds = await takeTry('own', actor.personId);
  if (waitSeconds > 0) return `too many wrong tries, wait ${Math.ceil(waitSeconds / 60)} min.`;
  const person = await inSalon(actor.salonId, (trx) =>
    trx('person').where({ id: actor.personId }).select('password_hash').first(),
  );
  if (person === undefined || !(await passwordMatches(person.password_hash, password)))
    return 'it is not yours.';
  await forgetTries('own', actor.personId);
  return undefined;
}

/** Sets one's own PIN, or takes it away; the password is asked for. */
export async function setPin(actor: Actor, password: string, pin: string | null): Promise<Changed> {
  const wrong = await wrongPassword(actor, password);
  if (wrong) return { ok: false, problem: `Password: ${wrong}` };
  const pin_hash = pin === null ? null : await hashPassword(pin);
  await inSalon(actor.salonId, async (trx) => {
    await trx('person').where({ id: actor.personId }).update({ pin_hash });
    await leaveTrail(trx, actor, 'pin-set', { words: pin === null ? 'taken away' : '' });
  });
  return { ok: true };
}

/** Sets one's own password; every other session of one's own ends. */
export async function setPassword(
  actor: Actor & { sessionId: string },
  before: string,
  after: string,
): Promise<Changed> {
  const wrong = await wrongPassword(actor, before);
  if (wrong) return { ok: false, problem: `Password now: ${wrong}` };
  const password_hash = await hashPassword(after);
  await inSalon(actor.salonId, async (trx) => {
    await trx('person').where({ id: actor.personId }).update({ password_hash });
    await revokeSessions(trx, actor.salonId, { person_id: actor.personId }, actor.sessionId);
    await leaveTrail(trx, actor, 'password-set');
  });
  return { ok: true };
}

const INVITATION_DAYS = 7;
const RESET_HOURS = 24;
const newToken = () => newSecret(24);

/** Makes a link that lets one new person in. @returns its secret, which is kept nowhere */
export const invite = (actor: Actor, role: Role): Promise<string> =>
  inSalon(actor.salonId, (trx) => invitationFor(trx, actor, role));

/** The same within a transaction. @param actor personId null: made at the server's own command line */
export async function invitationFor(trx: Transaction, actor: Author, role: Role): Promise<string> {
  const token = newToken();
  await trx('access_link').insert({
    salon_id: actor.salonId,
    kind: 'invitation',
    token_hash: hashOfSecret(token),
    role,
    created_by: actor.personId,
    expires_at: trx.raw(`now() + interval '${INVITATION_DAYS} days'`),
  });
  await leaveTrail(trx, actor, 'person-invited', { words: role });
  return token;
}

/**
 * Makes a link with which a person sets a new password; earlier ones of theirs stop working. Handed over by
 * the owner where no
 * mail is configured.
 * @param actor personId null: made at the server's own command line
 * @returns its secret; undefined when the salon has no such person
 */
export function makeResetLink(
  actor: Author,
  personId: string,
  pool = database(),
): Promise<string | undefined> {
  const token = newToken();
  return inSalon(
    actor.salonId,
    async (trx) => {
      const person = await trx('person').where({ id: personId, active: true }).select('name').first();
      if (!person) return undefined;
      await trx('access_link')
        .where({ person_id: personId, kind: 'reset' })
        .whereNull('used_at')
        .whereNull('revoked_at')
        .update({ revoked_at: trx.fn.now() });
      await trx('access_link').insert({
        salon_id: actor.salonId,
        kind: 'reset',
        token_hash: hashOfSecret(token),
        person_id: personId,
        created_by: actor.personId,
        expires_at: trx.raw(`now() + interval '${RESET_HOURS} hours'`),
      });
      await leaveTrail(trx, actor, 'link-made', { words: person.name });
      return token;
    },
    pool,
  );
}

/** Takes a link back before it was used. */
export function revokeLink(actor: Actor, linkId: string): Promise<boolean> {
  return inSalon(
    actor.salonId,
    async (trx) =>
      (await trx('access_link')
        .where({ id: linkId })
        .whereNull('used_at')
        .whereNull('revoked_at')
        .update({ revoked_at: trx.fn.now() })) > 0,
  );
}

/** What a link opens. */
export interface Link {
  readonly linkId: string;
  readonly salonId: string;
  readonly salonName: string;
  readonly kind: 'invitation' | 'reset';
  readonly role: Role | null;
  readonly personId: string | null;
  readonly personName: string | null;
  readonly email: string | null;
}

/** A link by its secret; undefined when it is unknown, used, taken back or out of date. */
export async function findLink(token: string): Promise<Link | undefined> {
  if (!/^[\w-]{32}$/.test(token)) return undefined;
  const [row] = await rawRows<{
    link_id: string;
    salon_id: string;
    salon_name: string;
    kind: 'invitation' | 'reset';
    role: Role | null;
    person_id: string | null;
    person_name: string | null;
    email: string | null;
  }>(database(), 'select * from find_link(?)', [hashOfSecret(token)]);
  return (
    row && {
      linkId: row.link_id,
      salonId: row.salon_id,
      salonName: row.salon_name,
      kind: row.kind,
      role: row.role,
      personId: row.person_id,
      personName: row.person_name,
      email: row.email,
    }
  );
}

const GONE: Changed = {
  ok: false,
  problem: 'This link was used already, withdrawn, or has expired. Ask the owner for a new one.',
};

/** Uses a link once; both sides of a race cannot. */
async function spend(trx: Parameters<typeof leaveTrail>[0], linkId: string): Promise<boolean> {
  return (
    (await trx('access_link')
      .where({ id: linkId })
      .whereNull('used_at')
      .whereNull('revoked_at')
      .update({ used_at: trx.fn.now() })) > 0
  );
}

/** Lets a new person in by an invitation. */
export async function join(
  token: string,
  fields: { name: string; email: string; password: string },
): Promise<Changed> {
  const link = await findLink(token);
  // The database has no invitation without a role.
  if (link?.kind !== 'invitation' || !link.role) return GONE;
  const { role } = link;
  const password_hash = await hashPassword(fields.password);
  try {
    return await inSalon(link.salonId, async (trx) => {
      if (!(await spend(trx, link.linkId))) return GONE;
      const [person] = await trx('person')
        .insert({
          salon_id: link.salonId,
          name: fields.name,
          email: fields.email.toLowerCase(),
          role,
          password_hash,
        })
        .returning('id');
      await leaveTrail(trx, { salonId: link.salonId, personId: person.id }, 'person-joined', {
        words: `${fields.name}, ${role}`,
      });
      return { ok: true };
    });
  } catch (error) {
    // The address may belong to somebody of another salon, which nobody here may see: only the server knows.
    if ((error as { constraint?: string }).constraint === 'person_email')
      return { ok: false, problem: 'E-mail: this address signs in somebody already.' };
    throw error;
  }
}

/** Sets a new password by a reset link; every session of that person ends. */
export async function resetPassword(token: string, password: string): Promise<Changed> {
  const link = await findLink(token);
  if (!link || link.kind !== 'reset' || link.personId === null) return GONE;
  const { personId } = link;
  const password_hash = await hashPassword(password);
  return inSalon(link.salonId, async (trx) => {
    if (!(await spend(trx, link.linkId))) return GONE;
    await trx('person').where({ id: personId }).update({ password_hash });
    await revokeSessions(trx, link.salonId, { person_id: personId });
    await leaveTrail(trx, { salonId: link.salonId, personId }, 'password-set', { words: 'by a link' });
    return { ok: true };
  });
}
