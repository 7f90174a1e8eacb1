'use client';

import { timersOf } from '@/core/chair';
import type { LinkSnapshot } from './service-link';
import { until } from './words';

/** Timers of other clients, a line each: pressed, that service comes into sight. */
export function OtherClients({ snapshots, now, onShow }: { snapshots: readonly LinkSnapshot[]; now: number; onShow(visitId: string): void }) {
  return (
    <nav aria-label="Other clients" className="border-b border-line bg-leaf-pale">
      {snapshots.map(({ visitId, service, state }) => {
        const { oldest, nextCheck, nextLimit, ready } = timersOf(service!.script, state!, now);
        return (
          <button key={visitId} type="button" onClick={() => onShow(visitId)} className="flex h-11 w-full items-center gap-6 px-4 text-left text-lg hover:bg-raised">
            <b className="wide">{service!.clientName}</b>
            <span>oldest foil <b>{oldest ? `${Math.floor(oldest.minutes)} min` : 'none on'}</b></span>
            {nextCheck && <span>check <b>{until(nextCheck.due, now)}</b></span>}
            {nextLimit && <span>limit <b>{until(nextLimit.due, now)}</b></span>}
            {ready.count > 0 && <span><b>{ready.count} ready</b></span>}
            <span className="ml-auto text-base font-semibold text-leaf">Show</span>
          </button>
        );
      })}
    </nav>
  );
}
