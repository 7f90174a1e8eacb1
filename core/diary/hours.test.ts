import fc from 'fast-check';
import {
  freeStretches,
  isOutside,
  nearestOpenDay,
  openOn,
  placesFor,
  USUAL_OPENING,
  USUAL_WORKING_HOURS,
  WEEK_BEGINNINGS,
  weekAt,
  weekdayOf,
  weekFrom,
  whyClosed,
  workedOn,
  type Opening,
  type Stretch,
} from '.';

/** 2 March 2027 is a Tuesday. */
const TUESDAY = '2027-03-02';
const SUNDAY = '2027-03-07';
const CLOSED: Opening = {
  ...USUAL_OPENING,
  closed: [{ from: '2027-03-08', to: '2027-03-09', words: 'Stocktaking' }],
};

test('a week begins where the house says', () => {
  expect(weekdayOf(TUESDAY)).toBe(1);
  expect(WEEK_BEGINNINGS.map((begins) => weekFrom(TUESDAY, begins))).toEqual([
    '2027-03-01',
    '2027-02-27',
    '2027-02-28',
  ]);
  expect(WEEK_BEGINNINGS.map((begins) => weekFrom(SUNDAY, begins))).toEqual([
    '2027-03-01',
    '2027-03-06',
    '2027-03-07',
  ]);
});

test('a day is closed by its weekday or by days off', () => {
  expect(openOn(TUESDAY, CLOSED)).toEqual({ from: 540, to: 1140 });
  expect([openOn(SUNDAY, CLOSED), whyClosed(SUNDAY, CLOSED)]).toEqual([null, { kind: 'weekday' }]);
  expect([openOn('2027-03-09', CLOSED), whyClosed('2027-03-09', CLOSED)]).toEqual([
    null,
    { kind: 'days-off', words: 'Stocktaking' },
  ]);
  expect(whyClosed('2027-03-10', CLOSED)).toBeNull();
});

test('somebody works the hours that are theirs and the salon’s', () => {
  const own = {
    week: USUAL_OPENING.week.map((_, i) => (i === 1 ? { from: 480, to: 720 } : null)),
    off: [{ from: '2027-03-16', to: '2027-03-16', words: '' }],
  };
  expect(workedOn(TUESDAY, CLOSED, USUAL_WORKING_HOURS)).toEqual({ from: 540, to: 1140 });
  expect(workedOn(TUESDAY, CLOSED, own)).toEqual({ from: 540, to: 720 });
  expect(['2027-03-03', '2027-03-09', '2027-03-16'].map((on) => workedOn(on, CLOSED, own))).toEqual([
    null,
    null,
    null,
  ]);
  // Their evening begins when the salon has closed.
  expect(
    workedOn(TUESDAY, CLOSED, { ...own, week: own.week.map(() => ({ from: 1140, to: 1200 })) }),
  ).toBeNull();
});

test('the nearest open day: of two equally near the later, and never before the day that it may be', () => {
  expect(nearestOpenDay(TUESDAY, CLOSED, '2027-01-01')).toBe(TUESDAY);
  // Sunday to Tuesday are closed: Saturday is one day away, Wednesday three.
  expect(nearestOpenDay(SUNDAY, CLOSED, '2027-01-01')).toBe('2027-03-06');
  expect(nearestOpenDay(SUNDAY, CLOSED, SUNDAY)).toBe('2027-03-10');
  expect(nearestOpenDay('2027-03-08', CLOSED, '2027-01-01')).toBe('2027-03-10');
  const never = { week: USUAL_OPENING.week.map(() => null), closed: [] };
  expect(nearestOpenDay(SUNDAY, never, '2027-01-01')).toBe(SUNDAY);
});

