import type { OpenedPoint } from '../head';
import type { PatternDrawing } from './compute';
import type { FoilPath } from './panel-foils';
import { polygonDepth } from './polygon';

const { abs, hypot, max, min } = Math;

/**
 * The foil that lies at a point of the opened head: its index among the drawing's paths, −1 where there is
 * none.
 * @param slackMm how far beside its section a foil is still meant
 */
export function foilAt(paths: readonly FoilPath[], point: OpenedPoint, slackMm = 2): number {
  let best = -1;
  let least = Infinity;
  paths.forEach((path, i) => {
    const beyond = beyondSection(path, point, min(least, slackMm));
    if (beyond < least) {
      least = beyond;
      best = i;
    }
  });
  return best;
}

/**
 * How far outside a section a point lies, mm: ≤ 0 within it, the more negative the nearer its middle;
 * Infinity beyond `most`.
 */
function beyondSection({ packed, count }: FoilPath, { x, y }: OpenedPoint, most: number): number {
  let least = Infinity;
  for (let j = 0; j + 1 < count; j += 1) {
    const at = 6 * j;
    const ax = packed[at];
    const ay = packed[at + 1];
    const half = hypot(packed[at + 2] - packed[at + 4], packed[at + 3] - packed[at + 5]) / 2;
    const ex = packed[at + 6] - ax;
    const ey = packed[at + 7] - ay;
    const size = ex * ex + ey * ey;
    const reach = half + most;
    if (abs(x - ax) > reach + abs(ex) || abs(y - ay) > reach + abs(ey)) continue;
    const f = size > 0 ? max(0, min(1, ((x - ax) * ex + (y - ay) * ey) / size)) : 0;
    least = min(least, hypot(x - ax - f * ex, y - ay - f * ey) - half);
  }
  return least <= most ? least : Infinity;
}

/**
 * The panel whose outline holds a point of the opened head, the smallest where several do; undefined on hair
 * of none.
 */
export function panelAt(
  { outlines }: Pick<PatternDrawing, 'outlines'>,
  point: OpenedPoint,
): string | undefined {
  let best: string | undefined;
  let shallowest = Infinity;
  for (const { panel, outlines: lines } of outlines) {
    for (const outline of lines) {
      const depth = polygonDepth(outline, point);
      if (depth >= 0 && depth < shallowest) {
        shallowest = depth;
        best = panel;
      }
    }
  }
  return best;
}
