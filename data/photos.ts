import { randomUUID } from 'node:crypto';
import { EMPTY_PHOTO, parsePhoto, type PhotoDocument } from '../core/formats';
import { hasClient } from './client-fields';
import { inSalon, type Actor, type Transaction } from './database';
import { stored } from './documents';
import { inDatabase, objectStore, PHOTO_SIZES, type PhotoSize } from './photo-store';
import type { ReadPicture } from './picture';
import { THEMSELVES } from './safety';
import { leaveTrail, type Author } from './trail';
import type { PhotoRow } from './tables';

/** A reference picture of what is wished for, or a picture of the client's hair. */
export type PhotoKind = 'wish' | 'hair';

export interface Photo {
  readonly id: string;
  readonly visitId: string | null;
  readonly kind: PhotoKind;
  readonly width: number;
  readonly height: number;
  readonly note: string;
  readonly document: PhotoDocument;
  readonly revision: number;
  readonly takenAt: string;
  readonly takenBy: string;
  /** It came from the client's own page. */
  readonly fromClient: boolean;
  /** It was put aside: it is shown among the archived ones only. */
  readonly archived: boolean;
}

/** The photos of a client, newest first. */
export function listPhotos(actor: Actor, clientId: string): Promise<Photo[]> {
  return inSalon(actor.salonId, (trx) => photosOf(trx, clientId));
}

type ShownRow = Omit<PhotoRow, 'salon_id' | 'client_id' | 'taken_by' | 'stored_in'> & { name: string | null };

/** The same within a transaction. */
export async function photosOf(trx: Transaction, clientId: string): Promise<Photo[]> {
  const rows = await trx('photo as f')
    .leftJoin('person as p', 'p.id', 'f.taken_by')
    .where('f.client_id', clientId)
    .orderBy('f.taken_at', 'desc')
    .select<ShownRow[]>(
      'f.id',
      'f.visit_id',
      'f.kind',
      'f.width',
      'f.height',
      'f.note',
      'f.document',
      'f.revision',
      'f.taken_at',
      'f.archived_at',
      'p.name',
    );
  return rows.map(
    ({ id, visit_id, kind, width, height, note, document, revision, taken_at, archived_at, name }) => ({
      id,
      visitId: visit_id,
      kind,
      width,
      height,
      note,
      document: stored('photo', parsePhoto(document)),
      revision,
      takenAt: taken_at.toISOString(),
      takenBy: name ?? THEMSELVES,
      fromClient: name === null,
      archived: archived_at !== null,
    }),
  );
}

/**
 * Keeps a picture of a client. In an object store the bytes are there before the row is, so no row ever
 * points at nothing.
 * @returns its id; undefined when the salon has no such client, or no such visit of theirs
 */
export async function addPhoto(
  actor: Author,
  clientId: string,
  photo: {
    visitId: string | null;
    kind: PhotoKind;
    note: string;
    picture: ReadPicture;
    posed?: Pick<PhotoDocument, 'pose' | 'stage'>;
    id?: string;
  },
): Promise<string | undefined> {
  const { picture } = photo;
  // The same picture sent again, after an answer that was lost, is there already.
  const known =
    photo.id !== undefined &&
    (await inSalon(actor.salonId, (trx) =>
      trx('photo').where({ id: photo.id, client_id: clientId }).select('id').first(),
    ));
  if (known) return photo.id;
  const photoId = photo.id ?? randomUUID();
  const objects = objectStore();
  const keyed = PHOTO_SIZES.map((size) => ({
    key: { salonId: actor.salonId, photoId, size },
    bytes: picture[size],
  }));
  const owned = (trx: Transaction) => isOwned(trx, clientId, photo.visitId);
  // Asked before anything is sent away, and again in the transaction that writes.
  if (objects && !(await inSalon(actor.salonId, owned))) return undefined;
  if (objects) await Promise.all(keyed.map(({ key, bytes }) => objects.put(key, bytes)));
  return inSalon(actor.salonId, async (trx) => {
    if (!(await owned(trx))) return undefined;
    await trx('photo').insert({
      id: photoId,
      salon_id: actor.salonId,
      client_id: clientId,
      visit_id: photo.visitId,
      kind: photo.kind,
      width: picture.width,
      height: picture.height,
      note: photo.note,
      document: JSON.stringify({ ...EMPTY_PHOTO, ...photo.posed }),
      stored_in: objects ? 'objects' : 'database',
      taken_by: actor.personId,
    });
    if (!objects) for (const { key, bytes } of keyed) await inDatabase.put(trx, key, bytes);
    await leaveTrail(trx, actor, 'photo-added', {
      clientId,
      visitId: photo.visitId ?? undefined,
      words: photo.kind === 'wish' ? 'what is wished for' : 'of the hair',
    });
    return photoId;
  });
}

