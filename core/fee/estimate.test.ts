import { priceOf, type FoilPrices } from './estimate';

const flat: FoilPrices = {
  way: 'flat',
  baseMinor: 9000,
  includedFoils: 20,
  perFoilMinor: 150,
  perHourMinor: 6000,
};
const hourly: FoilPrices = { ...flat, way: 'hourly', baseMinor: 4000 };

test('flat: the base with its foils, then each more', () => {
  expect(priceOf({ foils: 15, foilingMinutes: 20 }, flat)).toBe(9000);
  expect(priceOf({ foils: 100, foilingMinutes: 110 }, flat)).toBe(9000 + 80 * 150);
});

test('by the hour: time on top of the base, rounded up to the minor unit', () => {
  expect(priceOf({ foils: 100, foilingMinutes: 90 }, hourly)).toBe(4000 + 9000);
  expect(priceOf({ foils: 1, foilingMinutes: 0.001 }, hourly)).toBe(4001);
});

test('without foils there is nothing to pay', () =>
  expect(priceOf({ foils: 0, foilingMinutes: 0 }, flat)).toBe(0));
