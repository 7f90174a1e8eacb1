import type { FoilStock } from './types';

/** Columns that a section of this width needs: n = max(1, ceil((w − tolerance)/usable width)). */
export function columnCount(widthMm: number, stock: FoilStock): number {
  return Math.max(1, Math.ceil((widthMm - stock.toleranceMm) / stock.usableWidthMm - 1e-9));
}

/** Splits [from, to] along the parting into equal columns. */
export function equalColumns(from: number, to: number, stock: FoilStock): readonly (readonly [number, number])[] {
  const n = columnCount(to - from, stock);
  const width = (to - from) / n;
  return Array.from({ length: n }, (_, i) => [from + i * width, from + (i + 1) * width] as const);
}
