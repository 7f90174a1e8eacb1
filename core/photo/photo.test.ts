import fc from 'fast-check';
import { colourDifference, linearRgb, naturalHair } from '../lift';
import { colourInPhoto, levelInPhoto, levelOfLightness, measured, scaleProblem, type Rgb } from '.';

describe('lengths', () => {
  const scale = { from: { x: 100, y: 100 }, to: { x: 400, y: 100 }, mm: 30 };

  test('ten pixels a millimetre: 220 pixels are 22 mm, in any direction', () => {
    expect(measured(scale, { from: { x: 0, y: 0 }, to: { x: 220, y: 0 } }).mm).toBeCloseTo(22, 9);
    expect(measured(scale, { from: { x: 10, y: 20 }, to: { x: 142, y: 196 } }).mm).toBeCloseTo(22, 9);
  });

  test('a turned and enlarged picture gives the same length', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: 0.2, max: 8, noNaN: true }),
        (angle, times) => {
          const turn = ({ x, y }: { x: number; y: number }) => ({
            x: times * (x * Math.cos(angle) - y * Math.sin(angle)),
            y: times * (x * Math.sin(angle) + y * Math.cos(angle)),
          });
          const turned = { ...scale, from: turn(scale.from), to: turn(scale.to) };
          expect(measured(turned, { from: turn({ x: 5, y: 9 }), to: turn({ x: 5, y: 229 }) }).mm).toBeCloseTo(
            22,
            6,
          );
        },
      ),
    );
  });

  test('a longer scale and a larger picture are surer', () => {
    const line = { from: { x: 0, y: 0 }, to: { x: 220, y: 0 } };
    const short = measured({ ...scale, to: { x: 130, y: 100 }, mm: 3 }, line);
    expect(measured(scale, line).sd).toBeLessThan(short.sd / 5);
    expect(measured(scale, line, 2).sd).toBeCloseTo(measured(scale, line, 1).sd / 2, 9);
  });

  test.each([
    [{ ...scale, to: { x: 105, y: 100 } }, /too close/],
    [{ ...scale, mm: 0 }, /from 1 to 500/],
    [{ ...scale, mm: Number.NaN }, /from 1 to 500/],
  ])('%j carries no scale', (bad, problem) => expect(scaleProblem(bad)).toMatch(problem));
  test('the others do', () => expect(scaleProblem(scale)).toBeUndefined());
});

describe('levels', () => {
  const gamma = (value: number) =>
    Math.round(255 * (value <= 0.0031308 ? 12.92 * value : 1.055 * value ** (1 / 2.4) - 0.055));
  /** Hair of a level, and a grey card, as a camera sees them under some light. */
  const seen = (level: number, light: number): { hair: Rgb[]; card: Rgb[] } => {
    const [r, g, b] = linearRgb(naturalHair(level)).map((part) => gamma(part * light));
    const card = gamma(0.18 * light);
    return { hair: [[r, g, b]], card: [[card, card, card]] };
  };

  test('the table is found again from its own lightness', () => {
    for (let level = 1; level <= 10; level += 0.5)
      expect(levelOfLightness(naturalHair(level).lightness)).toBeCloseTo(level, 6);
  });

  test('dim or bright light gives the same level beside a grey card, within half a level', () => {
    for (const light of [0.45, 0.7, 1]) {
      for (let level = 3; level <= 9; level += 1) {
        const { hair, card } = seen(level, light);
        const read = levelInPhoto(hair, card, 'grey-card');
        expect(read.ok && Math.abs(read.value.level - level)).toBeLessThanOrEqual(0.5);
      }
    }
  });

  test('a colour is found again under any light: dim, warm or cool', () => {
    const own = { lightness: 0.55, chroma: 0.07, hueDeg: 68 };
    for (const [r, g, b] of [
      [1, 1, 1],
      [0.6, 0.6, 0.6],
      [0.9, 0.75, 0.5],
      [0.6, 0.75, 0.9],
    ]) {
      const lit = (rgb: readonly number[]): Rgb => [gamma(rgb[0] * r), gamma(rgb[1] * g), gamma(rgb[2] * b)];
      const read = colourInPhoto([lit(linearRgb(own))], [lit([0.18, 0.18, 0.18])], 'grey-card');
      expect(read.ok && colourDifference(read.value, own)).toBeLessThan(1.5);
      expect(read.ok && read.value.sd).toBeGreaterThanOrEqual(4);
    }
    expect(colourInPhoto([[90, 80, 70]], [[255, 255, 255]], 'white')).toMatchObject({ ok: false });
  });

  test('uneven hair has a wider spread, and the spread is never less than what a picture can tell', () => {
    const { card } = seen(6, 0.8);
    const even = levelInPhoto(
      [...Array(9)].flatMap(() => seen(6, 0.8).hair),
      card,
      'grey-card',
    );
    const mixed = levelInPhoto(
      [...Array(9)].flatMap((_, i) => seen(i % 2 ? 3 : 9, 0.8).hair),
      card,
      'grey-card',
    );
    expect(even.ok && even.value.sd).toBeGreaterThanOrEqual(0.7);
    expect(mixed.ok && even.ok && mixed.value.sd > even.value.sd + 0.5).toBe(true);
  });

  test('a burnt-out or black reference is refused with its reason', () => {
    expect(levelInPhoto([[90, 80, 70]], [[255, 255, 255]], 'white')).toEqual({
      ok: false,
      problem: expect.stringMatching(/burnt out/),
    });
    expect(levelInPhoto([[90, 80, 70]], [[2, 2, 2]], 'white')).toEqual({
      ok: false,
      problem: expect.stringMatching(/too dark/),
    });
    expect(levelInPhoto([], [[90, 90, 90]], 'white')).toMatchObject({ ok: false });
  });
});