async function isOwned(trx: Transaction, clientId: string, visitId: string | null): Promise<boolean> {
  if (!(await hasClient(trx, clientId))) return false;
  return (
    visitId === null ||
    (await trx('visit').where({ id: visitId, client_id: clientId }).select('id').first()) !== undefined
  );
}

/** A picture's bytes (JPEG); undefined when the salon has no such photo. */
export async function photoBytes(
  actor: Pick<Actor, 'salonId'>,
  photoId: string,
  size: PhotoSize,
): Promise<Buffer | undefined> {
  const key = { salonId: actor.salonId, photoId, size };
  const found = await inSalon(actor.salonId, async (trx) => {
    const photo = await trx('photo').where({ id: photoId }).select('stored_in').first();
    return (
      photo && {
        storedIn: photo.stored_in,
        bytes: photo.stored_in === 'database' ? await inDatabase.get(trx, key) : undefined,
      }
    );
  });
  return found?.storedIn === 'objects' ? objectStore()?.get(key) : found?.bytes;
}

export type PhotoSaved =
  | { readonly ok: true; readonly revision: number }
  | { readonly ok: false; readonly reason: 'stale' | 'missing' };

/** Saves a photo's note, marks and measures, unless somebody saved others since `baseRevision`. */
export function changePhoto(
  actor: Actor,
  photoId: string,
  baseRevision: number,
  change: { note: string; document: PhotoDocument },
): Promise<PhotoSaved> {
  return inSalon(actor.salonId, async (trx) => {
    const photo = await trx('photo')
      .where({ id: photoId })
      .forUpdate()
      .select('client_id', 'visit_id', 'revision', 'note', 'document')
      .first();
    if (!photo) return { ok: false, reason: 'missing' };
    if (photo.revision !== baseRevision) return { ok: false, reason: 'stale' };
    const revision = baseRevision + 1;
    await trx('photo')
      .where({ id: photoId })
      .update({ note: change.note, document: JSON.stringify(change.document), revision });
    const before = stored('photo', parsePhoto(photo.document));
    const words = [
      change.note !== photo.note && 'note',
      JSON.stringify(change.document.marks) !== JSON.stringify(before.marks) &&
        `${change.document.marks.length} marks`,
      JSON.stringify(change.document.lines) !== JSON.stringify(before.lines) &&
        change.document.lines.map(({ mm }) => `${mm.toFixed(1)} mm measured`).join(', '),
    ]
      .filter(Boolean)
      .join('; ');
    await leaveTrail(trx, actor, 'photo-changed', {
      clientId: photo.client_id,
      visitId: photo.visit_id ?? undefined,
      words,
    });
    return { ok: true, revision };
  });
}

/** Archives a photo, or takes it back from there. @returns whether the salon had it */
export function archivePhoto(actor: Actor, photoId: string, archived: boolean): Promise<boolean> {
  return inSalon(actor.salonId, async (trx) => {
    const photo = await trx('photo')
      .where({ id: photoId })
      .forUpdate()
      .select('client_id', 'visit_id', 'archived_at')
      .first();
    if (!photo) return false;
    if ((photo.archived_at !== null) === archived) return true;
    await trx('photo')
      .where({ id: photoId })
      .update({ archived_at: archived ? trx.fn.now() : null });
    await leaveTrail(trx, actor, archived ? 'photo-archived' : 'photo-restored', {
      clientId: photo.client_id,
      visitId: photo.visit_id ?? undefined,
    });
    return true;
  });
}

/**
 * Deletes an archived photo for good; whoever asks is the owner.
 * @returns whether the salon had it, archived
 */
export async function removePhoto(actor: Actor, photoId: string): Promise<boolean> {
  const storedIn = await inSalon(actor.salonId, async (trx) => {
    const [photo] = await trx('photo')
      .where({ id: photoId })
      .whereNotNull('archived_at')
      .delete()
      .returning(['client_id', 'visit_id', 'stored_in']);
    if (photo)
      await leaveTrail(trx, actor, 'photo-removed', {
        clientId: photo.client_id,
        visitId: photo.visit_id ?? undefined,
      });
    return photo?.stored_in;
  });
  if (storedIn === 'objects') await removeObjects(actor.salonId, [photoId]);
  return storedIn !== undefined;
}

/** Takes the bytes of photos out of the object store, after their rows are gone. */
export async function removeObjects(salonId: string, photoIds: readonly string[]): Promise<void> {
  const objects = objectStore();
  if (objects)
    await Promise.all(
      photoIds.flatMap((photoId) => PHOTO_SIZES.map((size) => objects.remove({ salonId, photoId, size }))),
    );
}
