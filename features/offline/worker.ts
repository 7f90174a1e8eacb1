'use client';

import type { OfflineAsked } from '@/workers/offline';

/**
 * Asks the service worker, if there is one, and waits so long for its answer.
 * @returns whether it did what was asked
 */
export async function askWorker(asked: OfflineAsked, waitMs: number): Promise<boolean> {
  if (!('serviceWorker' in navigator)) return false;
  const { active } = (await navigator.serviceWorker.getRegistration('/')) ?? {};
  if (!active) return false;
  const { port1, port2 } = new MessageChannel();
  const answered = new Promise<boolean>((done) => {
    port1.onmessage = () => done(true);
    setTimeout(() => done(false), waitMs);
  });
  active.postMessage(asked, [port2]);
  return answered;
}
