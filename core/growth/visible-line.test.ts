import fc from 'fast-check';
import { tonerWeeks, visibleLine } from '.';

const weekly = (mmPerMonth: number) => (mmPerMonth * 2.875) / 12.5;

test('a slice over seven levels at 16 mm a month shows after 2.7 weeks, a fine weave over 3.5 at 12.5 after 10.4', () => {
  expect(visibleLine({ edge: 'slice', contrast: 7, mmPerWeek: weekly(16) }).weeks).toBeCloseTo(2.7, 1);
  expect(visibleLine({ edge: 'soft', contrast: 3.5, mmPerWeek: weekly(12.5) }).weeks).toBeCloseTo(10.4, 1);
});

test('more contrast and faster growth never show later; a feather never earlier', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 9, noNaN: true }),
      fc.double({ min: 1.5, max: 4.5, noNaN: true }),
      fc.double({ min: 0, max: 40, noNaN: true }),
      (contrast, rate, feather) => {
        const { weeks } = visibleLine({ edge: 'medium', contrast, mmPerWeek: rate, featherMm: feather });
        expect(
          visibleLine({ edge: 'medium', contrast: contrast + 1, mmPerWeek: rate, featherMm: feather }).weeks,
        ).toBeLessThanOrEqual(weeks);
        expect(
          visibleLine({ edge: 'medium', contrast, mmPerWeek: rate + 0.5, featherMm: feather }).weeks,
        ).toBeLessThan(weeks);
        expect(
          visibleLine({ edge: 'medium', contrast, mmPerWeek: rate, featherMm: feather + 10 }).weeks,
        ).toBeGreaterThanOrEqual(weeks);
      },
    ),
  );
});

test('what shows already shows now', () =>
  expect(visibleLine({ edge: 'slice', contrast: 7, mmPerWeek: 3, featherMm: 0, nowMm: 40 }).weeks).toBe(0));
test('three washes a week: six to seven weeks of toner', () => expect(tonerWeeks(3)).toBeCloseTo(6.67, 2));
