/** Milliseconds. */
export const MINUTE = 60_000;
