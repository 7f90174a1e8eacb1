import { keysOf } from '@/core/units';
import { asRow, clientRows, type Client, type ClientFields } from './client-fields';
import { insertClient } from './clients';
import { inSalon, type Actor, type Transaction } from './database';
import { leaveTrail } from './trail';
import { openVisit } from './visits';

export type ClientSaved =
  { readonly ok: true } | { readonly ok: false; readonly reason: 'stale' | 'missing' };

const FIELD_WORDS = {
  name: 'name',
  phone: 'phone',
  email: 'e-mail',
  note: 'note',
  bornOn: 'birthday',
} as const;

/**
 * Changes what is written down of a client, unless somebody changed it since `baseRevision`: then nothing is
 * written.
 */
export function changeClient(
  actor: Actor,
  clientId: string,
  baseRevision: number,
  fields: ClientFields,
): Promise<ClientSaved> {
  return inSalon(actor.salonId, async (trx) => {
    const [before] = await clientRows(trx, (query) => query.where({ id: clientId }).forUpdate());
    if (!before) return { ok: false, reason: 'missing' };
    if (before.revision !== baseRevision) return { ok: false, reason: 'stale' };
    await writeChange(trx, actor, before, fields);
    return { ok: true };
  });
}

async function writeChange(
  trx: Transaction,
  actor: Actor,
  before: Client,
  fields: ClientFields,
): Promise<void> {
  const changes = keysOf(FIELD_WORDS)
    .filter((key) => before[key] !== fields[key])
    .map((key) => ({ where: FIELD_WORDS[key], from: before[key] || 'none', to: fields[key] || 'none' }));
  if (changes.length === 0) return;
  await trx('client')
    .where({ id: before.id })
    .update({ ...asRow(fields), revision: before.revision + 1 });
  await leaveTrail(trx, actor, 'client-changed', { clientId: before.id, changes });
}

/** Archives a client, or restores them. @returns whether the salon has them */
export function archiveClient(actor: Actor, clientId: string, away: boolean): Promise<boolean> {
  return inSalon(actor.salonId, async (trx) => {
    const [client] = await clientRows(trx, (query) => query.where({ id: clientId }).forUpdate());
    if (!client) return false;
    if (client.archived === away) return true;
    await trx('client')
      .where({ id: clientId })
      .update({ archived_at: away ? trx.fn.now() : null });
    await leaveTrail(trx, actor, away ? 'client-archived' : 'client-restored', { clientId });
    return true;
  });
}

/**
 * A client who walks in: the client and the visit of today in one act, once for one id.
 * @returns the visit's id
 */
export function walkIn(actor: Actor, fields: ClientFields, today: string, id?: string): Promise<string> {
  return inSalon(actor.salonId, async (trx) => {
    const clientId = await insertClient(trx, actor, fields, id);
    const open = await trx('visit').where({ client_id: clientId, held_on: today }).select('id').first();
    return open?.id ?? (await openVisit({ trx, actor, clientId, heldOn: today }))!;
  });
}

/** Clients by id, in the order of their ids: those after one, so many. */
export function pageOfClients(
  actor: Actor,
  { after, limit, archived }: { readonly after?: string; readonly limit: number; readonly archived: boolean },
): Promise<Client[]> {
  return inSalon(actor.salonId, (trx) =>
    clientRows(trx, (query) => {
      const page = archived ? query.whereNotNull('archived_at') : query.whereNull('archived_at');
      return (after ? page.where('id', '>', after) : page).orderBy('id').limit(limit);
    }),
  );
}

/** One client's fields; undefined when the salon has none of that id. */
export function clientFieldsOf(actor: Actor, clientId: string): Promise<Client | undefined> {
  return inSalon(
    actor.salonId,
    async (trx) => (await clientRows(trx, (query) => query.where({ id: clientId })))[0],
  );
}

/** All clients of a salon that are not put away, by name. */
export function allClients(actor: Actor): Promise<Client[]> {
  return inSalon(actor.salonId, (trx) =>
    clientRows(trx, (query) => query.whereNull('archived_at').orderByRaw('lower(name), id')),
  );
}

/**
 * Takes a table of clients over, all of it or nothing: those that are new, and those that it changes, unless
 * somebody changed
 * one of them since the table was looked at.
 */
export function importClients(
  actor: Actor,
  added: readonly ClientFields[],
  changed: readonly { readonly id: string; readonly revision: number; readonly fields: ClientFields }[],
): Promise<ClientSaved> {
  return inSalon(actor.salonId, async (trx): Promise<ClientSaved> => {
    const before = new Map(
      (
        await clientRows(trx, (query) =>
          query
            .whereIn(
              'id',
              changed.map(({ id }) => id),
            )
            .forUpdate(),
        )
      ).map((clientRow) => [clientRow.id, clientRow]),
    );
    for (const { id, revision } of changed) {
      if (!before.has(id)) return { ok: false, reason: 'missing' };
      if (before.get(id)!.revision !== revision) return { ok: false, reason: 'stale' };
    }
    for (const fields of added) await insertClient(trx, actor, fields);
    for (const { id, fields } of changed) await writeChange(trx, actor, before.get(id)!, fields);
    return { ok: true };
  });
}
