'use client';

import { useSyncExternalStore } from 'react';

/** Too narrow for columns beside each other: a phone, a small tablet upright, a page at twice its size. */
const NARROW = '(max-width: 63.99rem)';

const subscribe = (changed: () => void) => {
  const query = window.matchMedia(NARROW);
  query.addEventListener('change', changed);
  return () => query.removeEventListener('change', changed);
};

/** Whether columns stand below each other. On the server it is not known, and said to be wide. */
export const useNarrow = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => window.matchMedia(NARROW).matches,
    () => false,
  );
