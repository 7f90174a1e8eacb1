import { minorPerUnit, moneyIn } from './money';

test.each([
  ['EUR', 100, 20_700, '€207.00'],
  ['GBP', 100, 5, '£0.05'],
  ['JPY', 1, 24_000, '¥24,000'],
  ['KWD', 1000, 1500, 'KWD\u00a01.500'],
])('%s has %d minor units in one, and is said as people write it', (currency, per, minor, said) => {
  expect(minorPerUnit(currency)).toBe(per);
  expect(moneyIn(currency)(minor)).toBe(said);
});
