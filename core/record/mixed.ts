import { keysOf } from '../units';
import type { Served } from '../chair';
import type { VisitMix } from '../visit';
import { UNIT_WORDS, type UnitKind, type WorkList } from '../work';

/**
 * How many units of a kind a formula was planned for, and placed in; null where no service was carried out.
 */
export interface UnitCount {
  readonly kind: UnitKind;
  readonly planned: number;
  readonly done: number | null;
}

/** A formula of a visit: what it was, what was mixed of it and how long it was on, planned and done. */
export interface MixedLine {
  readonly letter: string;
  readonly words: string;
  /** The ends' own mix in words; null where there is none. */
  readonly endsWords: string | null;
  readonly units: readonly UnitCount[];
  /** Bowls planned and mixed; null where no service was carried out at the chair. */
  readonly bowls: { readonly planned: number; readonly done: number | null };
  /** Grams needed by the plan, and taken; null where that was not read. */
  readonly grams: { readonly planned: number; readonly done: number | null };
  /** Longest that it was on and the shortest limit, minutes; null where nobody timed it. */
  readonly on: { readonly longest: number; readonly limit: number } | null;
}

/** Mixes of a visit line by line: as they were frozen when the service began, else as they stand. */
export function mixedLines(
  { letters, units, bowls, amounts }: Pick<WorkList, 'letters' | 'units' | 'bowls' | 'amounts'>,
  { used }: Pick<VisitMix, 'used'>,
  served: Served | null,
): MixedLine[] {
  const weighed = bowls.ok ? bowls.bowls : [];
  const planned = served?.script.units ?? units;
  return letters.flatMap(({ letter }): MixedLine[] => {
    const own = planned.filter((unit) => unit.letter === letter);
    if (own.length === 0) return [];
    // A bowl that several letters share is each one's; of its grams each has its own.
    const mixed = weighed.filter((bowl) => bowl.units.some((at) => units[at].letter === letter));
    const done = served?.record.units.filter((unit) => unit.letter === letter);
    const timed = done?.filter(({ on }) => on !== null) ?? [];
    return [
      {
        letter,
        words: own[0].mix,
        endsWords: own.find(({ endsMix }) => endsMix !== null)?.endsMix ?? null,
        units: keysOf(UNIT_WORDS).flatMap((kind) => {
          const count = own.filter((unit) => unit.kind === kind).length;
          const placed = done
            ? done.filter((unit) => unit.kind === kind && unit.placed !== null).length
            : null;
          return count > 0 || (placed ?? 0) > 0 ? [{ kind, planned: count, done: placed }] : [];
        }),
        bowls: { planned: mixed.length, done: served ? (served.record.bowls[letter] ?? 0) : null },
        grams: {
          planned: amounts
            .filter((amount) => amount.letter === letter)
            .reduce((sum, amount) => sum + amount.mixed, 0),
          done: used[letter]?.grams ?? null,
        },
        on:
          timed.length > 0
            ? {
                longest: Math.max(...timed.map(({ on }) => on!)),
                limit: Math.min(...timed.map(({ limitMinutes }) => limitMinutes)),
              }
            : null,
      },
    ];
  });
}

/** `47 foils, 12 tip-outs`; with what was done where that differs: `45 of 47 foils`. */
export function unitsSaid(counts: readonly UnitCount[]): string {
  return counts
    .map(({ kind, planned, done }) => {
      const [one, many] = UNIT_WORDS[kind];
      return `${done === null || done === planned ? planned : `${done} of ${planned}`} ${planned === 1 ? one : many}`;
    })
    .join(', ');
}
