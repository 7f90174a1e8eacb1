import ICAL from 'ical.js';
import { calendarFile } from './calendar';
import type { Appointment } from './queries';
import { readTime } from '../house/read-time';

const appointment = (part: Partial<Appointment>): Appointment => ({
  id: '2b0c9c1e-8a55-4c57-9f3a-0d9b2f6f3f10',
  revision: 1,
  clientId: 'c',
  clientName: 'Maren Tolland',
  phone: '',
  personId: 'p',
  personName: 'P',
  on: '2027-03-01',
  from: 570,
  minutes: 195,
  kind: 'full',
  state: 'booked',
  note: 'private',
  visitId: null,
  begun: false,
  recorded: false,
  signed: false,
  redoOf: null,
  ...part,
});
const read = (
  all: readonly Appointment[],
  to: 'colourist' | 'client' = 'colourist',
  timeZone = 'Europe/Berlin',
) => {
  const text = calendarFile(all, { timeZone, name: 'Hair appointment', to });
  return {
    text,
    events: new ICAL.Component(ICAL.parse(text) as never)
      .getAllSubcomponents('vevent')
      .map((component) => new ICAL.Event(component)),
  };
};

test('another reader of calendars finds the moments, before and after summer time', () => {
  const { events } = read([
    appointment({}),
    appointment({ id: 'b', on: '2027-03-28', from: 600 }),
    appointment({ id: 'c', on: '2027-10-31', from: 605 }),
  ]);
  expect(events.map((event) => event.startDate.toJSDate().toISOString())).toEqual([
    '2027-03-01T08:30:00.000Z',
    '2027-03-28T08:00:00.000Z',
    '2027-10-31T09:05:00.000Z',
  ]);
  expect(events[0].duration.toSeconds()).toBe(195 * 60);
  expect(
    read([appointment({})], 'colourist', 'America/New_York')
      .events[0].startDate.toJSDate()
      .toISOString(),
  ).toBe('2027-03-01T14:30:00.000Z');
});

test('ids stay and revisions count, so that a calendar moves what it knows; what was cancelled says so', () => {
  const { events } = read([appointment({ revision: 4, state: 'cancelled' })]);
  expect(events[0].uid).toBe('2b0c9c1e-8a55-4c57-9f3a-0d9b2f6f3f10@dappled-lattice');
  expect(events[0].sequence).toBe(3);
  expect(events[0].component.getFirstPropertyValue('status')).toBe('CANCELLED');
});

test('a client’s file names no client, and neither holds a note', () => {
  const { events, text } = read([appointment({})], 'client');
  expect(events[0].summary).toBe('Hair appointment: full foils');
  expect(text).not.toContain('Maren');
  expect(read([appointment({ clientName: 'Maren; "Tolland", née\nX' })]).events[0].summary).toBe(
    'Maren; "Tolland", née\nX: full foils',
  );
  expect(read([appointment({})]).text).not.toContain('private');
});

test('an empty diary is a calendar too', () => {
  expect(read([]).events).toEqual([]);
});

test.each([
  ['9:30', 570],
  ['0930', 570],
  ['9', 540],
  ['9.05', 545],
  ['23:59', 1439],
  ['24:00', Number.NaN],
  ['9:75', Number.NaN],
  ['soon', Number.NaN],
  ['', Number.NaN],
  ['2:30 pm', 870],
  ['12 am', 0],
  ['12:15 pm', 735],
  ['9am', 540],
  ['9 p.m.', 1260],
  ['0:30 pm', Number.NaN],
  ['13 pm', Number.NaN],
])('the time “%s” is read as %p', (text, minute) => {
  expect(readTime(text)).toBe(minute);
});
