'use client';

import { forgetServices } from '../chair/forget';
import { forgetVisits } from './kept-visits';
import { askWorker } from './worker';

/**
 * Whoever signs out leaves no client on the device; what was not sent yet stays, since a visit is never lost.
 */
export async function forgetDevice(): Promise<void> {
  await Promise.all([forgetServices(), forgetVisits(true), askWorker({ forget: true }, 2000)]).catch(
    () => undefined,
  );
}
