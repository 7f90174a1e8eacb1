'use client';

import { useId, useState } from 'react';
import type { Swatch } from '@/core/photo';
import { Button } from '@/ui/button';
import { buttonLook } from '@/ui/button-look';
import { Dialog } from '@/ui/dialog';
import { useCalendar } from '../house/calendar';
import { PhotoTool } from './photo-tool';
import { photoAddress } from './address';
import type { Photo, PhotoKind } from './queries';
import { usePhotos } from './use-photos';

interface PhotoSetProps {
  clientId: string;
  /** The visit that new pictures belong to; null for none. */
  visitId: string | null;
  kind: PhotoKind;
  /** Takes a regrowth that was measured on a photo over. */
  onRegrowth?(mm: number): void;
  /** Takes a level that was read from a photo over. */
  onLevel?(level: number): void;
  onColour?(as: 'base' | 'light', swatch: Swatch): void;
}

/** The client's own set of pictures of a kind: added, opened, and laid side by side. */
export function PhotoSet({ clientId, visitId, kind, onRegrowth, onLevel, onColour }: PhotoSetProps) {
  const { photos, archived, mayDelete, load, add, busy, problem } = usePhotos(clientId, kind, visitId);
  const [open, setOpen] = useState<string>();
  const [beside, setBeside] = useState<readonly string[]>([]);
  const [comparing, compare] = useState(false);
  const file = useId();
  const sayPhoto = useSaidPhoto();
  const shown = [...(photos ?? []), ...archived].find(({ id }) => id === open);
  const pair = beside.flatMap((id) => photos?.find((photo) => photo.id === id) ?? []);
  return (
    <div className="grid gap-3">
      <ul className="flex flex-wrap gap-3">
        {photos?.map((photo) => (
          <li key={photo.id} className="grid w-[104px] gap-1">
            <Thumb photo={photo} onOpen={setOpen} />
            <label className="flex items-center gap-1.5 text-xs">
              <input
                type="checkbox"
                checked={beside.includes(photo.id)}
                onChange={(event) =>
                  setBeside((all) =>
                    event.target.checked ? [...all, photo.id].slice(-2) : all.filter((id) => id !== photo.id),
                  )
                }
              />
              side by side
            </label>
          </li>
        ))}
      </ul>
      <div className="flex items-center gap-3">
        <label
          htmlFor={file}
          className={`${buttonLook('plain', true)} focus-within:outline-2 focus-within:outline-leaf`}
        >
          {busy ? 'Reading …' : 'Add a picture'}
          <input
            id={file}
            type="file"
            accept="image/jpeg,image/png,image/webp,image/heic,image/heif,.heic"
            className="sr-only"
            disabled={busy}
            onChange={(event) => {
              const chosen = event.target.files?.[0];
              if (chosen) void add(chosen);
              event.target.value = '';
            }}
          />
        </label>
        {pair.length === 2 && (
          <Button small onClick={() => compare(true)}>
            Side by side
          </Button>
        )}
        {photos?.length === 0 && !busy && (
          <p className="text-sm text-ink-soft">
            {kind === 'wish'
              ? 'None yet. Mark what is liked on them, and what is not.'
              : 'None yet. A comb or ruler in the picture gives the scale.'}
          </p>
        )}
      </div>
      {archived.length > 0 && (
        <details>
          <summary className="cursor-pointer text-sm font-semibold">Archived ({archived.length})</summary>
          <ul className="mt-2 flex flex-wrap gap-3">
            {archived.map((photo) => (
              <li key={photo.id} className="grid w-[104px]">
                <Thumb photo={photo} onOpen={setOpen} />
              </li>
            ))}
          </ul>
        </details>
      )}
      {problem && (
        <p role="alert" className="text-sm font-semibold text-rowan">
          {problem}
        </p>
      )}
      <Dialog
        open={shown !== undefined}
        onOpenChange={() => setOpen(undefined)}
        title={kind === 'wish' ? 'What is wished for' : 'Picture of the hair'}
        wide
      >
        {shown && (
          <PhotoTool
            key={shown.id}
            photo={shown}
            mayDelete={mayDelete}
            onChanged={load}
            onGone={() => {
              setOpen(undefined);
              void load();
            }}
            onRegrowth={
              onRegrowth &&
              ((mm) => {
                onRegrowth(mm);
                setOpen(undefined);
              })
            }
            onColour={
              onColour &&
              ((as, swatch) => {
                onColour(as, swatch);
                setOpen(undefined);
              })
            }
            onLevel={
              onLevel &&
              ((level) => {
                onLevel(level);
                setOpen(undefined);
              })
            }
          />
        )}
      </Dialog>
      <Dialog open={comparing} onOpenChange={compare} title="Side by side" wide>
        <div className="grid grid-cols-2 gap-4">
          {pair.map((photo) => (
            <figure key={photo.id} className="grid gap-2">
              <img
                src={photoAddress(photo.id, 'full')}
                alt={sayPhoto(photo)}
                className="max-h-[70dvh] w-full rounded-ui bg-ink object-contain"
              />
              <figcaption className="text-sm">
                <b>
                  {photo.document.liked === null ? 'Not said' : photo.document.liked ? 'Liked' : 'Not liked'}
                </b>{' '}
                {photo.note}
                {photo.document.marks.map(
                  ({ words, liked }, i) =>
                    words && (
                      <span key={i} className="block text-ink-soft">
                        {liked ? 'liked' : 'not liked'}: {words}
                      </span>
                    ),
                )}
              </figcaption>
            </figure>
          ))}
        </div>
      </Dialog>
    </div>
  );
}

/** What a picture is called: its day and its note. */
function useSaidPhoto(): (photo: Photo) => string {
  const calendar = useCalendar();
  return ({ takenAt, note }) => `of ${calendar.dayOf(takenAt)}${note ? `, ${note}` : ''}`;
}

function Thumb({ photo, onOpen }: { photo: Photo; onOpen(id: string): void }) {
  const sayPhoto = useSaidPhoto();
  return (
    <button
      type="button"
      onClick={() => onOpen(photo.id)}
      aria-label={`Open the picture ${sayPhoto(photo)}`}
      className="relative h-[104px] overflow-hidden rounded-ui border border-edge bg-ink hover:border-ink"
    >
      {/* Bytes of the salon's own server, sized already. */}
      <img src={photoAddress(photo.id, 'small')} alt="" className="h-full w-full object-cover" />
      <Verdict liked={photo.document.liked} />
      {photo.fromClient && (
        <span className="absolute inset-x-0 bottom-0 bg-raised/90 px-1 py-0.5 text-xs font-semibold">
          from the client
        </span>
      )}
    </button>
  );
}

function Verdict({ liked }: { liked: boolean | null }) {
  if (liked === null) return null;
  return (
    <span
      className={`absolute right-1 bottom-1 rounded-ui px-1.5 py-0.5 text-2xs font-bold text-white ${liked ? 'bg-[#1d6b4c]' : 'bg-[#b8321f]'}`}
    >
      {liked ? 'liked' : 'not liked'}
    </span>
  );
}
