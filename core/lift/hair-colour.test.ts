import { cssColour, naturalHair, linearRgb } from './hair-colour';

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

test('colours become linear light: white, mid grey, and sRGB red from their OKLCh', () => {
  linearRgb({ lightness: 1, chroma: 0, hueDeg: 0 }).forEach((value) => expect(value).toBeCloseTo(1, 4));
  // OKLab lightness is the cube root of linear light for greys.
  linearRgb({ lightness: 0.5, chroma: 0, hueDeg: 120 }).forEach((value) => expect(value).toBeCloseTo(0.125, 4));
  const [r, g, b] = linearRgb({ lightness: 0.62796, chroma: 0.25768, hueDeg: 29.234 });
  expect(r).toBeCloseTo(1, 2);
  expect(Math.max(g, b)).toBeLessThan(0.002);
});
