import { asRow, clientRows } from './client-fields';
import { inSalon, type Actor, type Transaction } from './database';
import { leaveTrail } from './trail';
import type { ClientRow } from './tables';

/** What of a client moves to another when two records of one person become one. */
const MOVED = [
  'visit',
  'hair_test',
  'consent',
  'photo',
  'appointment',
  'reminder',
  'client_page',
  'client_answer',
] as const;
const MOST_NOTE = 2000;

/** What two records had and a merge wrote over, to be taken back. */
interface Before {
  readonly phone: string;
  /** Not in those that were made before there was one. */
  readonly email?: string;
  readonly bornOn: string | null;
  readonly note: string;
  /** Whether the other record was put away before. */
  readonly away: boolean;
}

/**
 * Both notes as one; where they do not fit, the one stays, and the other is kept as a further note with its
 * own record.
 */
function joinedNote(into: string, from: string): string {
  const whole = [into, from === into ? '' : from].filter(Boolean).join(' · ');
  return whole.length <= MOST_NOTE ? whole : into;
}

/**
 * Makes two records of one person one: everything of `fromId` becomes `intoId`'s, whose own fields stay; a
 * phone,
 * e-mail, birthday or note that is missing there is taken over. The other record is put away with a pointer
 * to it, and nothing of it is lost.
 * @returns how many visits moved; undefined when either is not there, or both are the same
 */
export function mergeClients(
  actor: Actor,
  fromId: string,
  intoId: string,
): Promise<{ visits: number } | undefined> {
  return inSalon(actor.salonId, async (trx) => {
    const rows = await clientRows(trx, (query) =>
      query.whereIn('id', [fromId, intoId]).orderBy('id').forUpdate(),
    );
    const [from, into] = [fromId, intoId].map((id) => rows.find((row) => row.id === id));
    if (!from || !into || fromId === intoId) return undefined;
    // One client has one set of open answers: those of the record that goes are put away, not lost.
    if (
      await trx('client_answer').where({ client_id: intoId }).whereNull('settled_at').select('id').first()
    ) {
      await trx('client_answer')
        .where({ client_id: fromId })
        .whereNull('settled_at')
        .update({ settled_at: trx.fn.now(), settled_by: actor.personId });
    }
    const moved: Record<string, string[]> = {};
    for (const table of MOVED) {
      moved[table] = (
        await trx(table).where({ client_id: fromId }).update({ client_id: intoId }).returning('id')
      ).map(({ id }) => id);
    }
    await trx('client')
      .where({ id: intoId })
      .update({
        ...asRow({
          name: into.name,
          phone: into.phone || from.phone,
          email: into.email || from.email,
          bornOn: into.bornOn ?? from.bornOn,
          note: joinedNote(into.note, from.note),
        }),
        revision: into.revision + 1,
        archived_at: null,
      });
    moved.client = (
      await trx('client').where({ merged_into: fromId }).update({ merged_into: intoId }).returning('id')
    ).map(({ id }) => id);
    await trx('client').where({ id: fromId }).update({ merged_into: intoId, archived_at: trx.fn.now() });
    const before: Before = {
      phone: into.phone,
      email: into.email,
      bornOn: into.bornOn,
      note: into.note,
      away: from.archived,
    };
    await trx('client_merge').insert({
      salon_id: actor.salonId,
      from_id: fromId,
      into_id: intoId,
      moved: JSON.stringify(moved),
      before: JSON.stringify(before),
      person_id: actor.personId,
    });
    const many = (table: string, word: string) =>
      `${moved[table].length} ${word}${moved[table].length === 1 ? '' : 's'}`;
    const words = `${from.name} into ${into.name}: ${many('visit', 'visit')}, ${many('photo', 'photo')}, ${many('hair_test', 'test')}`;
    await leaveTrail(trx, actor, 'client-merged', { clientId: intoId, words });
    await leaveTrail(trx, actor, 'client-merged', { clientId: fromId, words });
    return { visits: moved.visit.length };
  });
}

/** A record that was merged into a client’s. */
export interface Merge {
  /** To take it back by; null where another merge came later, or it is from before merges were kept. */
  readonly mergeId: string | null;
  readonly clientId: string;
  readonly name: string;
  readonly phone: string;
  /** Its note where that did not fit with the client’s own; otherwise empty. */
  readonly furtherNote: string;
}

