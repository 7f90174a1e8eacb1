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
  /** Every foil carries its place in the order of work: legible once the head is enlarged. */
  numbered?: boolean;
}

/** Foils as strips lying on the opened head: edge of foil, hair inside, light where it is picked, in real proportion. */
export const FoilStrips = memo(function FoilStrips({ foils, paths, bark, selectedPanel, numbered = false }: FoilStripsProps) {
  return (
    <g pointerEvents="none">
      {[...sheaves(foils, paths)].map(([key, sheaf]) => (
        <Sheaf key={key} d={sheaf.d} thicknessMm={sheaf.thicknessMm} bark={bark} chosen={sheaf.panel === selectedPanel} />
      ))}
      {foils.map((foil, i) => <Light key={foil.id} path={paths[i]} widthMm={foil.widthMm} thicknessMm={foil.thicknessMm} />)}
      {foils.map((foil, i) => {
        if (numbered) return <FoilNumber key={foil.id} at={middleOf(paths[i])} size={Math.min(3.4, Math.max(2.2, foil.thicknessMm * 0.9))} figure={foil.order} />;
        const named = foil.panel === selectedPanel && Math.abs(foil.column) <= 1;
        return named && <RowNumber key={foil.id} at={labelEnd(pathPoints(paths[i]))} figure={foil.row} />;
      })}
    </g>
  );
});

/** Foils drawn bright, over the others: what is under the pointer, what is chosen. */
export function BrightFoils({ foils, paths, bark, ids }: Pick<FoilStripsProps, 'foils' | 'paths' | 'bark'> & { ids: readonly (string | undefined)[] }) {
  return <g pointerEvents="none">{foils.map((foil, i) => ids.includes(foil.id) && <Bright key={foil.id} path={paths[i]} foil={foil} bark={bark} />)}</g>;
}

/** Foils of one panel and thickness: their edges are one shape. */
interface SheafOfFoils {
  readonly panel: string;
  readonly thicknessMm: number;
  d: string;
}

function sheaves(foils: readonly Foil[], paths: readonly FoilPath[]): ReadonlyMap<string, SheafOfFoils> {
  const out = new Map<string, SheafOfFoils>();
  foils.forEach(({ panel, thicknessMm }, i) => {
    const key = `${panel} ${thicknessMm}`;
    const sheaf = out.get(key) ?? { panel, thicknessMm, d: '' };
    sheaf.d += lineOf(paths[i]);
    out.set(key, sheaf);
  });
  return out;
}

const lines = new WeakMap<FoilPath, string>();
/** The middle line of a foil as an SVG path, written once. */
function lineOf(path: FoilPath): string {
  const known = lines.get(path);
  if (known !== undefined) return known;
  const line = pathThrough(pathPoints(path));
  lines.set(path, line);
  return line;
}

const hairIn = (bark: string) => `color-mix(in oklab, ${bark} 62%, black)`;

const Sheaf = memo(function Sheaf({ d, thicknessMm, bark, chosen }: { d: string; thicknessMm: number; bark: string; chosen: boolean }) {
  return (
    <>
      <path d={d} fill="none" strokeWidth={thicknessMm + 1.1} stroke="var(--color-foil)" strokeOpacity={chosen ? 1 : 0.62} />
      <path d={d} fill="none" stroke={hairIn(bark)} strokeWidth={Math.max(0.4, thicknessMm - 0.4)} />
    </>
  );
});

const Light = memo(function Light({ path, widthMm, thicknessMm }: { path: FoilPath; widthMm: number; thicknessMm: number }) {
  const { gather } = path;
  const depth = gather.kind === 'slice' ? 0.8 : 0.35 + 0.5 * gather.depth;
  return (
    <path
      d={lineOf(path)} fill="none" stroke="var(--color-sun)" strokeWidth={Math.max(0.8, (thicknessMm - 0.4) * depth)} pathLength={widthMm}
      strokeDasharray={dashes(gather, widthMm)}
    />
  );
});

function Bright({ path, foil, bark }: { path: FoilPath; foil: Foil; bark: string }) {
  const d = lineOf(path);
  return (
    <>
      <path d={d} fill="none" stroke="var(--color-white)" strokeWidth={foil.thicknessMm + 3} />
      <path d={d} fill="none" stroke={hairIn(bark)} strokeWidth={Math.max(0.4, foil.thicknessMm - 0.4)} />
      <Light path={path} widthMm={foil.widthMm} thicknessMm={foil.thicknessMm} />
    </>
  );
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

function FoilNumber({ at, size, figure }: { at: OpenedPoint; size: number; figure: number }) {
  return (
    <text x={-at.x} y={-at.y + size / 3} fontSize={size} fontWeight="700" textAnchor="middle" fill="var(--color-white)" stroke="#000" strokeOpacity="0.7" strokeWidth={size / 4} paintOrder="stroke">
      {figure}
    </text>
  );
}

function RowNumber({ at, figure }: { at: OpenedPoint; figure: number }) {
  return (
    <text x={-at.x} y={-at.y + 2.2} fontSize="6.2" fontWeight="700" textAnchor="middle" fill="var(--color-white)" stroke="#000" strokeOpacity="0.55" strokeWidth="1.8" paintOrder="stroke">
      {figure}
    </text>
  );
}

function middleOf({ packed, count }: FoilPath): OpenedPoint {
  const j = 6 * (count >> 1);
  return { x: packed[j], y: packed[j + 1] };
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
