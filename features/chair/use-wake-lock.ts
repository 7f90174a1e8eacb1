'use client';

import { useEffect } from 'react';

/**
 * Keeps the screen awake while something runs, where the browser can; asked again when the page is seen
 * again.
 */
export function useWakeLock(on: boolean): void {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let gone = false;
    const ask = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (wakeLockSentinel) => (gone ? void wakeLockSentinel.release() : (lock = wakeLockSentinel)),
        () => undefined,
      );
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [on]);
}
