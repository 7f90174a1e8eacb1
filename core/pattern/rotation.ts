import type { Rotation } from './types';

/** Where a foil stands in its panel's order of work, each counted from 1. */
export interface FoilPlace {
  /** Of all foils of the panel, and of its side. */
  readonly foil: number;
  readonly foilOfSide: number;
  /** Of all rows of the panel (a row of the left and one of the right are two), and of its side. */
  readonly row: number;
  readonly rowOfSide: number;
}

/**
 * Formula of a panel's foil: in the rotation's range its letters in turn, outside it the panel's own letter.
 */
export function formulaOf(place: FoilPlace, own: string, rotation: Rotation | null): string {
  if (!rotation) return own;
  const { by, anew, from, to, sequence } = rotation;
  const at = by === 'row' ? (anew ? place.rowOfSide : place.row) : anew ? place.foilOfSide : place.foil;
  if (at < from || (to !== null && at > to)) return own;
  return sequence[(at - from) % sequence.length];
}

/** Places of foils in the order of work. */
export function placesOf(foils: readonly { readonly side: string; readonly row: number }[]): FoilPlace[] {
  const sides = new Map<string, { foils: number; rows: Map<number, number> }>();
  const rows = new Map<string, number>();
  return foils.map(({ side, row }, i) => {
    const own = sides.get(side) ?? { foils: 0, rows: new Map<number, number>() };
    sides.set(side, own);
    own.foils += 1;
    if (!own.rows.has(row)) own.rows.set(row, own.rows.size + 1);
    const key = `${side} ${row}`;
    if (!rows.has(key)) rows.set(key, rows.size + 1);
    return { foil: i + 1, foilOfSide: own.foils, row: rows.get(key)!, rowOfSide: own.rows.get(row)! };
  });
}
