/** Minutes of a day from what was typed: `9:30`, `0930`, `9`, `2:30 pm`. NaN where it is no time. */
export function readTime(text: string): number {
  const read = /^(\d{1,2})(?:[:.h]?(\d{2}))?\s*(?:([ap])\.?m\.?)?$/i.exec(text.trim());
  if (!read) return Number.NaN;
  const [, hours, minutes = '0', half] = read;
  if (half && (Number(hours) < 1 || Number(hours) > 12)) return Number.NaN;
  const hour = half ? (Number(hours) % 12) + (half.toLowerCase() === 'p' ? 12 : 0) : Number(hours);
  return hour < 24 && Number(minutes) < 60 ? 60 * hour + Number(minutes) : Number.NaN;
}
