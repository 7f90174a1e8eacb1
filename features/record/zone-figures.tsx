'use client';

import { useMemo } from 'react';
import { makeScalp, makeScalpGrid, zoneName, zoneOutlines, type Zone } from '@/core/head';
import { cssColour, naturalHair } from '@/core/lift';
import { formatLevel } from '@/core/units';
import type { Outcome } from '@/core/visit';
import { pathThrough } from '../head/scalp-map';
import { useVisit } from '../visit/store';
import { TONE_WORDS } from './words';

export type Shown = 'regrowth' | 'level';

interface ZoneFiguresProps {
  /** The fields of colour, or the words that lie over them and over the hairline. */
  part: 'fields' | 'words';
  shown: Shown;
  zones: NonNullable<Outcome['zones']>;
  found: Readonly<Partial<Record<Zone, number>>>;
}

/** Zones on the opened head with what was found and left, or with level and tone. */
export function ZoneFigures({ part, shown, zones, found }: ZoneFiguresProps) {
  const { computed } = useVisit();
  const { head } = computed.drawing;
  const outlines = useMemo(() => zoneOutlines(makeScalpGrid(makeScalp(head))), [head]);
  return outlines.map(({ zone, outlines: edges, label }) => {
    const own = zones[zone];
    const { words, fill } = shown === 'regrowth' ? regrowthOf(found[zone], own?.leftMm ?? null) : levelOf(own);
    if (part === 'fields') return edges.map((edge, i) => <path key={`${zone} ${i}`} d={pathThrough(edge, true)} fill={fill ?? '#fff'} fillOpacity={fill ? (shown === 'level' ? 0.9 : 0.55) : 0.03} stroke="var(--color-white)" strokeOpacity="0.45" strokeWidth="0.6" />);
    return (
      <text key={zone} role="img" aria-label={`${zoneName(zone)}: ${words || 'nothing'}`} x={-label.x} y={-label.y + 3} textAnchor="middle" fontSize="8.5" fontWeight="700" fill="var(--color-white)" stroke="#000" strokeOpacity="0.65" strokeWidth="2" paintOrder="stroke" pointerEvents="none">{words}</text>
    );
  });
}

function regrowthOf(found: number | undefined, leftMm: number | null): { words: string; fill: string | null } {
  const before = found === undefined ? '' : String(Math.round(found));
  return { words: leftMm === null ? before : `${before} → ${Math.round(leftMm)}`.trim(), fill: leftMm === null ? null : 'var(--color-leaf)' };
}

function levelOf(own: NonNullable<Outcome['zones']>[Zone] | undefined): { words: string; fill: string | null } {
  const words = [own?.level !== null && own?.level !== undefined && formatLevel(own.level), own?.tone && TONE_WORDS[own.tone]].filter(Boolean).join(' ');
  return { words, fill: own?.level ? cssColour(naturalHair(own.level)) : null };
}
