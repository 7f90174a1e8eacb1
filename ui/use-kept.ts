'use client';

import { useState } from 'react';
import { wasReloaded } from './reloaded';

/**
 * A state that survives a reload of the window: a view that was chosen. Only below what is drawn in the
 * browser alone.
 * @param values what it may be; anything else that was kept is left out
 */
export function useKept<T extends string | number>(
  key: string,
  initial: T,
  values: readonly T[],
): [T, (next: T) => void] {
  const [value, setValue] = useState<T>(() => read(key, values) ?? initial);
  return [
    value,
    (next) => {
      setValue(next);
      try {
        sessionStorage.setItem(`lattice/view/${key}`, JSON.stringify(next));
      } catch {
        // Kept nowhere: after a reload it begins again.
      }
    },
  ];
}

function read<T>(key: string, values: readonly T[]): T | undefined {
  try {
    const text = wasReloaded() ? sessionStorage.getItem(`lattice/view/${key}`) : null;
    return text === null ? undefined : values.find((value) => value === JSON.parse(text));
  } catch {
    return undefined;
  }
}
