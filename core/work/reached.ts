import type { Zone } from '../head';
import { undercoatAt } from '../lift';
import type { Reached } from '../mix';
import type { LiftRow } from './lift';
import type { WorkList } from './list';

/**
 * Level that each lifted zone is expected to reach (estimate): the target where it is expected within the
 * maker's time, else
 * what is reached by then; the lowest where several mixes meet.
 */
export function reachedIn(rows: readonly LiftRow[]): Reached[] {
  const levels = new Map<Zone, number>();
  for (const row of rows) {
    if (row.stretch !== 'length') continue;
    const level = levelOf(row);
    for (const zone of row.zones) levels.set(zone, Math.min(level, levels.get(zone) ?? 10));
  }
  return [...levels].map(([zone, level]) => ({ zone, level, undercoat: undercoatAt(level) }));
}

const levelOf = ({ from, target, atLimit }: LiftRow) => Math.max(from, Math.min(target, atLimit.level));

/**
 * Level that each unit that lifts is expected to reach on its length (estimate), by its id, to the tenth:
 * less is not seen.
 */
export function levelsOfUnits({
  units,
  lift,
}: Pick<WorkList, 'units' | 'lift'>): Readonly<Record<string, number>> {
  return Object.fromEntries(
    units.flatMap(({ id, liftRows }) => {
      const row = liftRows.map((liftRow) => lift[liftRow]).find(({ stretch }) => stretch === 'length');
      return row ? [[id, Math.round(10 * levelOf(row)) / 10]] : [];
    }),
  );
}
