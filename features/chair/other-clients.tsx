'use client';

import clsx from 'clsx';
import { useMemo } from 'react';
import { dueOf, MINUTE } from '@/core/chair';
import { Button } from '@/ui/button';
import type { LinkSnapshot } from './service-link';
import { isMuted, setMuted, useMuted } from './sound';
import { until } from './words';

/**
 * Other services of this device, a line each with what they are at and what is due next: pressed, one comes
 * into sight.
 */
export function OtherClients({
  snapshots,
  now,
  onShow,
}: {
  snapshots: readonly LinkSnapshot[];
  now: number;
  onShow(visitId: string): void;
}) {
  return (
    <nav aria-label="Other clients" className="border-b border-line bg-leaf-pale">
      {snapshots.map((snapshot) => (
        <ServiceLine key={snapshot.visitId} snapshot={snapshot} now={now} onShow={onShow} />
      ))}
    </nav>
  );
}

interface ServiceLineProps {
  snapshot: LinkSnapshot;
  now: number;
  onShow(visitId: string): void;
}

/** One service: its client, what it is at, what is due next; its sound can be switched off. */
export function ServiceLine({ snapshot: { visitId, service, state }, now, onShow }: ServiceLineProps) {
  // To the tenth of a minute: what is due does not change sooner.
  const moment = Math.floor(now / (MINUTE / 10)) * (MINUTE / 10);
  const due = useMemo(
    () => service && state && dueOf(service.script, state, moment),
    [service, state, moment],
  );
  const muted = useMuted(visitId);
  if (!due || !service) return null;
  const late = due.next !== null && due.next.at <= now;
  return (
    <div className="flex min-h-[52px] items-center gap-4 px-4 text-lg">
      <button
        type="button"
        onClick={() => onShow(visitId)}
        className="flex min-h-[52px] min-w-0 flex-1 items-center gap-5 text-left hover:underline"
      >
        <b className="wide">{service.clientName}</b>
        <span>{due.now}</span>
        {due.next && (
          <span className={clsx('min-w-0 flex-1 truncate', late && 'font-bold text-rowan')}>
            <b>{until(due.next.at, now)}</b>: {due.next.words}
          </span>
        )}
      </button>
      <Button
        look="quiet"
        aria-pressed={!muted}
        aria-label={`Sound for ${service.clientName}`}
        onClick={() => setMuted(visitId, !isMuted(visitId))}
      >
        {muted ? 'Sound off' : 'Sound on'}
      </Button>
    </div>
  );
}
