import 'server-only';
import { POSES, STAGES } from '@/core/formats';
import { addPhoto, listPhotos, photoBytes, type Photo, type PhotoKind } from '@/data/photos';
import { MOST_BYTES, readPicture } from '@/data/picture';
import { may } from '../session/who-may';
import type { SignedIn } from '../session/signed-in';
import { isId } from '../shared';

export type { Photo, PhotoKind };

export type Uploaded =
  | { readonly ok: true; readonly photoId: string }
  | { readonly ok: false; readonly status: number; readonly problem: string };
export const MOST_REQUEST_BYTES = MOST_BYTES + 100_000;

const MISSING = { ok: false, status: 404, problem: 'This salon has no such client or visit.' } as const;

/** Reads an uploaded picture and keeps it; nothing is kept of one that cannot be used. */
export async function uploadPhoto(person: SignedIn, clientId: string, form: FormData): Promise<Uploaded> {
  const file = form.get('file');
  const kind = String(form.get('kind'));
  const visitId = String(form.get('visitId') ?? '');
  const id = String(form.get('id') ?? '');
  if (!(file instanceof File)) return { ok: false, status: 400, problem: 'Choose a picture first.' };
  if (kind !== 'wish' && kind !== 'hair')
    return { ok: false, status: 400, problem: 'kind: must be wish or hair.' };
  const pose = POSES.find((other) => other === form.get('pose')) ?? null;
  const stage = STAGES.find((other) => other === form.get('stage')) ?? null;
  if ((form.has('pose') || form.has('stage')) && (pose === null || stage === null))
    return {
      ok: false,
      status: 400,
      problem: `pose: must be one of ${POSES.join(', ')}, with stage before or after.`,
    };
  if (!isId(clientId) || (visitId !== '' && !isId(visitId))) return MISSING;
  const read = await readPicture(Buffer.from(await file.arrayBuffer()));
  if (!read.ok) return { ok: false, status: 422, problem: read.problem };
  const photoId = await addPhoto(person, clientId, {
    visitId: visitId || null,
    kind: kind as PhotoKind,
    note: '',
    picture: read.value,
    posed: { pose, stage },
    id: isId(id) ? id : undefined,
  });
  return photoId ? { ok: true, photoId } : MISSING;
}

/** A photo's bytes; undefined when the salon has none of that id. */
export async function photoFile(
  person: SignedIn,
  photoId: string,
  size: string,
): Promise<Buffer | undefined> {
  return isId(photoId) && (size === 'full' || size === 'small')
    ? photoBytes(person, photoId, size)
    : undefined;
}

/** The photos of a client, and whether whoever asks may delete them. */
export interface PhotosOfClient {
  readonly photos: readonly Photo[];
  readonly mayDelete: boolean;
}

/** The photos of a client. */
export async function photosFor(person: SignedIn, clientId: string): Promise<PhotosOfClient> {
  return {
    photos: isId(clientId) ? await listPhotos(person, clientId) : [],
    mayDelete: may(person.role, 'deletePhoto'),
  };
}
