'use client';

import { useMemo } from 'react';
import { makeScalp, makeScalpGrid, zoneName, zoneOutlines, type Zone } from '@/core/head';
import { cssColour, naturalHair } from '@/core/lift';
import type { Shares } from '@/core/pattern';
import { formatLevel, percent } from '@/core/units';
import type { Outcome } from '@/core/visit';
import { pathThrough } from '../head/scalp-map';
import { useComputed } from '../visit/computed';
import { useVisit } from '../visit/store';
import { TONE_WORDS } from './words';

export type Shown = 'regrowth' | 'level' | 'hair';

interface ZoneFiguresProps {
  /** The fields of colour, or the words that lie over them and over the hairline. */
  part: 'fields' | 'words';
  shown: Shown;
  zones: NonNullable<Outcome['zones']>;
  found: Readonly<Partial<Record<Zone, number>>>;
}

/**
 * Zones on the opened head with what was found and left, with level and tone, or with the shares that are
 * lightened and deepened.
 */
export function ZoneFigures({ part, shown, zones, found }: ZoneFiguresProps) {
  const { computed } = useVisit();
  const { shares } = useComputed();
  const { head } = computed.drawing;
  const outlines = useMemo(() => zoneOutlines(makeScalpGrid(makeScalp(head))), [head]);
  return outlines.map(({ zone, outlines: edges, label }) => {
    const zoneOutcome = zones[zone];
    const { words, fill, opacity } = {
      regrowth: () => regrowthOf(found[zone], zoneOutcome?.leftMm ?? null),
      level: () => levelOf(zoneOutcome),
      hair: () => shareOf(shares.byZone[zone]),
    }[shown]();
    if (part === 'fields')
      return edges.map((edge, i) => (
        <path
          key={`${zone} ${i}`}
          d={pathThrough(edge, true)}
          fill={fill ?? '#fff'}
          fillOpacity={fill ? opacity : 0.03}
          stroke="var(--color-white)"
          strokeOpacity="0.45"
          strokeWidth="0.6"
        />
      ));
    return (
      <text
        key={zone}
        role="img"
        aria-label={`${zoneName(zone)}: ${words || 'nothing'}`}
        x={-label.x}
        y={-label.y + 3}
        textAnchor="middle"
        fontSize="8.5"
        fontWeight="700"
        fill="var(--color-white)"
        stroke="#000"
        strokeOpacity="0.65"
        strokeWidth="2"
        paintOrder="stroke"
        pointerEvents="none"
      >
        {words}
      </text>
    );
  });
}

/** What stands in a zone, and its field of colour. */
interface Figure {
  readonly words: string;
  readonly fill: string | null;
  readonly opacity: number;
}

function shareOf({ lightened, deepened }: Shares): Figure {
  return {
    words: [percent(lightened), deepened >= 0.005 && `${percent(deepened)} dark`].filter(Boolean).join(', '),
    fill: 'var(--color-white)',
    opacity: lightened,
  };
}

function regrowthOf(found: number | undefined, leftMm: number | null): Figure {
  const before = found === undefined ? '' : String(Math.round(found));
  return {
    words: leftMm === null ? before : `${before} → ${Math.round(leftMm)}`.trim(),
    fill: leftMm === null ? null : 'var(--color-leaf)',
    opacity: 0.55,
  };
}

function levelOf(zoneOutcome: NonNullable<Outcome['zones']>[Zone] | undefined): Figure {
  const words = [
    zoneOutcome?.level !== null && zoneOutcome?.level !== undefined && formatLevel(zoneOutcome.level),
    zoneOutcome?.tone && TONE_WORDS[zoneOutcome.tone],
  ]
    .filter(Boolean)
    .join(' ');
  return { words, fill: zoneOutcome?.level ? cssColour(naturalHair(zoneOutcome.level)) : null, opacity: 0.9 };
}
