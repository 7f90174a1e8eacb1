'use client';

import type { OfflineAsked } from '@/workers/offline';

/** Asks the service worker, and waits for its answer; without one nothing is kept. */
export async function askWorker(asked: OfflineAsked): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  const { active } = (await navigator.serviceWorker.getRegistration('/')) ?? {};
  if (!active) return;
  const { port1, port2 } = new MessageChannel();
  const answered = new Promise<void>((done) => {
    port1.onmessage = () => done();
    setTimeout(done, 2000);
  });
  active.postMessage(asked, [port2]);
  await answered;
}
