'use client';

import { useMemo } from 'react';
import type { BowlItem } from '@/core/bowl';
import { formatAmount, formatAmounts, formatStrength, type AmountUnit } from '@/core/units';
import { written } from '@/ui/written';
import { useHouse } from '../house/context';
import { useVisit } from '../visit/store';

export interface Amounts {
  /** `30 g`, `1.06 oz`; powder in scoops where the visit says so. */
  say(grams: number, powder?: boolean): string;
  /** What stands in one bowl, so that it adds up as it is said; `12 drops (0.6 g)` where it is counted. */
  sayAll(items: readonly BowlItem[]): readonly string[];
  /** `20 vol`, `6%`. */
  strength(volumes: number): string;
}

/** In what amounts a visit says things: its own, else the house's. */
export const useAmountUnit = (): AmountUnit => {
  const { mix } = useVisit();
  const { measures } = useHouse();
  return mix.unit ?? measures.amounts;
};

/** Amounts in the unit of this visit. */
export function useAmounts(): Amounts {
  const {
    mix: { scoopGrams },
  } = useVisit();
  const unit = useAmountUnit();
  const {
    decimalComma,
    measures: { strengths },
  } = useHouse();
  return useMemo(() => {
    const said = (text: string) => written(text, decimalComma);
    return {
      say: (grams, powder = false) => said(formatAmount(grams, unit, powder ? scoopGrams : null)),
      sayAll: (items) => {
        const all = formatAmounts(items, unit, scoopGrams);
        return items.map(({ drops }, i) => said(drops === undefined ? all[i] : `${drops} drops (${all[i]})`));
      },
      strength: (volumes) => said(formatStrength(volumes, strengths)),
    };
  }, [unit, scoopGrams, decimalComma, strengths]);
}

/** One decimal at most. */
export const tenth = (value: number): string => String(Math.round(value * 10) / 10);

/** A figure with up to two decimals, by point or comma. */
export const readAmount = (text: string): number | undefined =>
  /^\d{1,5}([.,]\d{1,2})?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : undefined;
