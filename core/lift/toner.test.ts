import fc from 'fast-check';
import {
  bandWarning,
  fadedHair,
  needsNoToner,
  rootColour,
  shadeOf,
  toned,
  TONER_WASHES,
  tonerGrams,
  tonerLeft,
  tonerOf,
  undercoatAt,
  undercoatHair,
  undercoatsBetween,
  type Part,
} from '.';

const part = (parts: number, ...shade: Parameters<typeof shadeOf>): Part => ({
  shade: shadeOf(...shade),
  parts,
});
const violet9 = part(1, '9 violet', 9, 'violet');
const natural9 = part(1, '9 natural', 9, 'natural');
const clear = part(1, 'clear', 0, 'clear');
const on = (level: number, timeShare = 1, porous = false) => ({ level, timeShare, porous });

test('undercoats by level with their complements', () => {
  expect(undercoatAt(6)).toEqual({ level: 6, exposed: 'orange', neutralisedBy: 'blue' });
  expect(undercoatAt(9.2)).toMatchObject({ exposed: 'pale yellow', neutralisedBy: 'violet' });
  expect(undercoatAt(10).neutralisedBy).toBeNull();
  expect(undercoatsBetween(6, 9).map(({ level }) => level)).toEqual([7, 8, 9]);
});

test('levels and deposits mix by weight; clear dilutes and has no level', () => {
  const third = tonerOf([violet9, part(1, '8 ash', 8, 'ash'), clear]);
  expect(third.level).toBeCloseTo(8.5, 12);
  expect(third.clearShare).toBeCloseTo(1 / 3, 12);
  const [pure, half] = [tonerOf([violet9]), tonerOf([violet9, clear])];
  expect(half.deposit.a).toBeCloseTo(pure.deposit.a / 2, 12);
  expect(tonerOf([clear]).level).toBeNull();
  expect(() => tonerOf([])).toThrow('A toner needs parts');
});

test('by hand: three parts of 9 violet and one of 6 ash', () => {
  const at = (hueDeg: number, chroma: number) => ({
    a: chroma * Math.cos((hueDeg * Math.PI) / 180),
    b: chroma * Math.sin((hueDeg * Math.PI) / 180),
  });
  const [violet, ash] = [at(300, 0.075), at(215, 0.06)];
  const mixed = tonerOf([part(3, '9 violet', 9, 'violet'), part(1, '6 ash', 6, 'ash')]);
  expect(mixed.level).toBeCloseTo(8.25, 12);
  expect(mixed.deposit.a).toBeCloseTo((3 * violet.a + ash.a) / 4, 12);
  expect(mixed.deposit.b).toBeCloseTo((3 * violet.b + ash.b) / 4, 12);
  expect([mixed.clearShare, mixed.coverShare]).toEqual([0, 0]);
  // Clear covers nothing, even as a direct dye.
  expect(tonerOf([part(1, 'clear', 0, 'clear', true)]).coverShare).toBe(0);
});

test('a toner of three parts in whole grams: equal thirds of 20 g, 40 g of developer', () => {
  const { shades, developer } = tonerGrams([violet9, natural9, clear], 60, 2);
  expect(shades.map(({ grams }) => grams)).toEqual([7, 7, 6]);
  expect(developer).toBe(40);
  expect(() => tonerGrams([violet9], 60, 0)).toThrow('A ratio must be more than 0');
});

test('parts add up to the gram', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 5 }),
      fc.integer({ min: 10, max: 200 }),
      fc.constantFrom(1, 1.5, 2),
      (weights, grams, ratio) => {
        const { shades, developer } = tonerGrams(
          weights.map((weight) => part(weight, 'x', 9, 'violet')),
          grams,
          ratio,
        );
        const colour = shades.reduce((sum, shade) => sum + shade.grams, 0);
        expect(colour).toBe(Math.round(grams / (1 + ratio)));
        expect(developer).toBe(Math.round(colour * ratio));
      },
    ),
  );
});

