'use client';

import { createContext, useContext, useMemo, type ReactNode } from 'react';
import {
  bareLength, celsiusOf, fahrenheitOf, GRAMS_PER_OUNCE, inMeasures, METRIC, parseLength, percentOf, volumesOf, type Measures,
} from '@/core/units';
import { useWritten } from './decimal';

const Context = createContext<Measures>(METRIC);

/** In what figures are said and read, for everything under it. */
export function MeasuresProvider({ measures, children }: { measures: Measures; children: ReactNode }) {
  return <Context.Provider value={measures}>{children}</Context.Provider>;
}

export const useMeasures = (): Measures => useContext(Context);

/** Sentences of the core as the house says them: its units, its decimal sign. */
export function useSaid(): (text: string) => string {
  const measures = useMeasures();
  const written = useWritten();
  return useMemo(() => (text) => written(inMeasures(text, measures)), [measures, written]);
}

/** How a field shows a figure that is kept in mm, g, vol or °C. */
export interface ShownUnit {
  readonly unit: string;
  /** The figure as it stands in the field. */
  show(value: number): string;
  /** Reads it back; undefined where it is no figure. Without it the field reads as it is. */
  read?(text: string): number | undefined;
}

const figure = (text: string): number | undefined => (/^\d+([.,]\d+)?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : undefined);

function converted(unit: string, out: (value: number) => number, back: (value: number) => number, digits: number): ShownUnit {
  return {
    unit,
    show: (value) => String(Number(out(value).toFixed(digits))),
    read: (text) => {
      const value = figure(text);
      // What is kept is no finer than what scales and bottles tell.
      return value === undefined ? undefined : Math.round(100 * back(value)) / 100;
    },
  };
}

const same = (unit: string): ShownUnit => ({ unit, show: (value) => String(value) });

/** A field's unit as the house has it. */
export function useShownUnit(unit: string): ShownUnit {
  const { lengths, amounts, strengths, temperatures } = useMeasures();
  return useMemo(() => {
    if (unit === 'vol' && strengths === '%') return converted('%', percentOf, volumesOf, 1);
    if (unit === 'g' && amounts === 'oz') return converted('oz', (grams) => grams / GRAMS_PER_OUNCE, (ounces) => ounces * GRAMS_PER_OUNCE, 2);
    if (unit === '°C' && temperatures === 'F') return converted('°F', fahrenheitOf, celsiusOf, 0);
    if (unit === 'mm' && lengths !== 'mm') {
      return {
        unit: lengths === 'in' ? 'in' : 'cm',
        show: (mm) => bareLength(mm, lengths).replace(/"$/, ''),
        read: (text) => {
          const read = parseLength(text, lengths);
          return read.ok ? Math.round(10 * read.mm) / 10 : undefined;
        },
      };
    }
    return same(unit);
  }, [unit, lengths, amounts, strengths, temperatures]);
}
