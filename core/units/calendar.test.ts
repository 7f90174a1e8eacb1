import { calendarOf, DAY_FIRST } from '.';

const berlin = calendarOf({ calendar: DAY_FIRST, timeZone: 'Europe/Berlin' });
const chicago = calendarOf({ calendar: { dates: 'month-day', hours: '12' }, timeZone: 'America/Chicago' });

test('days and times as a house writes them', () => {
  expect(berlin.day('2026-11-24')).toBe('24 Nov 2026');
  expect(chicago.day('2026-11-24')).toBe('Nov 24, 2026');
  expect(berlin.weekday('2026-11-27')).toBe('Friday 27 Nov');
  expect(chicago.weekday('2026-11-27')).toBe('Friday, Nov 27');
  expect([0, 545, 720, 1439].map(berlin.time)).toEqual(['00:00', '09:05', '12:00', '23:59']);
  expect([0, 545, 720, 1439].map((minute) => chicago.time(minute).toLowerCase())).toEqual([
    '12:00 am',
    '9:05 am',
    '12:00 pm',
    '11:59 pm',
  ]);
});

test('moments are those of the salon, not of the device', () => {
  const moment = '2026-11-24T23:30:00Z';
  expect(berlin.moment(moment)).toBe('25 Nov 2026, 00:30');
  expect(berlin.dayOf(moment)).toBe('25 Nov 2026');
  expect(chicago.moment(moment)).toBe('Nov 24, 2026, 5:30 PM');
  expect(chicago.timeOf(Date.parse(moment))).toBe('5:30 PM');
});
