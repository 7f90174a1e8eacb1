'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Pose, Stage } from '@/core/formats';
import type { PhotoKind, PhotosOfClient } from './queries';

/** By what is sent, the id that it has: chosen again after an answer that was lost, it is the same photo. */
const ids = new Map<string, string>();

function idOf(sent: string): string {
  const id = ids.get(sent) ?? crypto.randomUUID();
  ids.set(sent, id);
  return id;
}

/** The photos of one kind of a client, archived ones apart, and a way to add one. */
export function usePhotos(clientId: string, kind: PhotoKind, visitId: string | null) {
  const [kept, setKept] = useState<PhotosOfClient>();
  const [state, setState] = useState<{ busy: boolean; problem?: string }>({ busy: false });
  const load = useCallback(async () => {
    try {
      const answer = await fetch(`/api/clients/${clientId}/photos`, { cache: 'no-store' });
      if (answer.ok) setKept((await answer.json()) as PhotosOfClient);
    } catch {
      // Without the network the photos that are shown stay.
    }
  }, [clientId]);
  useEffect(() => {
    // Read after the first paint: photos do not hold the conversation up.
    // oxlint-disable-next-line react-hooks/set-state-in-effect
    void load();
  }, [load]);
  const add = async (file: File, posed?: { readonly pose: Pose; readonly stage: Stage }) => {
    setState({ busy: true });
    const form = new FormData();
    form.set('file', file);
    form.set('kind', kind);
    form.set('id', idOf(`${clientId} ${kind} ${file.name} ${file.size} ${file.lastModified}`));
    if (visitId) form.set('visitId', visitId);
    if (posed) for (const [name, own] of Object.entries(posed)) form.set(name, own);
    try {
      const answer = await fetch(`/api/clients/${clientId}/photos`, { method: 'POST', body: form });
      const { problem } = (await answer.json()) as { problem?: string };
      setState({ busy: false, problem: problem && `${file.name}: ${problem}` });
    } catch {
      setState({
        busy: false,
        problem: `${file.name} could not be sent: is the network there? Choose it again.`,
      });
    }
    await load();
  };
  const shown = useMemo(() => {
    const own = kept?.photos.filter((photo) => photo.kind === kind);
    return {
      photos: own?.filter(({ archived }) => !archived),
      archived: own?.filter(({ archived }) => archived) ?? [],
    };
  }, [kept, kind]);
  return { ...shown, mayDelete: kept?.mayDelete ?? false, load, add, ...state };
}
