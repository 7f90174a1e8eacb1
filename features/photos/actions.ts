'use server';

import { parsePhoto } from '@/core/formats';
import { archivePhoto, changePhoto, removePhoto } from '@/data/photos';
import { currentPerson } from '../session/current';
import { isId, isRevision } from '../shared';

export type PhotoAnswer =
  { readonly ok: true; readonly revision: number } | { readonly ok: false; readonly problem: string };

const SIGNED_OUT = {
  ok: false,
  problem: 'This station is locked or signed out. Unlock it with your PIN or password.',
} as const;
const GONE = { ok: false, problem: 'There is no such photo any more.' } as const;

/** Saves a photo's note, marks and measures. */
export async function savePhoto(
  photoId: string,
  baseRevision: number,
  note: string,
  document: unknown,
): Promise<PhotoAnswer> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  const read = parsePhoto(document);
  if (!read.ok) return read;
  if (String(note).length > 500) return { ok: false, problem: 'Note: it is longer than 500 characters.' };
  if (!isId(photoId) || !isRevision(baseRevision)) return GONE;
  const saved = await changePhoto(person, photoId, baseRevision, {
    note: String(note).trim(),
    document: read.value,
  });
  if (saved.ok) return saved;
  return saved.reason === 'stale'
    ? {
        ok: false,
        problem:
          'Somebody marked this photo meanwhile. Nothing was overwritten; open it again to see theirs.',
      }
    : GONE;
}

export type PhotoDone = { readonly ok: true } | { readonly ok: false; readonly problem: string };

/** Archives a photo, or restores it. */
export async function putPhotoAside(photoId: string, archived: boolean): Promise<PhotoDone> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  return isId(photoId) && (await archivePhoto(person, photoId, archived === true)) ? { ok: true } : GONE;
}

/** Deletes an archived photo for good: the owner alone. */
export async function deletePhoto(photoId: string): Promise<PhotoDone> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  if (person.role !== 'owner') return { ok: false, problem: 'Only the owner can delete a picture for good.' };
  return isId(photoId) && (await removePhoto(person, photoId)) ? { ok: true } : GONE;
}