describe('on hair lifted to 9', () => {
  test('clear leaves it warm, violet makes it neutral, too much of it goes flat', () => {
    const balance = (...parts: Part[]) => toned(tonerOf(parts), on(9), 'neutral').balance;
    expect(balance(clear)).toBe('under');
    expect(balance(violet9, part(2, 'clear', 0, 'clear'))).toBe('just');
    expect(balance(part(1, '9 blue', 9, 'blue'), violet9)).toBe('over');
  });
  test('half of the time does half of it; porous hair takes more; a shade lighter than the hair hardly shows', () => {
    const toner = tonerOf([violet9]);
    const at = (share: number, porous = false) => toned(toner, on(9, share, porous), 'neutral').warmth;
    expect(at(0.5) - at(1)).toBeCloseTo(at(0) - at(0.5), 12);
    expect(at(1, true)).toBeLessThan(at(1));
    const early = toned(toner, on(7), 'neutral');
    expect(Math.hypot(early.after.a - early.before.a, early.after.b - early.before.b)).toBeLessThan(
      0.2 * Math.hypot(toner.deposit.a, toner.deposit.b),
    );
  });
  test('what is neutral enough for a warm wish is still too warm for a cool one', () => {
    const toner = tonerOf([violet9, part(3, 'clear', 0, 'clear')]);
    expect(toned(toner, on(9), 'cool').warmth).toBeGreaterThan(toned(toner, on(9), 'warm').warmth);
  });
});

test('root colour is the natural level by the usual rule; one and a half levels darker is said to grow out as a band', () => {
  expect(rootColour(6)).toEqual({
    level: 6,
    parts: [
      { tone: 'natural', level: 6, parts: 3 },
      { tone: 'ash', level: 6, parts: 1 },
    ],
    warning: null,
  });
  expect(rootColour(6, { natural: 1, ash: 0, levels: -2 })).toMatchObject({
    level: 4,
    warning: expect.stringMatching(/2 levels darker/),
  });
  expect(bandWarning(7, 5.5)).toMatch(/band/);
  expect(bandWarning(7, 5.6)).toBeNull();
});

test('undercoats end at 1 and 10, and levels between are rounded', () => {
  expect([undercoatAt(0).level, undercoatAt(12).level, undercoatAt(6.5).level]).toEqual([1, 10, 7]);
  expect(undercoatsBetween(5.6, 8.4).map(({ level }) => level)).toEqual([7, 8]);
  expect(undercoatsBetween(9, 9)).toEqual([]);
  expect([3, 5, 8].map((level) => undercoatAt(level).neutralisedBy)).toEqual([
    'green',
    'blue-green',
    'violet-blue',
  ]);
});

test('a wash takes its share: a twentieth is left after twenty, and the colour is on its way back', () => {
  expect([tonerLeft(0), tonerLeft(TONER_WASHES), tonerLeft(10)]).toEqual([
    1,
    expect.closeTo(0.05, 12),
    expect.closeTo(Math.sqrt(0.05), 12),
  ]);
  const result = toned(tonerOf([violet9]), on(9), 'neutral');
  expect(fadedHair(result, 0).chroma).toBeCloseTo(result.colours.after.chroma, 12);
  expect(fadedHair(result, 500).chroma).toBeCloseTo(result.colours.before.chroma, 9);
});

test('hair that is what is wished for needs no toner; what is told apart from it does', () => {
  expect(needsNoToner(9, undercoatHair(9))).toEqual({ needless: true, difference: 0 });
  const near = { ...undercoatHair(9), lightness: undercoatHair(9).lightness - 0.0199 };
  const far = { ...near, lightness: undercoatHair(9).lightness - 0.0201 };
  expect([needsNoToner(9, near).needless, needsNoToner(9, far).needless]).toEqual([true, false]);
  expect(needsNoToner(6, 'cool').needless).toBe(false);
});

