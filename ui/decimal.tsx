'use client';

import { createContext, useContext, type ReactNode } from 'react';
import { written } from './written';

const Context = createContext(false);

/** Whether figures below are written with a decimal comma. */
export function DecimalComma({ comma, children }: { comma: boolean; children: ReactNode }) {
  return <Context.Provider value={comma}>{children}</Context.Provider>;
}

/** Writes figures by what the house above has set. */
export function useWritten(): (text: string) => string {
  const comma = useContext(Context);
  return (text) => written(text, comma);
}
