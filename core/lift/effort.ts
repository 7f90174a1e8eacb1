/**
 * Effort that it takes to lift from level 1 to each level: the steps grow towards the light. Working table.
 */
const EFFORT = [0, 1.2, 2.4, 3.6, 4.6, 5.6, 6.6, 7.7, 8.9, 10.2] as const;

const clamp = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));

/** Effort from level 1 up to a level 1–10, linear between whole levels; beyond as at the ends. */
export function effortTo(level: number): number {
  const at = clamp(level, 1, 10) - 1;
  const i = Math.min(EFFORT.length - 2, Math.floor(at));
  return EFFORT[i] + (EFFORT[i + 1] - EFFORT[i]) * (at - i);
}

/** Level that an effort reaches. Inverse of {@link effortTo}. */
export function levelOf(effort: number): number {
  const spent = clamp(effort, 0, EFFORT[EFFORT.length - 1]);
  let i = 0;
  while (i < EFFORT.length - 2 && spent > EFFORT[i + 1]) i += 1;
  return 1 + i + (spent - EFFORT[i]) / (EFFORT[i + 1] - EFFORT[i]);
}

/** Effort of one level at a level: the step that it lies in. */
export function effortAt(level: number): number {
  const i = Math.min(EFFORT.length - 2, Math.floor(clamp(level, 1, 10) - 1));
  return EFFORT[i + 1] - EFFORT[i];
}
