import { openedHairline, type OpenedPoint } from '../head';
import { pathPoints, type ComputedPlan, type FoilPath } from '../pattern';
import { mm } from './shapes';

/** A pattern as a few SVG paths: quick to draw many times. Client's left on screen-left, forehead up, mm. */
export interface Thumbnail {
  readonly box: string;
  readonly hairline: string;
  readonly foils: string;
  readonly painted: string;
}

/** Free space round the head, mm: a foil's corner may stand out a little. */
const MARGIN_MM = 4;

export function thumbnailOf({ drawing }: ComputedPlan): Thumbnail {
  const { head, paths, painted } = drawing;
  const hairline = openedHairline(head, 90);
  const edge = (of: (...all: number[]) => number, axis: 'x' | 'y') =>
    of(...hairline.map((point) => -point[axis]));
  const [left, top] = [edge(Math.min, 'x') - MARGIN_MM, edge(Math.min, 'y') - MARGIN_MM];
  return {
    box: [left, top, edge(Math.max, 'x') + MARGIN_MM - left, edge(Math.max, 'y') + MARGIN_MM - top]
      .map(mm)
      .join(' '),
    hairline: line(hairline),
    foils: paths.map(ribbon).join(''),
    painted: painted.map(ribbon).join(''),
  };
}

const line = (points: readonly OpenedPoint[]) =>
  `${points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${mm(-x)} ${mm(-y)}`).join('')}Z`;

function ribbon(path: FoilPath): string {
  const few = <T>(points: readonly T[]) => points.filter((_, i) => i % 3 === 0 || i === points.length - 1);
  return line([...few(pathPoints(path, 'before')), ...few(pathPoints(path, 'after')).reverse()]);
}
