'use client';

import { useSyncExternalStore } from 'react';

let reached = true;
const listeners = new Set<() => void>();

/**
 * What a request has shown: whether the server answers. A browser that has a network knows nothing of that.
 */
export function setReached(now: boolean): void {
  if (now === reached) return;
  reached = now;
  listeners.forEach((listener) => listener());
}

const subscribe = (changed: () => void) => {
  listeners.add(changed);
  window.addEventListener('online', changed);
  window.addEventListener('offline', changed);
  return () => {
    listeners.delete(changed);
    window.removeEventListener('online', changed);
    window.removeEventListener('offline', changed);
  };
};

/** Whether the server cannot be reached now. */
export const useAway = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => !navigator.onLine || !reached,
    () => false,
  );
