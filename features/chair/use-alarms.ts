'use client';

import { useEffect, useRef } from 'react';
import { alarmsOf, dueAlarms, type Alarm } from '@/core/chair';
import type { LinkSnapshot, ServiceLink } from './service-link';
import { call, isMuted } from './sound';

/** Raised so long after it was due, it says that it is late, ms. */
const LATE_MS = 2000;
/** Called again until somebody has heard, ms. */
const AGAIN_MS = 5000;

export interface Sounding extends Alarm {
  readonly visitId: string;
  readonly clientName: string;
  readonly late: boolean;
}

/** Alarms that sound: raised by whichever device, and not heard yet; the most urgent first. */
function soundingAlarms(snapshots: readonly LinkSnapshot[], now: number): Sounding[] {
  return snapshots
    .flatMap(({ visitId, service, state }) => {
      if (!service || !state) return [];
      return alarmsOf(service.script, state)
        .filter(({ key, due }) => due <= now && !state.silenced.has(key))
        .map((alarm): Sounding => ({
          ...alarm,
          visitId,
          clientName: service.clientName,
          late: state.raised.get(alarm.key)?.late ?? false,
        }));
    })
    .sort((a, b) => Number(b.urgent) - Number(a.urgent) || a.due - b.due);
}

/** Raises what is due on this device, in the records of its service, and sounds until it is heard. */
export function useAlarms(
  links: readonly ServiceLink[],
  snapshots: readonly LinkSnapshot[],
  now: number,
): Sounding[] {
  const called = useRef(0);
  const raised = useRef(new Set<string>());
  useEffect(() => {
    snapshots.forEach(({ service, state, visitId }) => {
      const link = links.find((serviceLink) => serviceLink.visitId === visitId);
      if (!service || !state || !link || now === 0) return;
      for (const { key, due } of dueAlarms(alarmsOf(service.script, state), state.raised, now)) {
        if (raised.current.has(`${visitId} ${key}`)) continue;
        raised.current.add(`${visitId} ${key}`);
        link.act({ kind: 'raised', alarm: key, due, late: now - due > LATE_MS });
      }
    });
  }, [links, snapshots, now]);
  const sounding = soundingAlarms(snapshots, now);
  const loudest = sounding.find(({ visitId }) => !isMuted(visitId));
  const voice = loudest ? links.findIndex(({ visitId }) => visitId === loudest.visitId) : 0;
  useEffect(() => {
    if (!loudest) {
      called.current = 0;
      return;
    }
    if (now - called.current < AGAIN_MS) return;
    called.current = now;
    call(loudest.urgent, Math.max(0, voice));
  }, [loudest, now, voice]);
  return sounding;
}
