import fc from 'fast-check';
import {
  bandWarning,
  rootColour,
  shadeOf,
  toned,
  tonerGrams,
  tonerOf,
  undercoatAt,
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
          weights.map((own) => part(own, 'x', 9, 'violet')),
          grams,
          ratio,
        );
        const colour = shades.reduce((sum, own) => sum + own.grams, 0);
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
