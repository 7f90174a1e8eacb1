import type { ColumnLayout, FoilStock } from './types';

/** A bricklaid end piece narrower than this joins its neighbour, mm. */
const NARROWEST_PIECE_MM = 40;

/** Columns that a section of this width needs: n = max(1, ceil((w − tolerance)/usable width)). */
export function columnCount(widthMm: number, stock: FoilStock): number {
  return Math.max(1, Math.ceil((widthMm - stock.toleranceMm) / stock.usableWidthMm - 1e-9));
}

/**
 * Shares of a section's width at which its columns meet, from 0 to 1: equal columns; bricklaid, every second
 * row is
 * shifted by half a column, and an end piece that comes out too narrow joins its neighbour. No piece is wider
 * than the foil.
 * @param row from 1
 */
export function columnEdges(
  widthMm: number,
  row: number,
  stock: FoilStock,
  { layout, onePerRow }: ColumnLayout,
): number[] {
  const n = onePerRow ? 1 : columnCount(widthMm, stock);
  const equal = Array.from({ length: n + 1 }, (_, i) => i / n);
  if (layout === 'aligned' || n === 1 || row % 2 === 1) return equal;
  const shifted = [0, ...Array.from({ length: n }, (_, i) => (i + 0.5) / n), 1];
  if (widthMm / n / 2 >= NARROWEST_PIECE_MM) return shifted;
  // Of two columns both ends joined would be one piece: the seam moves instead, to and fro from one brick row
  // to the next.
  if (n === 2) {
    const seam = Math.min(0.75 * widthMm, widthMm - NARROWEST_PIECE_MM) / widthMm;
    return [0, row % 4 === 2 ? seam : 1 - seam, 1];
  }
  return [0, ...shifted.slice(2, -2), 1];
}
