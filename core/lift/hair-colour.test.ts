import { cssColour, naturalHair } from './hair-colour';

test('levels 1, 6 and 10 of the table, halves between', () => {
  expect(naturalHair(1)).toEqual({ lightness: 0.16, chroma: 0.02, hueDeg: 62 });
  expect(naturalHair(6).lightness).toBeCloseTo(0.46, 12);
  expect(naturalHair(6.5).lightness).toBeCloseTo((0.46 + 0.55) / 2, 12);
  expect(naturalHair(10).chroma).toBeCloseTo(0.06, 12);
  expect(naturalHair(11)).toEqual(naturalHair(10));
});

test('a higher level is never darker', () => {
  for (let level = 1; level < 10; level += 0.25) {
    expect(naturalHair(level + 0.25).lightness).toBeGreaterThan(naturalHair(level).lightness);
  }
});

test('is written as CSS', () => expect(cssColour(naturalHair(8))).toBe('oklch(0.660 0.051 77.6)'));
