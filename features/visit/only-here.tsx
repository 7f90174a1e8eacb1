'use client';

import { useSyncExternalStore, type ReactNode } from 'react';

const never = () => () => undefined;

/**
 * Draws its children in the browser only: what a visit computes is computed where it is looked at, never by
 * the server for a page.
 */
export function OnlyHere({ children, meanwhile }: { children: ReactNode; meanwhile: ReactNode }) {
  const here = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  return here ? children : meanwhile;
}
