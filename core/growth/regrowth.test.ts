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
  [[[20, 6], [22, 7]], 13.9, 0.62],
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
    fc.property(fc.double({ min: 2, max: 20, noNaN: true }), fc.double({ min: 0, max: 60, noNaN: true }), (weeks, grownMm) => {
      const slow = growthRate([{ weeks, grownMm }]).mmPerWeek;
      const fast = growthRate([{ weeks, grownMm: grownMm + 3 }]).mmPerWeek;
      expect(fast).toBeGreaterThanOrEqual(slow);
    }),
  );
});