test('free is what of the hours is not booked', () => {
  const hours = { from: 540, to: 1140 };
  expect(
    freeStretches(hours, [
      { from: 600, minutes: 120 },
      { from: 660, minutes: 90 },
      { from: 1100, minutes: 120 },
    ]),
  ).toEqual([
    { from: 540, minutes: 60 },
    { from: 750, minutes: 350 },
  ]);
  expect(
    freeStretches(hours, [
      { from: 500, minutes: 38 },
      { from: 544, minutes: 30 },
    ]),
  ).toEqual([{ from: 574, minutes: 566 }]);
  expect(freeStretches(null, [])).toEqual([]);
  expect([
    isOutside({ from: 540, minutes: 600 }, hours),
    isOutside({ from: 535, minutes: 10 }, hours),
    isOutside({ from: 1100, minutes: 41 }, hours),
    isOutside({ from: 600, minutes: 5 }, null),
  ]).toEqual([false, true, true, true]);
});

test('what is free and what is booked never share a minute, and together they are the day', () => {
  const stretch = fc.record<Stretch>({
    from: fc.integer({ min: 400, max: 1300 }),
    minutes: fc.integer({ min: 5, max: 200 }),
  });
  fc.assert(
    fc.property(fc.array(stretch, { maxLength: 12 }), (booked) => {
      const hours = { from: 540, to: 1140 };
      const free = freeStretches(hours, booked);
      const minutes = Array.from({ length: hours.to - hours.from }, (_, i) => hours.from + i);
      const within = (at: number, all: readonly Stretch[]) =>
        all.some(({ from, minutes: long }) => at >= from && at < from + long);
      const neither = minutes.filter((at) => !within(at, free) && !within(at, booked));
      expect(minutes.filter((at) => within(at, free) && within(at, booked))).toEqual([]);
      // Less than five minutes between two appointments is nothing to book.
      const gaps = neither.filter((at, i) => neither[i - 1] !== at - 1).length;
      expect(neither.length).toBeLessThanOrEqual(4 * gaps);
    }),
  );
});

describe('a week', () => {
  const workers = [
    { personId: 'o', hours: USUAL_WORKING_HOURS },
    { personId: 'b', hours: { week: null, off: [{ from: TUESDAY, to: TUESDAY, words: 'Course' }] } },
  ];
  const booked = [
    { personId: 'o', on: TUESDAY, from: 600, minutes: 360 },
    { personId: 'b', on: '2027-03-03', from: 540, minutes: 120 },
  ];
  const now = { on: TUESDAY, minute: 560 };
  const week = weekAt({ from: '2027-03-01', opening: CLOSED, workers, booked, notBefore: now });

  test('says who works, what is booked and what is still free', () => {
    expect(week.map(({ on }) => on)).toEqual([
      '2027-03-01',
      '2027-03-02',
      '2027-03-03',
      '2027-03-04',
      '2027-03-05',
      '2027-03-06',
      '2027-03-07',
    ]);
    // Monday is over; on Tuesday it is twenty past nine.
    expect(week[0].people.map(({ hours, free }) => [hours !== null, free])).toEqual([
      [true, []],
      [true, []],
    ]);
    expect(week[1].people).toEqual([
      {
        personId: 'o',
        hours: { from: 540, to: 1140 },
        booked: [{ from: 600, minutes: 360 }],
        free: [
          { from: 560, minutes: 40 },
          { from: 960, minutes: 180 },
        ],
      },
      { personId: 'b', hours: null, booked: [], free: [] },
    ]);
    expect(week[6]).toMatchObject({ open: null, whyClosed: { kind: 'weekday' } });
  });

  test('finds where an appointment fits: near the wished day, in the shortest stretch that holds it', () => {
    expect(placesFor(180, TUESDAY, week)).toEqual([
      { personId: 'o', on: TUESDAY, from: 960, minutes: 180 },
      // Bram's afternoon of that day is shorter than Ottilie's whole day.
      { personId: 'b', on: '2027-03-03', from: 660, minutes: 180 },
      { personId: 'o', on: '2027-03-04', from: 540, minutes: 180 },
    ]);
    expect(placesFor(200, TUESDAY, week, 1)).toEqual([
      { personId: 'b', on: '2027-03-03', from: 660, minutes: 200 },
    ]);
    expect(placesFor(700, TUESDAY, week)).toEqual([]);
  });
});
