'use client';

import { useEffect, useRef, useState } from 'react';
import type { VisitPart } from '../visit/types';
import type { Colleague, Where } from './where';

interface Heard {
  /** A document was saved, by whomever. */
  saved(part: VisitPart, revision: number): void;
  /** Something beside the documents changed. */
  facts(): void;
  /** Something may have been missed. */
  missed(): void;
}

const AGAIN_MS = [1000, 2000, 4000, 8000];
/** The stream has a pulse every ten seconds; one that says nothing for so long has died without saying so. */
const SILENCE_MS = 25_000;
/** Somebody who passes through panels is told of once they stay. */
const STAYS_MS = 200;

/**
 * Tells others where this station is in a visit, and hears what they do, for as long as the page is seen.
 * @returns who else is there
 */
export function useTogether(visitId: string, where: Where, heard: Heard): readonly Colleague[] {
  const [people, setPeople] = useState<readonly Colleague[]>([]);
  const station = useRef<string>(undefined);
  const { step, panel } = where;
  const now = useRef({ where, heard });
  useEffect(() => {
    now.current = { where, heard };
  });

  useEffect(() => {
    let source: EventSource | undefined;
    let retry: ReturnType<typeof setTimeout> | undefined;
    let silence: ReturnType<typeof setTimeout> | undefined;
    let tries = 0;
    const close = () => {
      clearTimeout(retry);
      clearTimeout(silence);
      source?.close();
      source = undefined;
      station.current = undefined;
      setPeople([]);
    };
    const down = () => {
      close();
      retry = setTimeout(open, AGAIN_MS[Math.min(tries, AGAIN_MS.length - 1)]);
      tries += 1;
    };
    function open() {
      if (source || document.visibilityState !== 'visible') return;
      source = new EventSource(
        `/api/visits/${visitId}/stream?${new URLSearchParams(now.current.where).toString()}`,
      );
      source.onerror = down;
      const on = (name: string, does: (data: string) => void) =>
        source?.addEventListener(name, (event) => {
          clearTimeout(silence);
          silence = setTimeout(down, SILENCE_MS);
          does((event as MessageEvent<string>).data);
        });
      on('now', () => undefined);
      on('you', (data) => {
        station.current = JSON.parse(data) as string;
        tries = 0;
        // What happened before this page listened.
        now.current.heard.missed();
      });
      on('people', (data) => setPeople(JSON.parse(data) as Colleague[]));
      on('saved', (data) => {
        const { part, revision } = JSON.parse(data) as { part: VisitPart; revision: number };
        now.current.heard.saved(part, revision);
      });
      on('facts', () => now.current.heard.facts());
      on('missed', () => now.current.heard.missed());
    }
    const onVisible = () => (document.visibilityState === 'visible' ? open() : close());
    const onOnline = () => {
      tries = 0;
      clearTimeout(retry);
      open();
    };
    open();
    document.addEventListener('visibilitychange', onVisible);
    window.addEventListener('online', onOnline);
    return () => {
      document.removeEventListener('visibilitychange', onVisible);
      window.removeEventListener('online', onOnline);
      close();
    };
  }, [visitId]);

  useEffect(() => {
    const timer = setTimeout(() => {
      if (!station.current) return;
      const body = JSON.stringify({ station: station.current, step, panel });
      fetch(`/api/visits/${visitId}/here`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body,
      }).catch(() => undefined);
    }, STAYS_MS);
    return () => clearTimeout(timer);
  }, [visitId, step, panel]);
  return people;
}
