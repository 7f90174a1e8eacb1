import fc from 'fast-check';
import { crossesItself, polygonArea, polygonDepth } from './polygon';

const square = [
  { x: 0, y: 0 },
  { x: 10, y: 0 },
  { x: 10, y: 10 },
  { x: 0, y: 10 },
];
const coordinate = fc.double({ min: -30, max: 40, noNaN: true });

test('depth in a square is the distance to its nearest edge, negative outside', () => {
  expect(polygonDepth(square, { x: 5, y: 5 })).toBeCloseTo(5, 12);
  expect(polygonDepth(square, { x: 9, y: 4 })).toBeCloseTo(1, 12);
  expect(polygonDepth(square, { x: 13, y: 14 })).toBeCloseTo(-5, 12);
  fc.assert(
    fc.property(coordinate, coordinate, (x, y) => {
      const inside = x > 0 && x < 10 && y > 0 && y < 10;
      const expected = inside
        ? Math.min(x, 10 - x, y, 10 - y)
        : -Math.hypot(Math.max(0 - x, 0, x - 10), Math.max(0 - y, 0, y - 10));
      expect(polygonDepth(square, { x, y })).toBeCloseTo(expected, 9);
    }),
  );
});

test('which way round an outline is drawn does not matter', () => {
  fc.assert(
    fc.property(coordinate, coordinate, (x, y) => {
      expect(polygonDepth([...square].reverse(), { x, y })).toBeCloseTo(polygonDepth(square, { x, y }), 12);
    }),
  );
  expect(polygonArea([...square].reverse())).toBe(100);
});

test('a bow tie crosses itself, a square and a star with five corners in turn do not', () => {
  expect(crossesItself([square[0], square[2], square[1], square[3]])).toBe(true);
  expect(crossesItself(square)).toBe(false);
  const star = Array.from({ length: 10 }, (_, i) => ({
    x: Math.cos((i * Math.PI) / 5) * (i % 2 ? 3 : 8),
    y: Math.sin((i * Math.PI) / 5) * (i % 2 ? 3 : 8),
  }));
  expect(crossesItself(star)).toBe(false);
});
