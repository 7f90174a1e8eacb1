'use client';

import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { USUAL_HOUSE } from '@/core/formats';
import { bareLength, formatLength, type LengthUnit, moneyIn, parseLength } from '@/core/units';
import { measuresOf, type House } from '@/core/visit';
import { DecimalComma } from '@/ui/decimal';
import { written } from '@/ui/written';
import { MeasuresProvider } from './measures';

const Context = createContext<House>(USUAL_HOUSE);

/** What the salon has set, for everything under it. */
export function HouseProvider({ house, children }: { house: House; children: ReactNode }) {
  const { units, measures, decimalComma } = house;
  const said = useMemo(() => measuresOf({ units, measures }), [units, measures]);
  return (
    <Context.Provider value={house}>
      <DecimalComma comma={decimalComma}>
        <MeasuresProvider measures={said}>{children}</MeasuresProvider>
      </DecimalComma>
    </Context.Provider>
  );
}

export const useHouse = (): House => useContext(Context);

/** Lengths in the unit of the house. */
export interface Units {
  readonly unit: LengthUnit;
  /** `6 mm`, `0.6 cm`, `1/4"`. */
  say(mm: number): string;
  /** The same without its unit: `6`, `0.6`, `1/4"`. */
  bare(mm: number): string;
  /** Reads what was typed, in any unit; undefined when it is no length. */
  read(text: string): number | undefined;
}

export function useUnits(): Units {
  const { units, decimalComma } = useHouse();
  return useMemo(
    () => ({
      unit: units,
      say: (mm) => written(formatLength(mm, units), decimalComma),
      bare: (mm) => written(bareLength(mm, units), decimalComma),
      read: (text) => {
        const parsed = parseLength(text, units);
        return parsed.ok ? parsed.mm : undefined;
      },
    }),
    [units, decimalComma],
  );
}

/** Money as the house says it. */
export function useMoney(): (minor: number) => string {
  const { prices, decimalComma } = useHouse();
  return useMemo(() => {
    const say = moneyIn(prices.currency);
    return (minor) => written(say(minor), decimalComma);
  }, [prices.currency, decimalComma]);
}