/** Records that were merged into a client’s, the newest first. @param note the client’s own */
export async function mergesInto(trx: Transaction, clientId: string, note: string): Promise<Merge[]> {
  const rows = await trx('client as c')
    .leftJoin('client_merge as m', (on) =>
      on.on('m.from_id', 'c.id').andOnNull('m.undone_at').andOnVal('m.into_id', clientId),
    )
    .where('c.merged_into', clientId)
    .orderBy([{ column: 'm.at', order: 'desc', nulls: 'last' }, 'c.name'])
    .select<(Pick<ClientRow, 'id' | 'name' | 'phone' | 'note'> & { merge_id: string | null })[]>(
      'm.id as merge_id',
      'c.id',
      'c.name',
      'c.phone',
      'c.note',
    );
  return rows.map(({ merge_id, id, name, phone, note: own }, i) => ({
    mergeId: i === 0 ? merge_id : null,
    clientId: id,
    name,
    phone,
    furtherNote: note.includes(own) ? '' : own,
  }));
}

export type MergeUndone =
  | { readonly ok: true; readonly fromId: string }
  | { readonly ok: false; readonly reason: 'missing' | 'later-first' };

/**
 * Takes a merge back: the other record stands again with all that moved and is still here. Phone, e-mail,
 * birthday and note go back to what
 * they were where nobody has changed them since. Of two merges the later one goes first.
 */
export function undoMerge(actor: Actor, mergeId: string): Promise<MergeUndone> {
  return inSalon(actor.salonId, async (trx): Promise<MergeUndone> => {
    const merge = await trx('client_merge').where({ id: mergeId }).whereNull('undone_at').forUpdate().first();
    if (!merge) return { ok: false, reason: 'missing' };
    const { from_id: fromId, into_id: intoId } = merge;
    // Written by mergeClients, and by nothing else.
    const { moved, before } = merge as { moved: Record<string, string[]>; before: Before };
    const later = await trx('client_merge')
      .where({ into_id: intoId })
      .whereNull('undone_at')
      .whereRaw('at > (select own.at from client_merge own where own.id = ?)', [mergeId])
      .select('id')
      .first();
    const gone = await trx('client').where({ id: intoId }).whereNotNull('merged_into').select('id').first();
    if (later || gone) return { ok: false, reason: 'later-first' };
    const [into] = await clientRows(trx, (query) => query.where({ id: intoId }).forUpdate());
    const from = await trx('client').where({ id: fromId }).forUpdate().first();
    if (!into || !from) return { ok: false, reason: 'missing' };
    for (const table of MOVED)
      await trx(table)
        .whereIn('id', moved[table] ?? [])
        .where({ client_id: intoId })
        .update({ client_id: fromId });
    await trx('client')
      .whereIn('id', moved.client)
      .where({ merged_into: intoId })
      .update({ merged_into: fromId });
    await trx('client')
      .where({ id: fromId })
      .update({ merged_into: null, archived_at: before.away ? from.archived_at : null });
    await trx('client')
      .where({ id: intoId })
      .update({
        ...asRow({
          name: into.name,
          phone: into.phone === (before.phone || from.phone) ? before.phone : into.phone,
          email: into.email === (before.email || from.email) ? (before.email ?? '') : into.email,
          bornOn: into.bornOn === (before.bornOn ?? from.born_on) ? before.bornOn : into.bornOn,
          note: into.note === joinedNote(before.note, from.note) ? before.note : into.note,
        }),
        revision: into.revision + 1,
      });
    await trx('client_merge').where({ id: mergeId }).update({ undone_at: trx.fn.now() });
    const words = `${from.name} out of ${into.name} again`;
    await leaveTrail(trx, actor, 'client-unmerged', { clientId: intoId, words });
    await leaveTrail(trx, actor, 'client-unmerged', { clientId: fromId, words });
    return { ok: true, fromId };
  });
}

/** Where a record that was merged away went; undefined when it was not. */
export function mergedInto(actor: Actor, clientId: string): Promise<string | undefined> {
  return inSalon(
    actor.salonId,
    async (trx) =>
      (await trx('client').where({ id: clientId }).select('merged_into').first())?.merged_into ?? undefined,
  );
}
