'use client';

import { memo } from 'react';
import type { OpenedPoint } from '@/core/head';
import { pathPoints, stitchesOnHead, type Foil, type FoilPath } from '@/core/pattern';
import { closedPath } from './closed-path';
import { pathThrough } from './scalp-map';

interface FoilNumbersProps {
  foils: readonly Foil[];
  paths: readonly FoilPath[];
  selectedPanel?: string;
  /** Every foil carries its place in the order of work: legible once the head is enlarged. */
  all?: boolean;
}

/** Numbers on the foils: rows of the selected panel, or every foil's place in the order of work. */
export const FoilNumbers = memo(function FoilNumbers({
  foils,
  paths,
  selectedPanel,
  all = false,
}: FoilNumbersProps) {
  return (
    <g pointerEvents="none">
      {foils.map((foil, i) => {
        if (all)
          return (
            <FoilNumber
              key={foil.id}
              at={middleOf(paths[i])}
              size={Math.min(3.4, Math.max(2.2, foil.thicknessMm * 0.9))}
              figure={foil.order}
            />
          );
        const named = foil.panel === selectedPanel && Math.abs(foil.column) <= 1;
        return (
          named && (
            <FoilNumber key={foil.id} at={labelEnd(pathPoints(paths[i]))} size={6.2} figure={foil.row} />
          )
        );
      })}
    </g>
  );
});

interface BrightFoilsProps {
  foils: readonly Foil[];
  paths: readonly FoilPath[];
  shade: string;
  /** Letters whose formulas only deposit. */
  dark?: string;
  ids: readonly (string | undefined)[];
}

/** Foils drawn bright, over the others: what is under the pointer, what is chosen. */
export function BrightFoils({ foils, paths, shade, dark = '', ids }: BrightFoilsProps) {
  return (
    <g pointerEvents="none">
      {foils.map(
        (foil, i) =>
          ids.includes(foil.id) && (
            <Bright
              key={foil.id}
              path={paths[i]}
              foil={foil}
              shade={shade}
              deposits={dark.includes(foil.formula)}
            />
          ),
      )}
    </g>
  );
}

function Bright({
  path,
  foil,
  shade,
  deposits,
}: {
  path: FoilPath;
  foil: Foil;
  shade: string;
  deposits: boolean;
}) {
  const d = pathThrough(pathPoints(path));
  return (
    <>
      <path d={d} fill="none" stroke="var(--color-white)" strokeWidth={foil.thicknessMm + 3} />
      <path d={d} fill="none" stroke={shade} strokeWidth={Math.max(0.4, foil.thicknessMm - 0.4)} />
      <path
        d={stitchesOnHead(path, foil.widthMm)
          .map((outline) => closedPath(outline.map(({ x, y }) => [-x, -y])))
          .join('')}
        fill={deposits ? 'var(--color-dusk-glyph)' : 'var(--color-sun)'}
      />
    </>
  );
}

function FoilNumber({ at, size, figure }: { at: OpenedPoint; size: number; figure: number }) {
  return (
    <text
      x={-at.x}
      y={-at.y + size / 3}
      fontSize={size}
      fontWeight="700"
      textAnchor="middle"
      fill="var(--color-white)"
      stroke="#000"
      strokeOpacity="0.65"
      strokeWidth={size / 4}
      paintOrder="stroke"
    >
      {figure}
    </text>
  );
}

function middleOf({ packed, count }: FoilPath): OpenedPoint {
  const j = 6 * (count >> 1);
  return { x: packed[j], y: packed[j + 1] };
}

/**
 * The row's number stands on the middle line where the foil reaches it, otherwise at the end that lies
 * farther out.
 */
function labelEnd(points: readonly OpenedPoint[]): OpenedPoint {
  const first = points[0];
  const last = points[points.length - 1];
  const nearest = Math.abs(first.x) < Math.abs(last.x) ? first : last;
  if (Math.abs(nearest.x) < 3) return nearest;
  return Math.hypot(first.x, first.y) > Math.hypot(last.x, last.y) ? first : last;
}
