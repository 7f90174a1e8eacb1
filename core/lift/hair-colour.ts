/** OKLab lightness of natural hair by level 1 … 10 (working table). */
const LIGHTNESS = [0.16, 0.21, 0.26, 0.31, 0.38, 0.46, 0.55, 0.66, 0.77, 0.87];
/**
 * Natural neutral hue in degrees and chroma at levels 1 and 10. Chroma is the working table's. Its one hue of
 * 65° shows a
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

/** OKLab lightness of hair at a level, 0–1. */
export const lightnessOf = (level: number): number => naturalHair(level).lightness;

/**
 * Hue in degrees and chroma of freshly lightened undercoat at levels 4 … 10 (working table); darker is as 4.
 */
const UNDERCOAT = [
  [35, 0.09],
  [45, 0.11],
  [55, 0.12],
  [68, 0.12],
  [82, 0.115],
  [92, 0.08],
  [98, 0.045],
] as const;

/** Colour of hair that was lifted to a level and not toned: its undercoat shows. */
export function undercoatHair(level: number): HairColour {
  const at = Math.min(10, Math.max(4, level)) - 4;
  const i = Math.min(UNDERCOAT.length - 2, Math.floor(at));
  const [a, b] = [UNDERCOAT[i], UNDERCOAT[i + 1]];
  return {
    lightness: naturalHair(level).lightness,
    hueDeg: a[0] + (b[0] - a[0]) * (at - i),
    chroma: a[1] + (b[1] - a[1]) * (at - i),
  };
}

export type Tone = 'warm' | 'neutral' | 'cool' | 'bright';

/**
 * Colour of hair at a level, toned: warmer hair has more chroma, cooler less and a hue further from red
 * (working table).
 */
export function tonedHair(level: number, tone: Tone): HairColour {
  const { lightness, chroma, hueDeg } = naturalHair(level);
  switch (tone) {
    case 'warm':
      return { lightness, chroma: chroma + 0.025, hueDeg };
    case 'neutral':
      return { lightness, chroma, hueDeg };
    case 'cool':
      return { lightness, chroma: Math.max(0.004, chroma - 0.02), hueDeg: hueDeg + 20 };
    case 'bright':
      return {
        lightness: Math.min(0.95, lightness + 0.03),
        chroma: Math.max(0.004, chroma - 0.035),
        hueDeg: hueDeg + 25,
      };
  }
}

/** Level of natural hair that is as light: the inverse of {@link lightnessOf}. */
export function levelOfLightness(lightness: number): number {
  for (let i = 0; i < LIGHTNESS.length - 1; i += 1) {
    if (lightness <= LIGHTNESS[i + 1])
      return 1 + i + Math.max(0, (lightness - LIGHTNESS[i]) / (LIGHTNESS[i + 1] - LIGHTNESS[i]));
  }
  return LIGHTNESS.length;
}

/**
 * How far two colours are from each other: their distance in OKLab, in hundredths. Two are told apart from
 * about 2.
 */
export function colourDifference(a: HairColour, b: HairColour): number {
  const plane = ({ chroma, hueDeg }: HairColour) => [
    chroma * Math.cos((hueDeg * Math.PI) / 180),
    chroma * Math.sin((hueDeg * Math.PI) / 180),
  ];
  const [x, y] = [plane(a), plane(b)];
  return 100 * Math.hypot(a.lightness - b.lightness, x[0] - y[0], x[1] - y[1]);
}

/** One colour on its way to another, straight through OKLab. @param share 0 the first, 1 the second */
export function mixedHair(a: HairColour, b: HairColour, share: number): HairColour {
  const [x, y] = [a, b].map(({ chroma, hueDeg }) => [
    chroma * Math.cos((hueDeg * Math.PI) / 180),
    chroma * Math.sin((hueDeg * Math.PI) / 180),
  ]);
  const [p, q] = [x[0] + (y[0] - x[0]) * share, x[1] + (y[1] - x[1]) * share];
  return {
    lightness: a.lightness + (b.lightness - a.lightness) * share,
    chroma: Math.hypot(p, q),
    hueDeg: (Math.atan2(q, p) * 180) / Math.PI,
  };
}

/** The colour of linear-light sRGB, 0–1: the inverse of {@link linearRgb}. */
export function hairOfRgb([r, g, b]: readonly [number, number, number]): HairColour {
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
  const a = 1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s;
  const c = 0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s;
  return {
    lightness: 0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    chroma: Math.hypot(a, c),
    hueDeg: (Math.atan2(c, a) * 180) / Math.PI,
  };
}

/** The colour as CSS. */
export function cssColour({ lightness, chroma, hueDeg }: HairColour): string {
  return `oklch(${lightness.toFixed(3)} ${chroma.toFixed(3)} ${hueDeg.toFixed(1)})`;
}

/**
 * The colour as linear-light sRGB, 0–1; what lies outside the gamut is clipped.
 * Matrices: OKLab's published conversion.
 */
export function linearRgb({ lightness, chroma, hueDeg }: HairColour): [number, number, number] {
  const hue = (hueDeg * Math.PI) / 180;
  const a = chroma * Math.cos(hue);
  const b = chroma * Math.sin(hue);
  const l = (lightness + 0.3963377774 * a + 0.2158037573 * b) ** 3;
  const m = (lightness - 0.1055613458 * a - 0.0638541728 * b) ** 3;
  const s = (lightness - 0.0894841775 * a - 1.291485548 * b) ** 3;
  const clipped = (value: number) => Math.min(1, Math.max(0, value));
  return [
    clipped(4.0767416621 * l - 3.3077115913 * m + 0.2309699292 * s),
    clipped(-1.2684380046 * l + 2.6097574011 * m - 0.3413193965 * s),
    clipped(-0.0041960863 * l - 0.7034186147 * m + 1.707614701 * s),
  ];
}
