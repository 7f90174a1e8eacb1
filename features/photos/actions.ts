'use server';

import type { Result } from '@/core/units';
import { parsePhoto } from '@/core/formats';
import { archivePhoto, changePhoto, removePhoto } from '@/data/photos';
import { signedIn } from '../session/signed-in';
import { isId, isRevision } from '../shared';

export type PhotoAnswer = Result<{ readonly revision: number }>;

const GONE = { ok: false, problem: 'There is no such photo any more.' } as const;

/** Saves a photo's note, marks and measures. */
export const savePhoto = signedIn(
  'savePhoto',
  async (
    person,
    photoId: string,
    baseRevision: number,
    note: string,
    document: unknown,
  ): Promise<PhotoAnswer> => {
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
  },
);

/** Archives a photo, or restores it. */
export const putPhotoAside = signedIn(
  'putPhotoAside',
  async (person, photoId: string, archived: boolean): Promise<Result> => {
    return isId(photoId) && (await archivePhoto(person, photoId, archived === true)) ? { ok: true } : GONE;
  },
);

/** Deletes an archived photo for good: the owner alone. */
export const deletePhoto = signedIn('deletePhoto', async (person, photoId: string): Promise<Result> => {
  return isId(photoId) && (await removePhoto(person, photoId)) ? { ok: true } : GONE;
});
