import fc from 'fast-check';
import { growthRate, regrowthAfter } from './regrowth';

/** mm a month and its sd, as the hand-worked cases are written (12.5 mm a month is 2.875 mm a week). */
const monthly = (intervals: [number, number][]) => {
  const rate = growthRate(intervals.map(([grownMm, weeks]) => ({ grownMm, weeks })));
  return [rate.mmPerWeek * (12.5 / 2.875), rate.sd * (12.5 / 2.875)];
};

test.each([
  [[[24, 8]], 12.96, 0.77],
  [[[12, 4]], 12.89, 1.06],
  [
    [
      [20, 6],
      [22, 7],
    ],
    13.9,
    0.62,
  ],
] as [[number, number][], number, number][])('%j mm/weeks', (intervals, mean, sd) => {
  const [mm, spread] = monthly(intervals);
  expect(mm).toBeCloseTo(mean, 1);
  expect(Math.abs(spread - sd)).toBeLessThan(0.02);
});

test('without a measurement the average head grows 12.5 mm a month', () => {
  const [mm] = monthly([]);
  expect(mm).toBeCloseTo(12.5, 6);
});

test('regrowth after six weeks, with its spread', () => {
  const { mm, sd } = regrowthAfter(6, { mmPerWeek: 3, sd: 0.4 });
  expect(mm).toBeCloseTo(18, 9);
  expect(sd).toBeCloseTo(Math.sqrt(1 + 5.76 + 0.81), 9);
});

test('more measured growth never lowers the rate', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 2, max: 20, noNaN: true }),
      fc.double({ min: 0, max: 60, noNaN: true }),
      (weeks, grownMm) => {
        const slow = growthRate([{ weeks, grownMm }]).mmPerWeek;
        const fast = growthRate([{ weeks, grownMm: grownMm + 3 }]).mmPerWeek;
        // A reading that is doubted pulls no harder, however far off it is.
        expect(fast).toBeGreaterThanOrEqual(slow - 1e-6);
      },
    ),
  );
});

test('two readings instead of one weigh less, and draw less from the average', () => {
  const one = growthRate([{ weeks: 6, grownMm: 24 }]);
  const both = growthRate([{ weeks: 6, grownMm: 24, bothMeasured: true }]);
  expect(both.mmPerWeek).toBeLessThan(one.mmPerWeek);
  expect(both.sd).toBeGreaterThan(one.sd);
});

test('a gross error among good readings hardly moves the rate, and the spread says that something is off', () => {
  const good = [
    { weeks: 6, grownMm: 17 },
    { weeks: 8, grownMm: 23 },
    { weeks: 7, grownMm: 20 },
  ];
  const clean = growthRate(good);
  // 60 mm in six weeks: the zone was not taken to the root after all.
  const spoilt = growthRate([...good, { weeks: 6, grownMm: 60 }]);
  const fooled =
    (2.875 / 0.46 ** 2 +
      [...good, { weeks: 6, grownMm: 60 }].reduce(
        (sum, { weeks, grownMm }) => sum + (weeks * grownMm) / (1 + (0.05 * 2.875 * weeks) ** 2),
        0,
      )) /
    (1 / 0.46 ** 2 +
      [6, 8, 7, 6].reduce((sum, weeks) => sum + weeks ** 2 / (1 + (0.05 * 2.875 * weeks) ** 2), 0));
  expect(fooled - clean.mmPerWeek).toBeGreaterThan(1.2);
  expect(spoilt.mmPerWeek - clean.mmPerWeek).toBeLessThan(0.25);
  expect(spoilt.sd).toBeGreaterThan(clean.sd);
});

test('readings within their spread are not doubted: the spread only falls with them', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 3, max: 20 }), { minLength: 1, maxLength: 8 }), (all) => {
      const intervals = all.map((weeks) => ({ weeks, grownMm: 2.875 * weeks }));
      const { mmPerWeek, sd } = growthRate(intervals);
      expect(mmPerWeek).toBeCloseTo(2.875, 6);
      expect(sd).toBeLessThan(growthRate(intervals.slice(1)).sd);
    }),
  );
});
