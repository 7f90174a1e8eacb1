import type { Rotation } from './types';

/**
 * Formula of a panel's foil: in the rotation's range its letters in turn, outside it the panel's own letter.
 * @param foil place of the foil within the panel in the order of work, from 1
 */
export function formulaOf(foil: number, own: string, rotation: Rotation | null): string {
  if (!rotation || foil < rotation.fromFoil || (rotation.toFoil !== null && foil > rotation.toFoil)) return own;
  return rotation.sequence[(foil - rotation.fromFoil) % rotation.sequence.length];
}
