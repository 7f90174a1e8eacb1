/** A closed line through points, as SVG has it. */
export const closedPath = (points: readonly (readonly [x: number, y: number])[]): string =>
  `M${points.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}Z`;
