'use client';

import { pathPoints, type FoilPath } from '@/core/pattern';
import { onScreen } from '../../head/scalp-map';
import { useUnits } from '../../house/context';
import { useLit, useVisit } from '../../visit/store';

/** A mark every so many mm along the parting. */
const MARK_MM = 10;

/**
 * A ruler along the parting under the pointer, or of the selected foil: its length against the foil's, and
 * its angle.
 */
export function Ruler({ times }: { times: number }) {
  const { plan, computed, selected } = useVisit();
  const lit = useLit();
  const { say } = useUnits();
  const { sheet, drawing } = computed;
  const i = sheet.foils.findIndex(({ id }) => id === (lit ?? selected.foil));
  if (i < 0) return null;
  const foil = sheet.foils[i];
  const path = drawing.paths[i];
  const usable = plan.foil.usableWidthMm;
  const middle = onScreen(pathPoints(path, 'before')[path.count >> 1]);
  const size = 7 / times ** 0.7;
  return (
    <g pointerEvents="none" data-ruler={Math.round(foil.widthMm)}>
      <path
        d={marks(path, foil.widthMm)}
        fill="none"
        stroke="var(--color-white)"
        strokeWidth={0.7 / times ** 0.5}
      />
      <text
        x={middle.x}
        y={middle.y - size}
        fontSize={size}
        fontWeight="600"
        textAnchor="middle"
        fill="var(--color-white)"
        stroke="#000"
        strokeOpacity="0.75"
        strokeWidth={size / 3}
        paintOrder="stroke"
      >
        {`${say(Math.round(foil.widthMm))} on a ${say(usable)} foil · ${Math.abs(Math.round(foil.angleDeg))}°`}
      </text>
    </g>
  );
}

/** Marks across the section's first edge, every centimetre from its beginning, with one at each end. */
function marks({ packed, count }: FoilPath, widthMm: number): string {
  const at = (mm: number, share: number) => {
    const position = (mm / widthMm) * (count - 1);
    const j = Math.min(count - 2, Math.floor(position));
    const f = position - j;
    const read = (offset: number) => packed[6 * j + offset] * (1 - f) + packed[6 * j + 6 + offset] * f;
    return onScreen({ x: read(2) + (read(4) - read(2)) * share, y: read(3) + (read(5) - read(3)) * share });
  };
  const lines: string[] = [];
  const mark = (mm: number, reach: number) => {
    const [a, b] = [at(mm, 0.1), at(mm, -reach)];
    lines.push(`M${a.x.toFixed(2)} ${a.y.toFixed(2)}L${b.x.toFixed(2)} ${b.y.toFixed(2)}`);
  };
  for (let mm = 0; mm < widthMm; mm += MARK_MM) mark(mm, mm % 50 === 0 ? 1 : 0.6);
  mark(widthMm, 1);
  return lines.join('');
}
