import fc from 'fast-check';
import { formatAmount, shareOut } from '.';

test.each([
  [30, 'g', null, '30 g'],
  [2.54, 'g', null, '2.5 g'],
  [28.35, 'oz', null, '1.00 oz'],
  [90, 'oz', null, '3.17 oz'],
  [30, 'scoop', 15, '2 scoops'],
  [15, 'scoop', 15, '1 scoop'],
  [7.5, 'scoop', 15, '½ scoop'],
  [26, 'scoop', 15, '1 ¾ scoops'],
  [0, 'scoop', 15, '0 scoops'],
  [60, 'scoop', null, '60 g'],
] as const)('%d in %s with a scoop of %s is %s', (grams, unit, scoop, said) =>
  expect(formatAmount(grams, unit, scoop)).toBe(said),
);

test('shares are whole, add up, and lie within one of what is exact', () => {
  expect(shareOut([1, 1, 1], 20)).toEqual([7, 7, 6]);
  expect(shareOut([2, 1, 0.25], 20)).toEqual([12, 6, 2]);
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0.01, max: 50, noNaN: true }), { minLength: 1, maxLength: 8 }),
      fc.integer({ min: 0, max: 500 }),
      (exact, total) => {
        const whole = shareOut(exact, total);
        const sum = exact.reduce((a, b) => a + b, 0);
        expect(whole.reduce((a, b) => a + b, 0)).toBe(total);
        whole.forEach((value, i) =>
          expect(Math.abs(value - (exact[i] * total) / sum)).toBeLessThan(1 + 1e-6),
        );
      },
    ),
  );
});
