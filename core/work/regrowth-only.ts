import { mixedGrams } from '../bowl';
import type { RegrowthByZone } from '../visit';
import type { WorkList } from './list';

/**
 * A colour that is planned along the whole hair where only its regrowth may want it: mixed now, and for the
 * regrowth alone, g (estimate).
 */
export interface RegrowthOnly {
  readonly letter: string;
  readonly now: number;
  readonly then: number;
}

/** Less saved than this share is no matter. */
const WORTH = 0.4;

/**
 * Letters that only deposit and are painted to the ends although all their hair has been taken to the root
 * before: dark that is
 * put back is wanted on what has grown since. Whether its lengths have kept their colour is for the colourist
 * to see.
 */
export function regrowthOnly(
  { units, letters }: Pick<WorkList, 'units' | 'letters'>,
  regrowthMm: Readonly<RegrowthByZone>,
): RegrowthOnly[] {
  return letters.flatMap(({ letter, formula }): RegrowthOnly[] => {
    if (formula.kind !== 'deposit' || formula.reach !== 'ends') return [];
    const own = units.filter(
      (unit) => unit.letter === letter && (unit.kind === 'foil' || unit.kind === 'open-air'),
    );
    if (own.length === 0 || own.some(({ zone }) => regrowthMm[zone] === undefined)) return [];
    const now = own.reduce((sum, { grams, endsGrams }) => sum + grams + endsGrams, 0);
    const then = own.reduce((sum, { grams, endsGrams, reachMm: [from, to], zone }) => {
      const length = to - from;
      const grown = Math.max(0, Math.min(to, regrowthMm[zone]!) - from);
      return sum + (length > 0 ? ((grams + endsGrams) * grown) / length : 0);
    }, 0);
    return then < (1 - WORTH) * now && then > 0
      ? [{ letter, now: mixedGrams(now), then: mixedGrams(then) }]
      : [];
  });
}
