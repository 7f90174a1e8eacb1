/** OKLab lightness of natural hair by level 1 … 10 (working table). */
const LIGHTNESS = [0.16, 0.21, 0.26, 0.31, 0.38, 0.46, 0.55, 0.66, 0.77, 0.87];
/**
 * Natural neutral hue in degrees and chroma at levels 1 and 10. Chroma is the working table's. Its one hue of 65° shows a
 * level 9 or 10 as salmon on a screen, so the hue runs to 82°, beside the undercoat's 92–98° at those levels.
 */
const NEUTRAL_HUE = [62, 82] as const;
const NEUTRAL_CHROMA = [0.02, 0.06] as const;

/** A colour in OKLCh: lightness 0–1, chroma, hue in degrees. */
export interface HairColour {
  readonly lightness: number;
  readonly chroma: number;
  readonly hueDeg: number;
}

/** Colour of natural, neutral hair at a level; between whole levels linear, beyond 1 and 10 as 1 and 10. */
export function naturalHair(level: number): HairColour {
  const at = Math.min(10, Math.max(1, level)) - 1;
  const i = Math.min(LIGHTNESS.length - 2, Math.floor(at));
  const lightness = LIGHTNESS[i] + (LIGHTNESS[i + 1] - LIGHTNESS[i]) * (at - i);
  const along = ([low, high]: readonly [number, number]) => low + ((high - low) * at) / 9;
  return { lightness, chroma: along(NEUTRAL_CHROMA), hueDeg: along(NEUTRAL_HUE) };
}

/** The colour as CSS. */
export function cssColour({ lightness, chroma, hueDeg }: HairColour): string {
  return `oklch(${lightness.toFixed(3)} ${chroma.toFixed(3)} ${hueDeg.toFixed(1)})`;
}
