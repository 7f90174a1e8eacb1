import { daysBetween, isId, sayDistance, today } from './shared';

test('how far a day is off is said as at the desk', () => {
  expect(sayDistance('2026-11-24', '2026-11-24')).toBe('today');
  expect(sayDistance('2026-11-23', '2026-11-24')).toBe('1 day ago');
  expect(sayDistance('2026-09-22', '2026-11-24')).toBe('9 weeks ago');
  expect(sayDistance('2027-01-05', '2026-11-24')).toBe('in 6 weeks');
});

test('days between cross months and years', () => expect(daysBetween('2026-12-30', '2027-01-02')).toBe(3));

test.each([
  ['UTC', '2026-01-05'],
  ['Etc/GMT-2', '2026-01-06'],
  ['Etc/GMT+12', '2026-01-05'],
])('today in %s', (zone, day) => expect(today(zone, new Date('2026-01-05T23:30:00Z'))).toBe(day));

test('only ids look like ids', () => {
  expect(isId('2b0c9c1e-8a55-4c57-9f3a-0d9b2f6f3f10')).toBe(true);
  for (const text of ['', 'x', "' or 1=1", '2b0c9c1e-8a55-4c57-9f3a-0d9b2f6f3f1'])
    expect(isId(text)).toBe(false);
});
