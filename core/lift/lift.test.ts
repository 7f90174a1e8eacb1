import fc from 'fast-check';
import {
  bowlStrength,
  dose,
  effortTo,
  headFactor,
  levelAfter,
  levelAfterAll,
  levelOf,
  readingProblem,
  readyAfter,
  type LiftOf,
} from '.';

const mix = (volumes: number, others: Partial<LiftOf> = {}): LiftOf => ({ volumes, factor: 1, ...others });

describe('worked by hand', () => {
  test('effort: 1 → 4 is 3.6, 8.5 lies halfway, and back', () => {
    expect(effortTo(4)).toBeCloseTo(3.6, 12);
    expect(effortTo(8.5)).toBeCloseTo(8.3, 12);
    for (const level of [1, 2.4, 4, 7.75, 10]) expect(levelOf(effortTo(level))).toBeCloseTo(level, 12);
  });

  test('doses: 20 vol for 20 minutes 2.69, 10 vol for 45 minutes 3.36', () => {
    expect(dose(20, 20)).toBeCloseTo(2.69, 2);
    expect(dose(10, 45)).toBeCloseTo(3.36, 2);
  });

  test.each([
    ['7 → 10 with 10 vol, medium', 7, 10, mix(10), 49.5],
    ['7 → 10 with 10 vol, fine', 7, 10, mix(10, { factor: 1.15 }), 41],
    ['2 → 8 with 10 vol', 2, 8, mix(10), 164],
    ['6 → 9 with 20 vol', 6, 9, mix(20), 26.7],
    ['6 → 9 with 20 vol, bowl 40 minutes old', 6, 9, mix(20, { bowlAgeMinutes: 40 }), 47.3],
  ])('ready: %s', (_words, from, to, liftOf, minutes) =>
    expect(Math.abs(readyAfter(from, to, liftOf)! - minutes)).toBeLessThan(0.5),
  );

  test('2 → 8 in two fresh applications of 10 vol, 45 minutes each', () => {
    expect(
      levelAfterAll(2, [
        { mix: mix(10), minutes: 45 },
        { mix: mix(10), minutes: 45 },
      ]),
    ).toBeGreaterThanOrEqual(8);
    expect(levelAfter(2, mix(10), 45)).toBeLessThan(6);
  });

  test.each([
    ['4.5, 30 vol, 45 min, in foil', 4.5, mix(30), 9.1],
    ['4.5, 30 vol, 45 min, open air', 4.5, mix(30, { factor: 0.75 }), 8.1],
    ['6, 20 vol, 45 min, fresh', 6, mix(20), 9.92],
    ['6, 20 vol, 45 min, bowl 40 minutes old', 6, mix(20, { bowlAgeMinutes: 40 }), 8.93],
  ])('level: %s', (_words, from, liftOf, level) =>
    expect(levelAfter(from, liftOf, 45)).toBeCloseTo(level, 1),
  );

  test('a bowl is fresh for half an hour, then fades', () => {
    expect([0, 30].map(bowlStrength)).toEqual([1, 1]);
    expect(bowlStrength(60)).toBeCloseTo(Math.exp(-1), 12);
  });

  test('a strand test: 6 with 20 vol read 7.5 after 15 minutes counts half of what it says', () => {
    const { factor, sd } = headFactor([{ from: 6, volumes: 20, minutes: 15, level: 7.5, known: 1 }]);
    expect(factor).toBeCloseTo(0.85, 2);
    expect(sd).toBeLessThan(0.25);
    expect(headFactor([])).toMatchObject({ factor: 1, sd: 0.25, readings: 0 });
  });

  test('without a test the spread is about a level either way, with one about six tenths', () => {
    const width = (readings: Parameters<typeof headFactor>[0]) => {
      const { low, high } = headFactor(readings);
      return (levelAfter(6, mix(20, { factor: high }), 30) - levelAfter(6, mix(20, { factor: low }), 30)) / 2;
    };
    expect(width([])).toBeCloseTo(1, 0);
    expect(width([{ from: 6, volumes: 20, minutes: 20, level: 8, known: 1 }])).toBeLessThan(0.75);
  });
});

