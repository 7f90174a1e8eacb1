import fc from 'fast-check';
import { clashesWith, hourMinute, lanesOf, minutesToBook, standingOf, type Stretch } from '.';

test('what overlaps stands side by side, what does not has all the width', () => {
  const lanes = lanesOf([
    { from: 540, minutes: 60 },
    { from: 570, minutes: 60 },
    { from: 600, minutes: 30 },
    { from: 700, minutes: 30 },
  ]);
  // The third begins when the first is over, beside the second.
  expect(lanes).toEqual([
    { lane: 0, of: 2 },
    { lane: 1, of: 2 },
    { lane: 0, of: 2 },
    { lane: 0, of: 1 },
  ]);
  expect(
    clashesWith({ from: 600, minutes: 30 }, [
      { from: 540, minutes: 60 },
      { from: 570, minutes: 60 },
    ]),
  ).toEqual([1]);
});

test('no two in one lane ever share a minute, and no lane is outside its group', () => {
  const stretch = fc.record<Stretch>({
    from: fc.integer({ min: 0, max: 600 }),
    minutes: fc.integer({ min: 5, max: 200 }),
  });
  fc.assert(
    fc.property(fc.array(stretch, { maxLength: 20 }), (all) => {
      const lanes = lanesOf(all);
      all.forEach((own, i) => {
        expect(lanes[i].lane).toBeLessThan(lanes[i].of);
        for (const j of clashesWith(own, all))
          if (j !== i) {
            expect(lanes[j].lane).not.toBe(lanes[i].lane);
            expect(lanes[j].of).toBe(lanes[i].of);
          }
      });
    }),
  );
});

test('a booking is as long as its clock with what comes around it, to the next five minutes', () => {
  expect(minutesToBook('full', 171)).toBe(195);
  expect(minutesToBook('full', 170)).toBe(190);
  expect(minutesToBook('full', null)).toBe(180);
  expect(minutesToBook('toner', 171)).toBe(45);
});

const facts = {
  state: 'booked' as const,
  sinceStart: 0,
  minutes: 120,
  begun: false,
  recorded: false,
  signed: false,
  short: false,
};
test.each([
  [{ sinceStart: -30 }, 'later'],
  [{ sinceStart: 4 }, 'later'],
  [{ sinceStart: 12 }, 'late'],
  [{ sinceStart: 130 }, 'missed'],
  [{ sinceStart: 130, short: true }, 'done'],
  [{ sinceStart: 60, begun: true }, 'running'],
  [{ sinceStart: 400, begun: true }, 'to-record'],
  [{ sinceStart: 400, begun: true, recorded: true }, 'to-sign'],
  [{ recorded: true, signed: true }, 'done'],
  [{ state: 'no-show' as const, sinceStart: 12 }, 'no-show'],
  [{ state: 'cancelled' as const }, 'cancelled'],
])('%j stands as %s', (part, standing) => {
  expect(standingOf({ ...facts, ...part })).toBe(standing);
});

test('minutes of a day are said as a clock says them', () => {
  expect([0, 545, 1439].map(hourMinute)).toEqual(['00:00', '09:05', '23:59']);
});
