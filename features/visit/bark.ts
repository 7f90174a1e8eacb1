import { cssColour, naturalHair } from '@/core/lift';

/** Drawn hair is never lighter than this, so that light still reads as light on it. */
const LIGHTEST_DRAWN = 0.4;

/** Colour in which unlit hair is drawn for a natural level: its own, darkened where lit hair would not stand out. */
export function barkOf(naturalLevel: number): string {
  const hair = naturalHair(naturalLevel);
  return cssColour({ ...hair, lightness: Math.min(LIGHTEST_DRAWN, hair.lightness * 0.72 + 0.03) });
}
