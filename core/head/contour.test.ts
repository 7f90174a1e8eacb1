import { makeHead, makeScalp, makeScalpGrid, traceOutlines, type Outline } from './index';

const grid = makeScalpGrid(
  makeScalp(makeHead({ circumferenceMm: 550, hairline: { left: 'round', right: 'round' } })),
);

function area(outline: Outline): number {
  return outline.reduce((sum, p, i) => {
    const q = outline[(i + 1) % outline.length];
    return sum + (p.x * q.y - q.x * p.y) / 2;
  }, 0);
}

/** Depth inside a disc on the opened head, at every node. */
const disc = (x: number, y: number, radius: number) =>
  Float64Array.from(grid.points, (_, i) => {
    const dx = grid.x0 + (i % grid.columns) * grid.step - x;
    const dy = grid.y0 + Math.floor(i / grid.columns) * grid.step - y;
    return radius - Math.hypot(dx, dy);
  });

test('the outline of a disc is one loop with the disc’s area', () => {
  const loops = traceOutlines(grid, disc(10, -60, 40));
  expect(loops).toHaveLength(1);
  expect(Math.abs(area(loops[0]) / (Math.PI * 1600) - 1)).toBeLessThan(0.005);
});

test('two separate discs are two loops, turning the same way', () => {
  const one = disc(60, -60, 20);
  const loops = traceOutlines(
    grid,
    disc(-60, -60, 20).map((depth, i) => Math.max(depth, one[i])),
  );
  expect(loops).toHaveLength(2);
  expect(Math.sign(area(loops[0]))).toBe(Math.sign(area(loops[1])));
});
