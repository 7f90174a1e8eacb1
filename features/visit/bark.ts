import { cssColour, linearRgb } from '@/core/lift';
import { drawnHair } from '../head/own-hair';

/** Colour in which unlit hair is drawn for a natural level, as CSS. */
export const barkOf = (naturalLevel: number): string => cssColour(drawnHair(naturalLevel));
/** Hair in the shade of a foil, as CSS. */
export function shadeOf(naturalLevel: number): string {
  const hair = drawnHair(naturalLevel);
  return cssColour({ ...hair, lightness: hair.lightness * 0.62, chroma: hair.chroma * 0.62 });
}
/** As linear-light red, green and blue, 0–1. */
export const barkLightOf = (naturalLevel: number): readonly [number, number, number] =>
  linearRgb(drawnHair(naturalLevel));