test('what says nothing of the head is refused with a sentence, and a reading at the product’s end never lowers it', () => {
  expect(readingProblem({ from: 6, volumes: 20, minutes: 15, level: 6, known: 1 })).toBe(
    'no lift was read: 6 is not above 6',
  );
  expect(readingProblem({ from: 6, volumes: 20, minutes: 0, level: 7, known: 1 })).toMatch(/minutes/);
  const bound = headFactor([{ from: 6, volumes: 20, minutes: 45, level: 8, known: 1, atCap: true }]);
  expect(bound.factor).toBe(1);
  expect(
    headFactor([{ from: 6, volumes: 20, minutes: 10, level: 9, known: 1, atCap: true }]).factor,
  ).toBeGreaterThan(1.2);
});

test('a product ends where it ends, and leaves lighter hair as it is', () => {
  const highLift = mix(40, { most: { levels: 3, top: 9 } });
  expect(levelAfter(7, highLift, 60)).toBe(9);
  expect(levelAfter(5, highLift, 60)).toBe(8);
  expect(levelAfter(9.5, highLift, 60)).toBe(9.5);
  expect(readyAfter(7, 9.5, highLift)).toBeNull();
  expect(readyAfter(8, 7, highLift)).toBe(0);
});

describe('must hold', () => {
  const level = fc.double({ min: 1, max: 9.5, noNaN: true });
  const strengths = fc.constantFrom(5, 10, 20, 30, 40);
  test('lift never falls with time, stronger is never below weaker in the first 45 minutes', () => {
    fc.assert(
      fc.property(
        level,
        strengths,
        fc.double({ min: 0, max: 90, noNaN: true }),
        fc.double({ min: 0, max: 30, noNaN: true }),
        (from, volumes, minutes, more) => {
          expect(levelAfter(from, mix(volumes), minutes + more)).toBeGreaterThanOrEqual(
            levelAfter(from, mix(volumes), minutes),
          );
          if (minutes <= 45)
            expect(levelAfter(from, mix(volumes * 1.5), minutes)).toBeGreaterThanOrEqual(
              levelAfter(from, mix(volumes), minutes) - 1e-12,
            );
        },
      ),
    );
  });
  test('ready grows with the target, and falls with the factor and the freshness of the bowl', () => {
    fc.assert(
      fc.property(level, strengths, fc.double({ min: 0.1, max: 1, noNaN: true }), (from, volumes, step) => {
        const never = (minutes: number | null) => minutes ?? Infinity;
        const [near, far] = [from + step / 2, Math.min(10, from + step)].map((to) =>
          never(readyAfter(from, to, mix(volumes))),
        );
        expect(far).toBeGreaterThanOrEqual(near);
        expect(never(readyAfter(from, near, mix(volumes, { factor: 1.2 })))).toBeLessThanOrEqual(
          never(readyAfter(from, near, mix(volumes))),
        );
        expect(
          never(readyAfter(from, from + step, mix(volumes, { bowlAgeMinutes: 50 }))),
        ).toBeGreaterThanOrEqual(never(readyAfter(from, from + step, mix(volumes))));
      }),
    );
  });
  test('at the minute that it is ready the level is the target', () => {
    fc.assert(
      fc.property(
        level,
        strengths,
        fc.double({ min: 0.5, max: 1.5, noNaN: true }),
        (from, volumes, factor) => {
          const target = Math.min(10, from + 1);
          const minutes = readyAfter(
            from,
            target,
            mix(volumes, { factor, warmth: { factor: 1.2, fromMinutes: 10 } }),
          );
          if (minutes !== null)
            expect(
              levelAfter(from, mix(volumes, { factor, warmth: { factor: 1.2, fromMinutes: 10 } }), minutes),
            ).toBeCloseTo(target, 6);
        },
      ),
    );
  });
});

test('two strand tests that disagree leave the head less known than the surer of them alone, and it is said', () => {
  const read = (level: number) => ({ from: 6, volumes: 20, minutes: 15, level, known: 1 });
  const [slow, fast] = [read(7), read(8.5)];
  const both = headFactor([slow, fast]);
  expect(both.disagree).toBe(true);
  expect(both.sd).toBeGreaterThan(Math.min(headFactor([slow]).sd, headFactor([fast]).sd));
  expect(both.sd).toBeLessThan(headFactor([]).sd);
  // Two that agree tell more than one, and none are doubted.
  const twice = headFactor([slow, slow]);
  expect(twice.disagree).toBe(false);
  expect(twice.sd).toBeLessThan(headFactor([slow]).sd);
});
