import { dayAfter, daysBetween } from './day';

test('days go on over months, years and the hour that is lost in spring', () => {
  expect(dayAfter('2027-02-28', 1)).toBe('2027-03-01');
  expect(dayAfter('2028-02-28', 1)).toBe('2028-02-29');
  expect(dayAfter('2027-01-01', -1)).toBe('2026-12-31');
  expect(dayAfter('2027-03-27', 2)).toBe('2027-03-29');
  expect(daysBetween('2027-03-27', '2027-03-29')).toBe(2);
  expect(daysBetween('2027-03-01', '2027-02-28')).toBe(-1);
});
