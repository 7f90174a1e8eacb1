import { parseLength } from '@/core/units';

/** A length typed in any unit, in mm to the half; undefined when it is none. */
export const readMm = (text: string): number | undefined => {
  const read = parseLength(text);
  return read.ok ? Math.round(read.mm * 2) / 2 : undefined;
};

/** A whole number. */
export const readWhole = (text: string): number | undefined =>
  /^\d{1,9}$/.test(text.trim()) ? Number(text.trim()) : undefined;

/** A figure with one decimal, by point or comma. */
export const readFigure = (text: string): number | undefined =>
  /^\d{1,4}([.,]\d)?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : undefined;
