'use client';

import { useMemo, useRef } from 'react';
import { ATTRIBUTE, sayIn, type AttributeKey } from '@/core/hair-map';
import { makeScalp, makeScalpGrid, zoneName, zoneOutlines, type Zone } from '@/core/head';
import { formatLevel } from '@/core/units';
import type { Consult } from '@/core/visit';
import { pathThrough, ScalpMap } from '../../head/scalp-map';
import { barkOf } from '../../visit/bark';
import { held } from '../../visit/history';
import { useVisit } from '../../visit/store';
import { fillOf, isArrow, neighbour } from './zone-paint';

interface ZoneMapProps {
  attribute: AttributeKey;
  zone: Zone;
  onZone(zone: Zone): void;
  /** Paints a zone; a stroke is one step of undo. */
  onPaint(zone: Zone, stroke: string): void;
}

/** The zones on the opened head, painted by tap, by drag, or by arrow keys and Enter. */
export function ZoneMap({ attribute, zone: chosen, onZone, onPaint }: ZoneMapProps) {
  const { consult, computed } = useVisit();
  const { head } = computed.drawing;
  const zones = useMemo(() => zoneOutlines(makeScalpGrid(makeScalp(head))), [head]);
  const places = useMemo(
    () => zones.map(({ zone, label }) => ({ zone, at: { x: -label.x, y: -label.y } })),
    [zones],
  );
  const stroke = useRef<{ id: string; last: Zone } | null>(null);
  const groups = useRef(new Map<Zone, SVGGElement>());
  const name = ATTRIBUTE[attribute].name;
  return (
    <ScalpMap
      head={head}
      bark={barkOf(consult.naturalLevel)}
      partOffsetMm={consult.head.part.none ? null : consult.head.part.offsetMm}
      className="min-h-0 w-full flex-1 touch-none"
      label={`${name} by zone`}
      handlers={{
        onPointerUp: () => {
          stroke.current = null;
        },
        onPointerLeave: () => {
          stroke.current = null;
        },
        onPointerMove: (event) => {
          if (!stroke.current) return;
          // Asked by place, since a finger's events all go to where it came down.
          const named = document
            .elementFromPoint(event.clientX, event.clientY)
            ?.closest<SVGGElement>('[data-zone]')?.dataset.zone;
          const under = zones.find((drawn) => drawn.zone === named)?.zone;
          if (!under || under === stroke.current.last) return;
          stroke.current.last = under;
          onZone(under);
          onPaint(under, stroke.current.id);
        },
      }}
    >
      {zones.map(({ zone, outlines, label: at }) => {
        const fill = fillOf(consult, attribute, zone);
        const said = sayIn(consult, attribute, zone);
        return (
          <g
            key={zone}
            ref={(element) => {
              if (element) groups.current.set(zone, element);
            }}
            data-zone={zone}
            role="button"
            tabIndex={zone === chosen ? 0 : -1}
            aria-label={`${zoneName(zone)}: ${said ?? 'not seen'}`}
            className="cursor-crosshair outline-none"
            onFocus={() => onZone(zone)}
            onPointerDown={(event) => {
              stroke.current = { id: held(crypto.randomUUID()), last: zone };
              event.currentTarget.focus();
              onPaint(zone, stroke.current.id);
            }}
            onKeyDown={(event) => {
              if (isArrow(event.key)) {
                event.preventDefault();
                groups.current.get(neighbour(places, zone, event.key))?.focus();
              } else if (event.key === 'Enter' || event.key === ' ') {
                event.preventDefault();
                onPaint(zone, crypto.randomUUID());
              }
            }}
          >
            {outlines.map((outline, i) => (
              <path
                key={i}
                d={pathThrough(outline, true)}
                fill={fill.colour}
                fillOpacity={fill.opacity}
                stroke={zone === chosen ? 'var(--color-sun)' : 'var(--color-white)'}
                strokeOpacity={zone === chosen ? 1 : 0.35}
                strokeWidth={zone === chosen ? 1.8 : 0.6}
              />
            ))}
            <text
              x={-at.x}
              y={-at.y + 3.1}
              textAnchor="middle"
              fontSize="9"
              fontWeight="700"
              fill="var(--color-white)"
              stroke="#000"
              strokeOpacity="0.6"
              strokeWidth="2"
              paintOrder="stroke"
              pointerEvents="none"
              aria-hidden
            >
              {short(consult, attribute, zone)}
            </text>
          </g>
        );
      })}
    </ScalpMap>
  );
}

/** What is written in a zone: the figure without its unit, so that it fits. */
function short(consult: Consult, attribute: AttributeKey, zone: Zone): string {
  const zoneHair = consult.map[zone];
  if (attribute === 'band') return zoneHair?.band ? formatLevel(zoneHair.band.level) : '';
  if (attribute === 'flags') return zoneHair?.flags?.map((flag) => flag[0].toUpperCase()).join(' ') ?? '';
  return (sayIn(consult, attribute, zone) ?? '').replace(/ (mm|\/cm²)$/, '');
}
