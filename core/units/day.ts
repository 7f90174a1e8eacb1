const DAY_MS = 86_400_000;

/** The day so many days after another, before it where there are fewer than none. Days are YYYY-MM-DD and know no hours. */
export const dayAfter = (on: string, days: number): string => new Date(Date.parse(on) + days * DAY_MS).toISOString().slice(0, 10);

/** Days from one day to another; negative when the second is earlier. */
export const daysBetween = (from: string, to: string): number => Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);