test('what it comes to, wished for, is just right: on either side of the wheel', () => {
  for (const tone of ['blue', 'copper', 'green', 'pink'] as const) {
    const toner = tonerOf([part(1, tone, 9, tone, true)]);
    const { after } = toned(toner, on(9), 'neutral').colours;
    expect(toned(toner, on(9), after)).toMatchObject({
      warmth: expect.closeTo(0, 9),
      balance: 'just',
      difference: expect.closeTo(0, 9),
    });
    expect(after.hueDeg).toBeGreaterThanOrEqual(0);
    expect(after.hueDeg).toBeLessThan(360);
  }
});

describe('direct dyes', () => {
  const dye = part(1, 'pink', 9, 'pink', true);
  test('lay 1.8 times their tone and count as covering by weight', () => {
    expect(dye.shade.deposit).toEqual({
      a: expect.closeTo(0.18 * Math.cos((355 * Math.PI) / 180), 12),
      b: expect.closeTo(0.18 * Math.sin((355 * Math.PI) / 180), 12),
    });
    expect([
      tonerOf([dye]).coverShare,
      tonerOf([dye, clear]).coverShare,
      tonerOf([violet9]).coverShare,
    ]).toEqual([1, 0.5, 0]);
  });
  test('show on darker hair, and take three quarters of what is under them', () => {
    const onDark = toned(tonerOf([dye]), on(6), 'neutral');
    const { a, b } = dye.shade.deposit as { a: number; b: number };
    expect(onDark.after.a).toBeCloseTo(0.25 * onDark.before.a + a, 9);
    expect(onDark.after.b).toBeCloseTo(0.25 * onDark.before.b + b, 9);
  });
});

test('a darker toner takes hair half of the way down, a lighter one not, and clear never', () => {
  const lightness = (toner: ReturnType<typeof tonerOf>, share = 1) =>
    toned(toner, on(9, share), 'neutral').colours.after.lightness;
  const [nine, seven] = [undercoatHair(9).lightness, undercoatHair(7).lightness];
  const dark = tonerOf([part(1, '7 natural', 7, 'natural')]);
  expect(lightness(dark)).toBeCloseTo((nine + seven) / 2, 9);
  expect(lightness(dark, 0.5)).toBeCloseTo(nine + (seven - nine) / 4, 9);
  expect(lightness(tonerOf([part(1, '7 natural', 7, 'natural'), clear]))).toBeCloseTo(
    nine + (seven - nine) / 4,
    9,
  );
  expect(lightness(tonerOf([clear]))).toBeCloseTo(nine, 12);
  // Longer than its time it does no more.
  expect(lightness(dark, 2)).toBeCloseTo(lightness(dark, 1), 12);
});

test('how far from the wish it ends and was, as colours differ', () => {
  const result = toned(tonerOf([violet9, part(2, 'clear', 0, 'clear')]), on(9), 'neutral');
  expect(result.differenceBefore).toBeCloseTo(needsNoToner(9, 'neutral').difference, 12);
  expect(result.difference).toBeLessThan(result.differenceBefore);
});

test('parts that are less than nothing, or nothing at all, are refused', () => {
  expect(() => tonerOf([part(0, '9 violet', 9, 'violet')])).toThrow('A toner needs parts');
  expect(() => tonerOf([part(2, '9 violet', 9, 'violet'), part(-1, '9 ash', 9, 'ash')])).toThrow(
    'A toner needs parts',
  );
});

test('a root lighter than natural is no band; only what is in the rule is mixed; levels end at 1 and 10', () => {
  expect(rootColour(6, { natural: 0, ash: 2, levels: 1 })).toEqual({
    level: 7,
    parts: [{ tone: 'ash', level: 7, parts: 2 }],
    warning: null,
  });
  expect([
    rootColour(1.5, { natural: 1, ash: 0, levels: -3 }).level,
    rootColour(9, { natural: 1, ash: 0, levels: 3 }).level,
  ]).toEqual([1, 10]);
});
