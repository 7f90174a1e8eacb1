'use client';

import { createContext, useContext, type ReactNode } from 'react';
import { useWritten } from './decimal';

/** How a field shows a figure that is kept in mm, g, vol or °C. */
export interface ShownUnit {
  readonly unit: string;
  /** The figure as it stands in the field. */
  show(value: number): string;
  /** Reads it back; undefined where it is no figure. Without it the field reads as it is. */
  read?(text: string): number | undefined;
}

/** In what figures are said and read. */
export interface Figures {
  shown(unit: string): ShownUnit;
  /** A sentence with its figures as they are said here. */
  said(text: string): string;
}

const AS_KEPT: Figures = {
  shown: (unit) => ({ unit, show: (value) => String(value) }),
  said: (text) => text,
};

const Context = createContext<Figures>(AS_KEPT);

/** In what figures are said and read, for everything under it. */
export function FiguresProvider({ figures, children }: { figures: Figures; children: ReactNode }) {
  return <Context.Provider value={figures}>{children}</Context.Provider>;
}

/** Sentences with their figures as the house says them: its units, its decimal sign. */
export function useSaid(): (text: string) => string {
  const { said } = useContext(Context);
  const written = useWritten();
  return (text) => written(said(text));
}

/** A field's unit as the house has it. */
export const useShownUnit = (unit: string): ShownUnit => useContext(Context).shown(unit);
