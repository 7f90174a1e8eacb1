'use client';

import { useEffect, useState } from 'react';
import { Button } from '@/ui/button';
import { buttonLook } from '@/ui/button-look';
import type { VisitBundle } from '../visit/types';
import { keptVisits } from './kept-visits';

/** What opens without a network: the day, and the visits that this device keeps. */
export function KeptHere() {
  const [visits, setVisits] = useState<readonly VisitBundle[]>([]);
  useEffect(() => {
    void keptVisits().then(setVisits);
    const again = () => location.reload();
    window.addEventListener('online', again);
    return () => window.removeEventListener('online', again);
  }, []);
  return (
    <>
      <div className="flex flex-wrap gap-2">
        <Button look="primary" onClick={() => location.reload()}>Try again</Button>
        <a href="/day" className={buttonLook()}>Day</a>
        <a href="/clients" className={buttonLook()}>Clients</a>
        <a href="/chair" className={buttonLook()}>Chair</a>
      </div>
      {visits.length > 0 && (
        <section aria-label="Kept on this device" className="mt-2">
          <h2 className="font-semibold">Visits on this device</h2>
          <ul className="mt-1 divide-y divide-line">
            {visits.map(({ id, client, heldOn }) => <li key={id}><a href={`/visits/${id}/consult`} className="flex min-h-11 items-center justify-between gap-3 hover:text-leaf"><b>{client.name}</b><span className="text-sm text-ink-soft">{heldOn}</span></a></li>)}
          </ul>
        </section>
      )}
    </>
  );
}
