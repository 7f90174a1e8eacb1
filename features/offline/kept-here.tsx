'use client';

import { useEffect, useState } from 'react';
import { calendarOf, DAY_FIRST } from '@/core/units';
import { Button } from '@/ui/button';
import { buttonLook } from '@/ui/button-look';
import type { VisitBundle } from '../visit/types';
import { keptVisits } from './kept-visits';

/** Gone to as a whole, so that the service worker answers. */
const PLACES = [
  ['/day', 'Day'],
  ['/clients', 'Clients'],
  ['/chair', 'Chair'],
] as const;

/** What opens without a network: the day, and the visits that this device keeps. */
export function KeptHere() {
  const [visits, setVisits] = useState<readonly VisitBundle[]>([]);
  useEffect(() => {
    void keptVisits().then(setVisits);
    // A network is not the server yet.
    const again = () =>
      void fetch('/healthz', { cache: 'no-store' }).then(
        (answer) => answer.ok && location.reload(),
        () => undefined,
      );
    window.addEventListener('online', again);
    return () => window.removeEventListener('online', again);
  }, []);
  return (
    <>
      <div className="flex flex-wrap gap-2">
        <Button look="primary" onClick={() => location.reload()}>
          Try again
        </Button>
        {PLACES.map(([href, words]) => (
          <a key={href} href={href} className={buttonLook()}>
            {words}
          </a>
        ))}
      </div>
      {visits.length > 0 && (
        <section aria-label="Kept on this device" className="mt-2">
          <h2 className="font-semibold">Visits on this device</h2>
          <ul className="mt-1 divide-y divide-line">
            {visits.map(({ id, client, heldOn }) => (
              <li key={id}>
                <a
                  href={`/visits/${id}/consult`}
                  className="flex min-h-11 items-center justify-between gap-3 hover:text-leaf"
                >
                  <b>{client.name}</b>
                  <span className="text-sm text-ink-soft">
                    {calendarOf({ calendar: DAY_FIRST, timeZone: 'UTC' }).day(heldOn)}
                  </span>
                </a>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
