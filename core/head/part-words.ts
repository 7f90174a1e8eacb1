/**
 * Where the part runs, as it is said, in mm: `in the middle`, `22 mm left`.
 * @param offsetMm + the client's left
 */
export function offsetWords(offsetMm: number): string {
  return offsetMm === 0
    ? 'in the middle'
    : `${Math.round(Math.abs(offsetMm))} mm ${offsetMm > 0 ? 'left' : 'right'}`;
}

/** A part as it is said: `part 22 mm left`, `part in the middle`, `worn without a part`. */
export const partWords = ({
  offsetMm,
  none,
}: {
  readonly offsetMm: number;
  readonly none?: boolean;
}): string => (none ? 'worn without a part' : `part ${offsetWords(offsetMm)}`);
