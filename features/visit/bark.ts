import { cssColour, linearRgb, naturalHair, type HairColour } from '@/core/lift';

/** Drawn hair is never lighter than this, so that light still reads as light on it. */
const LIGHTEST_DRAWN = 0.4;

/** Colour in which unlit hair is drawn for a natural level: its own, darkened where lit hair would not stand out. */
function drawnHair(naturalLevel: number): HairColour {
  const hair = naturalHair(naturalLevel);
  return { ...hair, lightness: Math.min(LIGHTEST_DRAWN, hair.lightness * 0.72 + 0.03) };
}

/** As CSS. */
export const barkOf = (naturalLevel: number): string => cssColour(drawnHair(naturalLevel));
/** Hair in the shade of a foil, as CSS. */
export function shadeOf(naturalLevel: number): string {
  const hair = drawnHair(naturalLevel);
  return cssColour({ ...hair, lightness: hair.lightness * 0.62, chroma: hair.chroma * 0.62 });
}
/** As linear-light red, green and blue, 0–1. */
export const barkLightOf = (naturalLevel: number): readonly [number, number, number] => linearRgb(drawnHair(naturalLevel));
