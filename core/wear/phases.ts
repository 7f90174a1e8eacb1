import type { Plan, Sheet } from '../pattern';

/**
 * Stripes are judged as the mean over the pattern and it moved on by shares of its pitch: where the first row
 * falls is chance.
 */
export const PHASES = [0, 0.25, 0.5, 0.75] as const;

/** The same pattern with every foil moved on along its spine by a share of its pitch. */
export function shifted(plan: Plan, { foils }: Pick<Sheet, 'foils'>, share: number): Plan {
  if (share === 0) return plan;
  const byHand = new Set(plan.edits.flatMap((edit) => ('foil' in edit ? [edit.foil] : [])));
  const moved = foils
    .filter(({ id }) => !byHand.has(id))
    .map(({ id, thicknessMm, dropoutMm }) => ({
      kind: 'move' as const,
      foil: id,
      byMm: share * (thicknessMm + dropoutMm),
    }));
  return { ...plan, edits: [...plan.edits, ...moved] };
}

/** Root of the mean square of stripe figures of several phases. */
export function meanStripe(figures: readonly number[]): number {
  return Math.sqrt(figures.reduce((sum, figure) => sum + figure * figure, 0) / figures.length);
}
