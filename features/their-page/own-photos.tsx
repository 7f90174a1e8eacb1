'use client';

import { useId, useState } from 'react';
import { buttonLook } from '@/ui/button-look';

/**
 * Pictures that the client gives, kept as strictly as those of the salon: shown on this page and inside,
 * nowhere else.
 */
export function OwnPhotos({ secret, photoIds }: { secret: string; photoIds: readonly string[] }) {
  const [ids, setIds] = useState(photoIds);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string>();
  const give = async (file: File, kind: 'wish' | 'hair') => {
    setBusy(true);
    setProblem(undefined);
    try {
      const form = new FormData();
      form.set('file', file);
      form.set('kind', kind);
      const response = await fetch(`/api/p/${secret}/photos`, { method: 'POST', body: form });
      const answer = (await response.json()) as { ok?: boolean; problem?: string; photoId: string };
      if (answer.ok) setIds((before) => [answer.photoId, ...before]);
      else setProblem(answer.problem);
    } catch {
      setProblem('The picture could not be sent: it may be too large, or there is no network. Try again.');
    } finally {
      setBusy(false);
    }
  };
  return (
    <div className="grid gap-3">
      {ids.length > 0 && (
        <ul className="grid grid-cols-4 gap-2">
          {ids.map((id, i) => (
            // Bytes that are the page's alone: the framework's pictures go through an address that others
            // could ask.
            <li key={id}>
              <img
                src={`/api/p/${secret}/photos/${id}`}
                alt={`Your picture ${i + 1}`}
                className="aspect-square w-full rounded-ui object-cover"
              />
            </li>
          ))}
        </ul>
      )}
      <div className="grid grid-cols-2 gap-3">
        <Give words="What I like" busy={busy} onFile={(file) => void give(file, 'wish')} />
        <Give words="My hair today" busy={busy} onFile={(file) => void give(file, 'hair')} />
      </div>
      {busy && (
        <p role="status" className="text-sm text-ink-soft">
          Sending the picture …
        </p>
      )}
      {problem && (
        <p role="alert" className="text-sm font-semibold text-rowan">
          {problem}
        </p>
      )}
    </div>
  );
}

function Give({ words, busy, onFile }: { words: string; busy: boolean; onFile(file: File): void }) {
  const id = useId();
  return (
    <div className="relative">
      <input
        id={id}
        type="file"
        accept="image/jpeg,image/png,image/webp,image/heic,image/heif,.heic"
        disabled={busy}
        className="peer sr-only"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
      <label htmlFor={id} className={`${buttonLook()} w-full cursor-pointer peer-focus-visible:outline-2`}>
        {words}
      </label>
    </div>
  );
}
