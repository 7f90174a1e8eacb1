import { zoneName } from '@/core/head';
import { partingName, pickedWords, type Foil, type Panel } from '@/core/pattern';

/** A foil in words: where it lies, and its measures. @param say a length as the house says it */
export function foilWords(
  foil: Foil,
  panel: Panel,
  say: (mm: number) => string,
): { place: string; measures: string } {
  const column =
    foil.column === 0 ? 'middle' : `${foil.column > 0 ? 'left' : 'right'} ${Math.abs(foil.column)}`;
  return {
    place: `${panel.name}, row ${foil.row}, ${column}`,
    measures: [
      `${say(Math.round(foil.widthMm))} × ${say(foil.thicknessMm)}`,
      partingName(panel.direction, foil.angleDeg),
      pickedWords(foil.gather, foil.stitches),
      `${Math.round(foil.pickedShare * 100)}% picked`,
      `about ${Math.round(foil.hairs)} hairs`,
      zoneName(foil.zone).toLowerCase(),
      ...(foil.byHand ? ['by hand'] : []),
    ].join(', '),
  };
}
