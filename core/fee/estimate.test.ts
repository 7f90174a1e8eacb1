import fc from 'fast-check';
import { priceOf, withinBudget, type FoilPrices } from './estimate';

const flat: FoilPrices = { way: 'flat', baseMinor: 9000, includedFoils: 20, perFoilMinor: 150, perHourMinor: 6000 };
const hourly: FoilPrices = { ...flat, way: 'hourly', baseMinor: 4000 };

test('flat: the base with its foils, then each more', () => {
  expect(priceOf({ foils: 15, foilingMinutes: 20 }, flat)).toBe(9000);
  expect(priceOf({ foils: 100, foilingMinutes: 110 }, flat)).toBe(9000 + 80 * 150);
});

test('by the hour: time on top of the base, rounded up to the minor unit', () => {
  expect(priceOf({ foils: 100, foilingMinutes: 90 }, hourly)).toBe(4000 + 9000);
  expect(priceOf({ foils: 1, foilingMinutes: 0.001 }, hourly)).toBe(4001);
});

test('without foils there is nothing to pay', () => expect(priceOf({ foils: 0, foilingMinutes: 0 }, flat)).toBe(0));

test('a budget under the base says the least price', () => {
  expect(withinBudget(8999, flat)).toEqual({ ok: false, leastMinor: 9000 });
  expect(withinBudget(9000, { ...flat, includedFoils: 0 })).toEqual({ ok: false, leastMinor: 9150 });
});

const prices = fc.record({
  way: fc.constantFrom('flat' as const, 'hourly' as const), baseMinor: fc.integer({ min: 0, max: 20_000 }), includedFoils: fc.integer({ min: 0, max: 60 }),
  perFoilMinor: fc.integer({ min: 0, max: 900 }), perHourMinor: fc.integer({ min: 0, max: 12_000 }),
});

test('what a budget pays for never costs more than it', () =>
  fc.assert(
    fc.property(prices, fc.integer({ min: 0, max: 60_000 }), (own, amount) => {
      const limit = withinBudget(amount, own);
      if (!limit.ok) return limit.leastMinor > amount || own.baseMinor === limit.leastMinor;
      if (limit.kind === 'all') return true;
      const priced = limit.kind === 'foils' ? { foils: limit.foils, foilingMinutes: 500 } : { foils: 400, foilingMinutes: limit.minutes };
      return priceOf(priced, own) <= amount;
    }),
    { seed: 4711, numRuns: 300 },
  ));
