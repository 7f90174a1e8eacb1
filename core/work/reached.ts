import type { Zone } from '../head';
import { undercoatAt } from '../lift';
import type { Reached } from '../mix';
import type { LiftRow } from './lift';

/**
 * Level that each lifted zone is expected to reach (estimate): the target where it is expected within the maker's time, else
 * what is reached by then; the lowest where several mixes meet.
 */
export function reachedIn(rows: readonly LiftRow[]): Reached[] {
  const levels = new Map<Zone, number>();
  for (const { zones, stretch, target, atLimit, from } of rows) {
    if (stretch !== 'length') continue;
    const level = Math.max(from, Math.min(target, atLimit.level));
    for (const zone of zones) levels.set(zone, Math.min(level, levels.get(zone) ?? 10));
  }
  return [...levels].map(([zone, level]) => ({ zone, level, undercoat: undercoatAt(level) }));
}
