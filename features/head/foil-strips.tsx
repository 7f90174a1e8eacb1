'use client';

import { memo } from 'react';
import type { OpenedPoint } from '@/core/head';
import { pathPoints, stitchIntervals, type ComputedPlan, type Foil, type FoilPath, type SingleGather } from '@/core/pattern';
import { pathThrough } from './scalp-map';

interface FoilStripsProps {
  foils: readonly Foil[];
  paths: readonly FoilPath[];
  bark: string;
  selectedPanel?: string;
  selectedFoil?: string;
  lit?: string;
  /** Every foil carries its place in the order of work: legible once the head is enlarged. */
  numbered?: boolean;
  onLight?(foil: string | undefined): void;
  onSelect?(foil: Foil): void;
}

/** Foils as strips lying on the opened head: edge of foil, hair inside, light where it is picked, in real proportion. */
export function FoilStrips({ foils, paths, bark, selectedPanel, selectedFoil, lit, numbered = false, onLight, onSelect }: FoilStripsProps) {
  return foils.map((foil, i) => (
    <g
      key={foil.id} className={onSelect && 'cursor-pointer'}
      onPointerEnter={onLight && (() => onLight(foil.id))} onPointerLeave={onLight && (() => onLight(undefined))}
      onClick={onSelect && (() => onSelect(foil))}
    >
      <Strip
        path={paths[i]} widthMm={foil.widthMm} thicknessMm={foil.thicknessMm} bark={bark}
        state={foil.id === selectedFoil || foil.id === lit ? 'lit' : foil.panel === selectedPanel ? 'chosen' : 'plain'}
        number={numbered ? undefined : foil.panel === selectedPanel && Math.abs(foil.column) <= 1 ? foil.row : undefined}
        order={numbered ? foil.order : undefined}
      />
    </g>
  ));
}

/** Hair between the foils that is treated: tipped out (light) or lowlit (dusk), and sections painted in the open air. */
export const Between = memo(function Between({ computed }: { computed: ComputedPlan }) {
  const { sheet, drawing } = computed;
  const shape = (paths: readonly FoilPath[]) =>
    paths.map((path) => pathThrough([...pathPoints(path, 'before'), ...pathPoints(path, 'after').reverse()], true)).join('');
  const treated = (treatment: 'tip-out' | 'lowlight') => shape(drawing.dropouts.filter((_, i) => sheet.dropouts[i].treatment === treatment));
  return (
    <g pointerEvents="none">
      <path d={shape(drawing.painted)} fill="var(--color-sun)" fillOpacity="0.62" />
      <path d={treated('tip-out')} fill="var(--color-sun)" fillOpacity="0.3" />
      <path d={treated('lowlight')} fill="var(--color-lowlight)" fillOpacity="0.8" />
    </g>
  );
});

interface StripProps {
  path: FoilPath;
  widthMm: number;
  thicknessMm: number;
  bark: string;
  state: 'lit' | 'chosen' | 'plain';
  number?: number;
  order?: number;
}

const Strip = memo(function Strip({ path, widthMm, thicknessMm, bark, state, number, order }: StripProps) {
  const middle = pathPoints(path);
  const d = pathThrough(middle);
  const { gather } = path;
  const edge = state === 'lit' ? 3 : 1.1;
  const depth = gather.kind === 'slice' ? 0.8 : 0.35 + 0.5 * gather.depth;
  const end = labelEnd(middle);
  return (
    <>
      {/* A wide, unseen line, so that a fingertip finds the foil. */}
      <path d={d} fill="none" stroke="transparent" strokeWidth={thicknessMm + 4} />
      <path
        d={d} fill="none" strokeWidth={thicknessMm + edge}
        stroke={state === 'lit' ? 'var(--color-white)' : 'var(--color-foil)'}
        strokeOpacity={state === 'plain' ? 0.62 : 1}
      />
      <path d={d} fill="none" stroke={`color-mix(in oklab, ${bark} 62%, black)`} strokeWidth={Math.max(0.4, thicknessMm - 0.4)} />
      <path
        d={d} fill="none" stroke="var(--color-sun)" strokeWidth={Math.max(0.8, (thicknessMm - 0.4) * depth)} pathLength={widthMm}
        strokeDasharray={dashes(gather, widthMm)}
      />
      {order !== undefined && <FoilNumber at={middle[middle.length >> 1]} size={Math.min(3.4, Math.max(2.2, thicknessMm * 0.9))} figure={order} />}
      {number !== undefined && (
        <text x={-end.x} y={-end.y + 2.2} fontSize="6.2" fontWeight="700" textAnchor="middle" fill="var(--color-white)" stroke="#000" strokeOpacity="0.55" strokeWidth="1.8" paintOrder="stroke" pointerEvents="none">
          {number}
        </text>
      )}
    </>
  );
});

function FoilNumber({ at, size, figure }: { at: OpenedPoint; size: number; figure: number }) {
  return (
    <text x={-at.x} y={-at.y + size / 3} fontSize={size} fontWeight="700" textAnchor="middle" fill="var(--color-white)" stroke="#000" strokeOpacity="0.7" strokeWidth={size / 4} paintOrder="stroke" pointerEvents="none">
      {figure}
    </text>
  );
}

/** Stitches and gaps along the section as a dash pattern, in mm of the path; solid for a slice. */
function dashes(gather: SingleGather, widthMm: number): string | undefined {
  if (gather.kind === 'slice') return undefined;
  if (gather.kind === 'zigzag') return `${gather.pointMm / 2} ${gather.pointMm / 2}`;
  if (!gather.lastStitchMm) return `${gather.stitchMm} ${gather.gapMm}`;
  const stitches = stitchIntervals(gather, widthMm);
  return stitches.flatMap(([from, to], i) => [to - from, (stitches[i + 1]?.[0] ?? widthMm) - to]).map((mm) => mm.toFixed(2)).join(' ');
}

/** The row's number stands on the middle line where the foil reaches it, otherwise at the end that lies farther out. */
function labelEnd(points: readonly OpenedPoint[]): OpenedPoint {
  const first = points[0];
  const last = points[points.length - 1];
  const nearest = Math.abs(first.x) < Math.abs(last.x) ? first : last;
  if (Math.abs(nearest.x) < 3) return nearest;
  return Math.hypot(first.x, first.y) > Math.hypot(last.x, last.y) ? first : last;
}
