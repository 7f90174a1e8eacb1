/** Lightness of hair: 1 (black) to 10 (lightest blonde); halves are spoken. */
export const LEVEL_MIN = 1;
export const LEVEL_MAX = 10;

/**
 * A level as it is said: `6`, `8½`. Rounded to the half, clamped to 1–10 (a clear 10, sometimes called 11, is
 * a 10).
 */
export function formatLevel(level: number): string {
  const halves = Math.round(Math.min(LEVEL_MAX, Math.max(LEVEL_MIN, level)) * 2);
  return `${Math.floor(halves / 2)}${halves % 2 === 1 ? '½' : ''}`;
}
