/**
 * The wish for brightness on a scale of five, in words, and the lightened share it asks for.
 * A typical full head lies at 8–25% lightened; the steps between are a working assumption, to be calibrated
 * from records.
 */
export const BRIGHTNESS = [
  { step: 1, words: 'natural, a few lights', share: [0.02, 0.06] },
  { step: 2, words: 'softly lit', share: [0.06, 0.1] },
  { step: 3, words: 'evenly lit', share: [0.1, 0.16] },
  { step: 4, words: 'bright', share: [0.16, 0.24] },
  { step: 5, words: 'light all over, some depth', share: [0.24, 0.4] },
] as const;

/** The step of the scale nearest to a wish of 1–5. */
export function brightnessStep(wish: number): (typeof BRIGHTNESS)[number] {
  return BRIGHTNESS[Math.min(5, Math.max(1, Math.round(wish))) - 1];
}
