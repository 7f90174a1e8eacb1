'use client';

import { useMemo } from 'react';
import { formatAmount } from '@/core/units';
import { written } from '@/ui/written';
import { useHouse } from '../house/context';
import { useVisit } from '../visit/store';

export interface Amounts {
  /** `30 g`, `1.06 oz`; powder in scoops where the visit says so. */
  say(grams: number, powder?: boolean): string;
}

/** Amounts in the unit of this visit. */
export function useAmounts(): Amounts {
  const { mix: { unit, scoopGrams } } = useVisit();
  const { decimalComma } = useHouse();
  return useMemo(() => ({ say: (grams, powder = false) => written(formatAmount(grams, unit, powder ? scoopGrams : null), decimalComma) }), [unit, scoopGrams, decimalComma]);
}

/** One decimal at most. */
export const tenth = (value: number): string => String(Math.round(value * 10) / 10);

/** `6 %`: peroxide of a strength. */
export const percentSaid = (volumes: number): string => `${tenth(volumes / (10 / 3))} %`;

/** A figure with up to two decimals, by point or comma. */
export const readAmount = (text: string): number | undefined => (/^\d{1,5}([.,]\d{1,2})?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : undefined);
