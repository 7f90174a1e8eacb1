'use client';

import { unitName, wasPastLimit, type ServiceRecord } from '@/core/chair';
import { pathPoints, type FoilPath } from '@/core/pattern';
import { pathThrough } from '../head/scalp-map';

/** Foils that were not placed, and those that were on past the maker’s limit, where they lie on the head. */
export function DoneMarks({ record, paths }: { record: ServiceRecord; paths: readonly FoilPath[] }) {
  const byId = new Map(paths.map((path) => [path.id, path]));
  return record.units.flatMap(({ id, standing, on, earlier, limitMinutes, number, kind }) => {
    const path = byId.get(id);
    const over = wasPastLimit({ on, earlier, limitMinutes });
    if (!path || (standing !== 'skipped' && !over)) return [];
    return [
      <path
        key={id}
        role="img"
        aria-label={`${number === null ? 'Added foil' : unitName({ kind, number })}: ${over ? `past the limit, ${Math.round(on ?? 0)} min on` : 'skipped'}`}
        d={pathThrough(pathPoints(path))}
        fill="none"
        stroke="var(--color-rowan)"
        strokeWidth="3"
        strokeLinecap="round"
        strokeDasharray={over ? undefined : '2 5'}
      />,
    ];
  });
}
