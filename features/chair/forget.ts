'use client';

import { DeviceDb } from './device-db';

/**
 * Whoever signs out leaves no client on the device; what was not sent yet stays, since a visit is never lost.
 */
export async function forgetServices(): Promise<void> {
  if (!('indexedDB' in globalThis)) return;
  await DeviceDb.open()
    .then(async (db) => {
      await db.forgetSent();
      db.close();
    })
    .catch(() => undefined);
}
