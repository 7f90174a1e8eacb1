import { database, inSalon, type Actor } from './database';
import { hashOfSecret, newSecret } from './secrets';
import type { Role } from './sessions';
import type { ApiTokenRow } from './tables';
import { leaveTrail } from './trail';
import { rawRows } from './raw-rows';

/** A token with which a tool of the salon reads and writes, in somebody's name. */
export interface ApiToken {
  readonly id: string;
  readonly name: string;
  readonly scopes: readonly string[];
  readonly personName: string;
  readonly createdAt: string;
  readonly usedAt: string | null;
}

/** Who asks with a token. */
export interface TokenHolder extends Actor {
  readonly personName: string;
  readonly role: Role;
  readonly salonName: string;
  readonly scopes: readonly string[];
  /** Name of the token: the trail says by which tool. */
  readonly via: string;
  /** Requests with it in this minute, this one counted. */
  readonly requests: number;
}

type ListedRow = Pick<ApiTokenRow, 'id' | 'name' | 'scopes' | 'created_at' | 'used_at'> & { person: string };

/** Says at sight what it is, should it turn up where it does not belong. */
const PREFIX = 'lattice_';

/**
 * Makes a token.
 * @returns its secret, which is kept nowhere; undefined where nobody of that id works in the salon
 */
export function makeToken(
  owner: Actor,
  {
    name,
    scopes,
    personId,
  }: { readonly name: string; readonly scopes: readonly string[]; readonly personId: string },
): Promise<string | undefined> {
  const secret = PREFIX + newSecret(32);
  return inSalon(owner.salonId, async (trx) => {
    const person = await trx('person').where({ id: personId, active: true }).select('name').first();
    if (!person) return undefined;
    await trx('api_token').insert({
      salon_id: owner.salonId,
      name,
      secret_hash: hashOfSecret(secret),
      scopes,
      person_id: personId,
      created_by: owner.personId,
    });
    await leaveTrail(trx, owner, 'token-made', { words: `${name}, as ${person.name}: ${scopes.join(', ')}` });
    return secret;
  });
}

/** Tokens that work, newest first. */
export function listTokens(owner: Actor): Promise<ApiToken[]> {
  return inSalon(owner.salonId, async (trx) => {
    const rows = await trx('api_token as t')
      .join('person as p', 'p.id', 't.person_id')
      .whereNull('t.revoked_at')
      .where('p.active', true)
      .orderBy('t.created_at', 'desc')
      .select<ListedRow[]>('t.id', 't.name', 't.scopes', 't.created_at', 't.used_at', 'p.name as person');
    return rows.map(({ id, name, scopes, created_at, used_at, person }) => ({
      id,
      name,
      scopes,
      personName: person,
      createdAt: created_at.toISOString(),
      usedAt: used_at?.toISOString() ?? null,
    }));
  });
}

/** Withdraws a token. @returns whether there was one to withdraw */
export function revokeToken(owner: Actor, tokenId: string): Promise<boolean> {
  return inSalon(owner.salonId, async (trx) => {
    const [row] = await trx('api_token')
      .where({ id: tokenId })
      .whereNull('revoked_at')
      .update({ revoked_at: trx.fn.now() })
      .returning('name');
    if (row) await leaveTrail(trx, owner, 'token-revoked', { words: row.name });
    return row !== undefined;
  });
}

/** Who asks with a secret, counted; undefined for one that opens nothing, or no longer. */
export async function holderOf(secret: string): Promise<TokenHolder | undefined> {
  if (!/^lattice_[\w-]{43}$/.test(secret)) return undefined;
  const [row] = await rawRows<{
    salon_id: string;
    salon_name: string;
    person_id: string;
    person_name: string;
    role: Role;
    scopes: string[];
    token_name: string;
    requests: number;
  }>(database(), 'select * from token_used(?)', [hashOfSecret(secret)]);
  return (
    row && {
      salonId: row.salon_id,
      salonName: row.salon_name,
      personId: row.person_id,
      personName: row.person_name,
      role: row.role,
      scopes: row.scopes,
      via: row.token_name,
      requests: row.requests,
    }
  );
}
