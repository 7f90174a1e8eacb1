import type { Result } from '../units';

/** Strengths that developers are sold in, volumes. */
export const DEVELOPERS = [5, 6, 9, 10, 13, 15, 20, 25, 30, 35, 40] as const;

/** Some developer, or water or cream that weakens it (0 volumes). */
export interface Pour {
  readonly volumes: number;
  readonly grams: number;
}

/** Strength of pours mixed together: by weight. 0 for nothing. */
export function blended(pours: readonly Pour[]): number {
  const grams = pours.reduce((sum, pour) => sum + pour.grams, 0);
  return grams > 0 ? pours.reduce((sum, pour) => sum + pour.grams * pour.volumes, 0) / grams : 0;
}

export type Blend = Result<{ readonly pours: readonly [Pour, Pour] }>;

/** How much of two bottles makes so many grams of a strength between them: the two-part rule. */
export function blendTo(volumes: number, grams: number, bottles: readonly [number, number]): Blend {
  const [weak, strong] = [Math.min(...bottles), Math.max(...bottles)];
  if (!(grams > 0)) return { ok: false, problem: 'Say how many grams are needed.' };
  if (!(volumes >= weak && volumes <= strong))
    return {
      ok: false,
      problem: `${volumes} vol cannot be made from ${weak} and ${strong} vol: it lies ${volumes < weak ? 'below' : 'above'} both.`,
    };
  // The same bottle twice: all from the first.
  const ofStrong = strong === weak ? 0 : (grams * (volumes - weak)) / (strong - weak);
  return {
    ok: true,
    pours: [
      { volumes: weak, grams: grams - ofStrong },
      { volumes: strong, grams: ofStrong },
    ],
  };
}
