import { clientRows } from './client-fields';
import { inSalon, type Actor } from './database';
import { inDatabase, objectStore } from './photo-store';
import { photosOf, removeObjects } from './photos';
import { safetyOf } from './safety';
import { leaveTrail } from './trail';
import { rawRows } from './raw-rows';
import type { OutcomeRow, VisitRow } from './tables';

/**
 * Everything that is kept of one client, to be handed to them: their fields, visits with all their documents,
 * what happened at the chair and what was added afterwards, appointments, tests, consents,
 * reasons, photos with their bytes (JPEG, base64), and their trail.
 * @returns undefined when the salon has no such client
 */
export function exportClient(actor: Actor, clientId: string): Promise<Record<string, unknown> | undefined> {
  return inSalon(actor.salonId, async (trx) => {
    const [client] = await clientRows(trx, (query) => query.where({ id: clientId }));
    if (!client) return undefined;
    await leaveTrail(trx, actor, 'client-exported', { clientId });
    type Row = Pick<VisitRow, 'id' | 'held_on' | 'begun_at'> & Pick<OutcomeRow, 'signed_at'>;
    const visits = await trx('visit as v')
      .leftJoin('plan as l', 'l.visit_id', 'v.id')
      .leftJoin('mix as m', 'm.visit_id', 'v.id')
      .leftJoin('outcome as o', 'o.visit_id', 'v.id')
      .join('person as p', 'p.id', 'v.person_id')
      .where('v.client_id', clientId)
      .orderBy('v.held_on')
      .select<Row[]>(
        'v.id',
        'v.held_on',
        'v.begun_at',
        'v.consult',
        'l.document as plan',
        'm.document as mix',
        'o.document as outcome',
        'o.signed_at',
        'p.name as colourist',
      );
    const addenda = await trx('addendum as a')
      .join('person as p', 'p.id', 'a.person_id')
      .whereIn(
        'a.visit_id',
        visits.map(({ id }) => id),
      )
      .orderBy('a.at')
      .select('a.visit_id', 'a.at', 'a.words', 'p.name as by');
    const appointments = await trx('appointment as a')
      .join('person as p', 'p.id', 'a.person_id')
      .where('a.client_id', clientId)
      .orderBy('a.starts_at')
      .select(
        'a.id',
        'a.starts_at',
        'a.minutes',
        'a.kind',
        'a.state',
        'a.note',
        'a.visit_id',
        'a.redo_of',
        'p.name as colourist',
      );
    const reminders = await trx('reminder as r')
      .leftJoin('person as p', 'p.id', 'r.created_by')
      .where('r.client_id', clientId)
      .orderBy('r.created_at')
      .select(
        'r.id',
        'r.appointment_id',
        'r.about',
        'r.phone',
        'r.words',
        'r.state',
        'r.problem',
        'r.created_at',
        'r.sent_at',
        'p.name as by',
      );
    const { tests, consents } = await safetyOf(trx, clientId, null);
    const reasons = await trx('caution_reason')
      .whereIn(
        'visit_id',
        visits.map(({ id }) => id),
      )
      .orderBy('given_at')
      .select('visit_id', 'caution', 'seen', 'reason', 'given_at');
    const services = await trx('service')
      .whereIn(
        'visit_id',
        visits.map(({ id }) => id),
      )
      .select('visit_id', 'script', 'begun_at', 'finished_at');
    const happened = await trx('service_event as e')
      .join('person as p', 'p.id', 'e.person_id')
      .whereIn(
        'e.visit_id',
        visits.map(({ id }) => id),
      )
      .orderBy(['e.visit_id', 'e.position'])
      .select('e.visit_id', 'e.at', 'e.body', 'p.name as by');
    const photos = [];
    for (const photo of await photosOf(trx, clientId)) {
      const key = { salonId: actor.salonId, photoId: photo.id, size: 'full' as const };
      const bytes = (await inDatabase.get(trx, key)) ?? (await objectStore()?.get(key));
      photos.push({ ...photo, jpeg: bytes?.toString('base64') ?? null });
    }
    const answers = await trx('client_answer')
      .where({ client_id: clientId })
      .orderBy('changed_at')
      .select('document', 'changed_at', 'sent_at', 'settled_at');
    const trail = await trx('trail as t')
      .leftJoin('person as p', 'p.id', 't.person_id')
      .where('t.client_id', clientId)
      .orderBy('t.id')
      .select('t.at', 't.act', 't.details', 'p.name as by');
    return {
      format: 'dappled-lattice/client-record',
      version: 1,
      client,
      visits: visits.map(({ held_on, begun_at, signed_at, ...visit }) => ({
        ...visit,
        heldOn: held_on,
        begunAt: begun_at,
        signedAt: signed_at,
      })),
      addenda,
      appointments,
      reminders,
      tests,
      consents,
      reasons,
      services,
      happened,
      photos,
      answers,
      trail,
    };
  });
}

/**
 * Erases a client and all that is theirs; the trail keeps that it was done, when and by whom, and no word of
 * theirs.
 * @returns whether the salon had them
 */
export async function eraseClient(actor: Actor, clientId: string): Promise<boolean> {
  const objects: string[] = [];
  const erased = await inSalon(actor.salonId, async (trx) => {
    const photos = await trx('photo as f')
      .join('client as c', 'c.id', 'f.client_id')
      .where('f.stored_in', 'objects')
      .where((query) => void query.where('c.id', clientId).orWhere('c.merged_into', clientId))
      .select<{ id: string }[]>('f.id');
    objects.push(...photos.map(({ id }) => id));
    const [row] = await rawRows<{ erased: boolean }>(trx, 'select erase_client(?, ?) as erased', [
      clientId,
      actor.personId,
    ]);
    return row.erased;
  });
  if (erased) await removeObjects(actor.salonId, objects);
  return erased;
}
