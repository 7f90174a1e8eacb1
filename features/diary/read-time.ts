/** Minutes of a day from what was typed: `9:30`, `0930`, `9`. */
export function readTime(text: string): number {
  const read = /^(\d{1,2})(?:[:.h]?(\d{2}))?$/.exec(text.trim());
  const minute = read ? 60 * Number(read[1]) + Number(read[2] ?? 0) : Number.NaN;
  return minute < 1440 && Number(read?.[2] ?? 0) < 60 ? minute : Number.NaN;
}
