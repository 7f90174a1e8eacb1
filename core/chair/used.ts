import same from 'fast-deep-equal';
import type { VisitMix } from '../visit';
import type { ServiceState } from './service-state';

/** What of a mix was used at a service that runs: it can no longer be changed in Mix. */
export interface UsedMix {
  /** Letters whose bowl was mixed, or that are on the head. */
  readonly letters: readonly string[];
  /** Ids of steps that were begun. */
  readonly steps: readonly string[];
}

export const NOTHING_USED: UsedMix = { letters: [], steps: [] };

/** What was used so far; nothing before the start and after the end. */
export function usedOf({ startedAt, finishedAt, bowls, mixes, blocks, steps }: ServiceState): UsedMix {
  if (startedAt === null || finishedAt !== null) return NOTHING_USED;
  const letters = new Set(bowls.flatMap(({ mix }) => mixes[mix]?.of.map(({ letter }) => letter) ?? []));
  for (const { unit, closedAt } of blocks.flatMap(({ units }) => units))
    if (closedAt !== null) letters.add(unit.letter);
  return {
    letters: [...letters].sort(),
    steps: steps.flatMap(({ step, begunAt }) => (begunAt === null ? [] : [step.id])),
  };
}

/** What a change of Mix would change of what was used, as a sentence; null where it changes nothing of it. */
export function usedProblem(before: VisitMix, after: VisitMix, { letters, steps }: UsedMix): string | null {
  const letter = letters.find((other) => !same(before.formulas[other], after.formulas[other]));
  if (letter !== undefined) {
    return `Formula ${letter} was used: it stays as it was. Another strength for what is not placed yet is chosen at the chair.`;
  }
  const parts = [
    ['toner', 'Toner', before.toners, after.toners],
    ['root', 'Root colour', before.roots, after.roots],
    ['correction', 'Correction', before.corrections, after.corrections],
  ] as const;
  for (const [kind, name, was, is] of parts) {
    for (const own of was) {
      if (!steps.includes(`${kind} ${own.id}`)) continue;
      if (
        !same(
          own,
          is.find(({ id }) => id === own.id),
        )
      )
        return `${name} was put on: it stays as it was. Add another one instead.`;
    }
  }
  return null;
}
