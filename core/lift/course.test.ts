import {
  dose,
  effortTo,
  levelAfter,
  levelOf,
  onThisHead,
  readyAfter,
  warmedMinutes,
  warmthFactor,
  type LiftOf,
} from '.';
import { effortAt } from './effort';

/** Lift as it goes on: effort by level, warmth from a minute on, and a second application. */
const mix = (volumes: number, others: Partial<LiftOf> = {}): LiftOf => ({ volumes, factor: 1, ...others });

test('a level takes the effort of the step that it lies in; beyond 1 and 10 as at the ends', () => {
  expect([1, 4.5, 7.2, 8, 9.9, 10].map((level) => Number(effortAt(level).toFixed(9)))).toEqual([
    1.2, 1, 1.1, 1.2, 1.3, 1.3,
  ]);
  expect([effortTo(0), effortTo(12), levelOf(-1), levelOf(99)]).toEqual([0, 10.2, 1, 10]);
  expect([2, 5, 9].map((level) => levelOf(effortTo(level)))).toEqual([2, 5, 9]);
});

test('strong developer rises steeply and flattens: 40 vol 2.34 in 10 minutes, 5.03 in 45, never 5.49', () => {
  expect(dose(40, 0)).toBe(0);
  expect(dose(40, 10)).toBeCloseTo(2.338, 3);
  expect(dose(40, 45)).toBeCloseTo(5.0343, 3);
  expect(dose(40, 1e6)).toBeCloseTo(5.4846, 3);
});

test('warmth: nothing at room temperature and below, 1.3 times as fast at 40 °C, half of that halfway', () => {
  expect([10, 22, 31, 40].map((celsius) => Number(warmthFactor(celsius).toFixed(9)))).toEqual([
    1, 1, 1.15, 1.3,
  ]);
});

test('warmth counts from its minute on', () => {
  const warmth = { factor: 1.5, fromMinutes: 10 };
  expect([8, 10, 20].map((minutes) => warmedMinutes(minutes, { warmth }))).toEqual([8, 10, 25]);
  expect(warmedMinutes(20, {})).toBe(20);
  expect(levelAfter(6, mix(20, { warmth }), 20)).toBeCloseTo(levelAfter(6, mix(20), 25), 12);
  // It is there sooner by as much.
  const usual = readyAfter(6, 9, mix(20))!;
  expect(readyAfter(6, 9, mix(20, { warmth }))).toBeCloseTo(10 + (usual - 10) / 1.5, 9);
  expect(readyAfter(6, 7, mix(20, { warmth: { ...warmth, fromMinutes: 40 } }))).toBe(
    readyAfter(6, 7, mix(20)),
  );
});

describe('a second application', () => {
  const second = { afterMinutes: 30, volumes: 10 };
  const effort = (liftOf: LiftOf, minutes: number, from = 3) =>
    effortTo(levelAfter(from, liftOf, minutes)) - effortTo(from);

  test('adds its dose to that of the first, from its minute on', () => {
    const twice = mix(20, { second });
    expect(effort(twice, 30)).toBeCloseTo(dose(20, 30), 9);
    expect(effort(twice, 31)).toBeCloseTo(dose(20, 30) + dose(10, 1), 9);
    expect(effort(twice, 50)).toBeCloseTo(dose(20, 30) + dose(10, 20), 9);
  });

  test('is mixed fresh, whatever the age of the first bowl, and is warmed as the first is', () => {
    const old = mix(20, { second, bowlAgeMinutes: 60, factor: 0.8 });
    expect(effort(old, 50)).toBeCloseTo(0.8 * (Math.exp(-1) * dose(20, 30) + dose(10, 20)), 9);
    const warm = mix(20, { second, warmth: { factor: 2, fromMinutes: 40 } });
    expect(effort(warm, 50)).toBeCloseTo(dose(20, 30) + dose(10, 30), 9);
  });

  test('is ready when both have done it together, and when the first has done it alone', () => {
    for (const warmth of [undefined, { factor: 1.3, fromMinutes: 20 }]) {
      const twice = mix(20, { second, warmth });
      const minutes = readyAfter(3, 7, twice)!;
      expect(minutes).toBeGreaterThan(30);
      expect(levelAfter(3, twice, minutes)).toBeCloseTo(7, 9);
    }
    expect(readyAfter(6, 8, mix(20, { second }))).toBe(readyAfter(6, 8, mix(20)));
    // What the first would reach later than the second begins is reached with it.
    expect(readyAfter(3, 7, mix(20, { second: { ...second, volumes: 40 } }))!).toBeLessThan(
      readyAfter(3, 7, mix(20)) ?? Infinity,
    );
    expect(readyAfter(1, 10, mix(20, { factor: 0.5, second: { afterMinutes: 30, volumes: 5 } }))).toBeNull();
  });
});

test('this head takes lift as many times as it does, whatever else does', () =>
  expect(onThisHead(mix(20, { factor: 0.75, bowlAgeMinutes: 5 }), 1.2)).toEqual({
    volumes: 20,
    factor: expect.closeTo(0.9, 12),
    bowlAgeMinutes: 5,
  }));

test('a product that ends below the target never gets there, one that ends at it does', () => {
  const most = { levels: 3, top: 9 };
  expect(readyAfter(6, 9, mix(40, { most }))).not.toBeNull();
  expect(readyAfter(6, 9.1, mix(40, { most }))).toBeNull();
  expect(readyAfter(5, 8.5, mix(40, { most }))).toBeNull();
  expect(readyAfter(7, 7, mix(40, { most }))).toBe(0);
});
