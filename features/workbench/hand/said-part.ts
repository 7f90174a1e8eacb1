/** Where the part runs, in words: `in the middle`, `12 mm left`. */
export function saidPart(offsetMm: number): string {
  return offsetMm === 0 ? 'in the middle' : `${Math.abs(offsetMm)} mm ${offsetMm > 0 ? 'left' : 'right'}`;
}
