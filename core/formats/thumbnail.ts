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

export function thumbnailOf({ drawing }: ComputedPlan): Thumbnail {
  const { head, paths, painted } = drawing;
  const { k } = head;
  return {
    box: [-170 * k, -112 * k, 340 * k, 362 * k].map(mm).join(' '),
    hairline: line(openedHairline(head, 90)),
    foils: paths.map(ribbon).join(''),
    painted: painted.map(ribbon).join(''),
  };
}

const line = (points: readonly OpenedPoint[]) => `${points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${mm(-x)} ${mm(-y)}`).join('')}Z`;

function ribbon(path: FoilPath): string {
  const few = <T,>(points: readonly T[]) => points.filter((_, i) => i % 3 === 0 || i === points.length - 1);
  return line([...few(pathPoints(path, 'before')), ...few(pathPoints(path, 'after')).reverse()]);
}
