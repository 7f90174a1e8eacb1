'use client';

import { useEffect } from 'react';
import { askWorker } from './worker';

const LAST_KEY = 'lattice/near/at';
/** The page that was asked for comes first. */
const FIRST_MS = 4000;
const EVERY_MS = 10 * 60_000;
/** So long the pages of some days may take. */
const MOST_MS = 120_000;

/**
 * Keeps this application on the device, with the pages of the next days, so that they open without a network.
 */
export function KeepNear() {
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    let gone = false;
    const keepNear = async () => {
      if (
        gone ||
        document.visibilityState !== 'visible' ||
        Date.now() - Number(localStorage.getItem(LAST_KEY) ?? 0) < EVERY_MS
      )
        return;
      const answer = await fetch('/api/near', { cache: 'no-store' }).catch(() => undefined);
      if (!answer?.ok) return;
      await navigator.serviceWorker.ready;
      // Only what is kept counts: a page that is left meanwhile leaves it to the next one.
      if (await askWorker({ keep: ((await answer.json()) as { pages: string[] }).pages }, MOST_MS))
        localStorage.setItem(LAST_KEY, String(Date.now()));
    };
    const keepThis = () => void askWorker({ keep: [location.pathname + location.search] }, MOST_MS);
    // After an update what was kept before is of no use.
    const onController = () => {
      localStorage.removeItem(LAST_KEY);
      keepThis();
      void keepNear();
    };
    const begin = async () => {
      for (const serviceWorkerRegistration of await navigator.serviceWorker.getRegistrations())
        if (new URL(serviceWorkerRegistration.scope).pathname === '/chair')
          await serviceWorkerRegistration.unregister();
      const known = navigator.serviceWorker.controller !== null;
      await navigator.serviceWorker.register('/offline-worker.js', { scope: '/' });
      await navigator.serviceWorker.ready;
      if (known) navigator.serviceWorker.addEventListener('controllerchange', onController);
      keepThis();
    };
    // Where it is refused, everything works as long as there is a network.
    void begin().catch(() => undefined);
    const timer = setTimeout(() => void keepNear(), FIRST_MS);
    const beat = setInterval(() => void keepNear(), EVERY_MS);
    return () => {
      gone = true;
      clearTimeout(timer);
      clearInterval(beat);
      navigator.serviceWorker.removeEventListener('controllerchange', onController);
    };
  }, []);
  return null;
}
