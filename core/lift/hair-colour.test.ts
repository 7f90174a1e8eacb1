import {
  colourDifference,
  cssColour,
  hairOfRgb,
  levelOfLightness,
  lightnessOf,
  linearRgb,
  mixedHair,
  naturalHair,
  tonedHair,
  undercoatHair,
} from './hair-colour';

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
  linearRgb({ lightness: 0.5, chroma: 0, hueDeg: 120 }).forEach((value) =>
    expect(value).toBeCloseTo(0.125, 4),
  );
  const [r, g, b] = linearRgb({ lightness: 0.62796, chroma: 0.25768, hueDeg: 29.234 });
  expect(r).toBeCloseTo(1, 2);
  expect(Math.max(g, b)).toBeLessThan(0.002);
});

test('undercoat of the table, halves between; darker than 4 as 4', () => {
  expect(undercoatHair(8)).toEqual({ lightness: 0.66, hueDeg: 82, chroma: 0.115 });
  expect(undercoatHair(6.5).hueDeg).toBeCloseTo(61.5, 12);
  const [six, between, seven] = [6, 6.5, 7].map((level) => undercoatHair(level).chroma);
  expect(between).toBeCloseTo((six + seven) / 2, 12);
  expect(undercoatHair(11)).toEqual(undercoatHair(10));
  expect(undercoatHair(2)).toEqual({ lightness: 0.21, hueDeg: 35, chroma: 0.09 });
});

test('tones lie on their side of neutral', () => {
  const [warm, neutral, cool] = (['warm', 'neutral', 'cool'] as const).map((tone) => tonedHair(8, tone));
  expect(warm.chroma - neutral.chroma).toBeCloseTo(0.025, 12);
  expect(neutral.chroma - cool.chroma).toBeCloseTo(0.02, 12);
  expect(cool.hueDeg - neutral.hueDeg).toBeCloseTo(20, 12);
});

test('a mixture begins as one colour and ends as the other', () => {
  const [a, b] = [naturalHair(4), tonedHair(9, 'cool')];
  for (const [share, end] of [
    [0, a],
    [1, b],
  ] as const) {
    const hairColour = mixedHair(a, b, share);
    expect(hairColour.lightness).toBeCloseTo(end.lightness, 12);
    expect(hairColour.chroma).toBeCloseTo(end.chroma, 12);
    expect(hairColour.hueDeg).toBeCloseTo(end.hueDeg, 9);
  }
});

test('a level is found again from its lightness; darker than 1 is 1, lighter than 10 is 10', () => {
  for (let level = 1; level <= 10; level += 0.25)
    expect(levelOfLightness(lightnessOf(level))).toBeCloseTo(level, 9);
  expect([levelOfLightness(0.05), levelOfLightness(0.95)]).toEqual([1, 10]);
});

test('bright is lighter, paler and further from red; no tone takes all of the colour', () => {
  const [neutral, bright] = [naturalHair(8), tonedHair(8, 'bright')];
  expect([bright.lightness, bright.chroma, bright.hueDeg]).toEqual([
    expect.closeTo(neutral.lightness + 0.03, 12),
    expect.closeTo(neutral.chroma - 0.035, 12),
    expect.closeTo(neutral.hueDeg + 25, 12),
  ]);
  expect([tonedHair(1, 'bright').chroma, tonedHair(1, 'cool').chroma]).toEqual([0.004, 0.004]);
  expect(tonedHair(5, 'neutral')).toEqual(naturalHair(5));
});

test('difference: none from itself, hundredths of lightness, and across the wheel', () => {
  const own = { lightness: 0.5, chroma: 0.05, hueDeg: 60 };
  expect(colourDifference(own, own)).toBe(0);
  expect(colourDifference(own, { ...own, lightness: 0.53 })).toBeCloseTo(3, 9);
  expect(colourDifference(own, { ...own, hueDeg: 240 })).toBeCloseTo(10, 9);
  expect(colourDifference(own, { ...own, hueDeg: 150 })).toBeCloseTo(5 * Math.SQRT2, 9);
});

test('light of a screen is read back as the colour that it shows', () => {
  for (const colour of [naturalHair(3), naturalHair(8), undercoatHair(9), tonedHair(9, 'cool')]) {
    const { lightness, chroma, hueDeg } = hairOfRgb(linearRgb(colour));
    expect(lightness).toBeCloseTo(colour.lightness, 5);
    expect(chroma).toBeCloseTo(colour.chroma, 5);
    expect(hueDeg).toBeCloseTo(colour.hueDeg, 2);
  }
});

test('no light is below none or above all', () =>
  linearRgb({ lightness: 1.2, chroma: 0.3, hueDeg: 30 }).forEach((value) => {
    expect(value).toBeGreaterThanOrEqual(0);
    expect(value).toBeLessThanOrEqual(1);
  }));
