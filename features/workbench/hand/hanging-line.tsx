'use client';

import { useVisit } from '../../visit/store';
import { onScreen } from '../../head/scalp-map';
import { useHangingHair } from '../use-hanging-hair';

/** Bars stand so far outside the hairline, and are so long where the line is full, mm of the opened head. */
const OUT_MM = 5;
const FULL_MM = 9;
const LABELLED_EVERY_DEG = 30;

/**
 * The line of hair that hangs out of the selected panel where its width follows the hair: a bar for each
 * place, amber where it is thin.
 */
export function HangingLine() {
  const { plan, computed, selected } = useVisit();
  const { head } = computed.drawing;
  const line = useHangingHair(plan.panels.find(({ id, muted }) => id === selected.panel && !muted)?.place);
  if (!line) return null;
  const { wanted, all } = line;
  return (
    <g pointerEvents="none">
      {all.map(({ azimuthDeg, widthMm, hairsPerMm }) => {
        const azimuth = (azimuthDeg * Math.PI) / 180;
        const at = (arc: number) => onScreen({ x: arc * Math.sin(azimuth), y: arc * Math.cos(azimuth) });
        const edge = head.hairArc(azimuth);
        const [from, to, label] = [
          at(edge + OUT_MM),
          at(edge + OUT_MM + (FULL_MM * hairsPerMm) / wanted),
          at(edge + OUT_MM + FULL_MM + 5),
        ];
        const thin = hairsPerMm < wanted;
        return (
          <g key={azimuthDeg}>
            <line
              x1={from.x}
              y1={from.y}
              x2={to.x}
              y2={to.y}
              stroke={thin ? 'var(--color-amber-bark)' : 'var(--color-leaf)'}
              strokeWidth="3.5"
              strokeLinecap="round"
            >
              <title>{`${Math.round(hairsPerMm)} hairs hang from each mm`}</title>
            </line>
            {(thin || azimuthDeg % LABELLED_EVERY_DEG === 0) && (
              <text
                x={label.x}
                y={label.y + 2.5}
                textAnchor="middle"
                fontSize="7"
                fontWeight="600"
                fill={thin ? 'var(--color-amber-bark)' : 'var(--color-ink)'}
              >
                {Math.round(widthMm)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
