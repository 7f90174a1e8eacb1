import fc from 'fast-check';
import { columnCount, columnEdges } from './columns';

const stock = { usableWidthMm: 95, toleranceMm: 25 };
const aligned = { layout: 'aligned', onePerRow: false } as const;
const brick = { layout: 'bricklaid', onePerRow: false } as const;

test.each([
  [80, 1],
  [95, 1],
  [120, 1],
  [120.1, 2],
  [215, 2],
  [216, 3],
])('%d mm of hair need %d columns', (width, n) => {
  expect(columnCount(width, stock)).toBe(n);
  expect(columnEdges(width, 1, stock, aligned)).toEqual(Array.from({ length: n + 1 }, (_, i) => i / n));
});

test('one foil a row, however wide, where that is asked for', () => {
  expect(columnEdges(400, 1, stock, { layout: 'aligned', onePerRow: true })).toEqual([0, 1]);
});

test('bricklaid: every second row is shifted by half a column', () => {
  expect(columnEdges(200, 1, stock, brick)).toEqual([0, 0.5, 1]);
  expect(columnEdges(200, 2, stock, brick)).toEqual([0, 0.25, 0.75, 1]);
});

test('a bricklaid end piece under 40 mm joins its neighbour', () => {
  // 225 mm: three columns of 75; half a column is 37.5 mm, and 1.5 columns (112.5 mm) still fit on the foil.
  expect(columnEdges(225, 2, stock, brick)).toEqual([0, 0.5, 1]);
  // 150 mm: both ends joined would make one piece of 150 mm, wider than the foil: the seam moves, once to
  // each side.
  expect([2, 3, 4].map((row) => columnEdges(150, row, stock, brick)[1] * 150)).toEqual(
    [110, 75, 40].map((mm) => expect.closeTo(mm, 9)),
  );
});

test('pieces never exceed the foil with its tolerance, and together they are the section', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 15, max: 500, noNaN: true }),
      fc.constantFrom(1, 2),
      fc.constantFrom(aligned, brick),
      (width, row, layout) => {
        const edges = columnEdges(width, row, stock, layout);
        expect(edges[0]).toBe(0);
        expect(edges.at(-1)).toBe(1);
        for (let i = 1; i < edges.length; i += 1) {
          expect(edges[i]).toBeGreaterThan(edges[i - 1]);
          expect((edges[i] - edges[i - 1]) * width).toBeLessThanOrEqual(120 + 2e-6);
        }
      },
    ),
  );
});
