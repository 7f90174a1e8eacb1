import fc from 'fast-check';
import { growthIntervals, growthRate, regrowthByZone, type GrowthVisit } from '.';

const TO_ROOT = { leftMm: 0, measured: false };
/** All, then the face frame alone eight weeks later, then eight weeks on. */
const FIRST: GrowthVisit = {
  on: '2027-01-04',
  regrowthMm: {},
  taken: { 'front-l': TO_ROOT, 'temple-l': TO_ROOT, crown: TO_ROOT },
};
const FACE: GrowthVisit = {
  on: '2027-03-01',
  regrowthMm: { 'front-l': 24, 'temple-l': 22, crown: 25 },
  taken: { 'front-l': TO_ROOT, 'temple-l': { leftMm: 3, measured: true } },
};
const THIRD: GrowthVisit = {
  on: '2027-04-26',
  regrowthMm: { 'front-l': 24, 'temple-l': 26, crown: 49 },
  taken: 'open',
};

test('an interval counts from the visit that took the zone to the root; zones measured together are one reading', () => {
  expect(growthIntervals([THIRD, FACE, FIRST])).toEqual([
    { weeks: 8, grownMm: 24, bothMeasured: false },
    // The crown was left alone in March: sixteen weeks.
    { weeks: 16, grownMm: 49, bothMeasured: false },
    // 24 at the front, 26 less the 3 that were left at the temple.
    { weeks: 8, grownMm: 23.5, bothMeasured: false },
  ]);
  expect(
    growthIntervals([
      { ...FACE, taken: { 'temple-l': { leftMm: 3, measured: true } } },
      { ...THIRD, regrowthMm: { 'temple-l': 26 } },
    ]),
  ).toEqual([{ weeks: 8, grownMm: 23, bothMeasured: true }]);
});

test('what was never taken to the root, or a few days ago, says nothing', () => {
  expect(growthIntervals([FIRST, { on: '2027-03-01', regrowthMm: { 'nape-l': 30 }, taken: 'open' }])).toEqual(
    [],
  );
  expect(growthIntervals([FIRST, { on: '2027-01-08', regrowthMm: { crown: 2 }, taken: 'open' }])).toEqual([]);
  expect(growthIntervals([{ ...FIRST, taken: 'open' }, THIRD])).toEqual([]);
});

test('records from before zones were kept count as taken everywhere', () => {
  expect(
    growthIntervals([
      { on: '2027-01-04', regrowthMm: {}, taken: 'unknown' },
      { on: '2027-03-01', regrowthMm: { 'nape-l': 20 }, taken: 'open' },
    ]),
  ).toEqual([{ weeks: 8, grownMm: 20, bothMeasured: false }]);
});

test('today: zones skipped last time show the older regrowth, with what it is reckoned from', () => {
  const rate = { mmPerWeek: 3, sd: 0.3 };
  const today = regrowthByZone([FIRST, FACE], rate, '2027-03-29');
  expect(today['front-l']).toEqual({
    mm: 12,
    sd: expect.closeTo(Math.sqrt(1 + 1.2 ** 2 + 0.6 ** 2), 9),
    since: '2027-03-01',
    from: 'taken',
    takenOn: '2027-03-01',
  });
  expect(today['temple-l']!.mm).toBe(15);
  expect(today.crown).toMatchObject({ mm: 37, since: '2027-03-01', from: 'measured', takenOn: '2027-01-04' });
  expect(today['nape-l']).toBeUndefined();
  // A visit after the day is not looked at.
  expect(regrowthByZone([FIRST, FACE, THIRD], rate, '2027-03-29')).toEqual(today);
});

test('regrowth falls only where a zone is taken to the root, and grows everywhere else', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 20 }), fc.integer({ min: 0, max: 30 }), (weeks, later) => {
      const on = (week: number) =>
        new Date(Date.UTC(2027, 2, 1) + week * 7 * 86_400_000).toISOString().slice(0, 10);
      const rate = growthRate([]);
      const before = regrowthByZone([FIRST, FACE], rate, on(weeks));
      const after = regrowthByZone([FIRST, FACE], rate, on(weeks + later));
      expect(after.crown!.mm - before.crown!.mm).toBeCloseTo(rate.mmPerWeek * later, 6);
      expect(after.crown!.mm).toBeGreaterThan(after['front-l']!.mm);
    }),
  );
});
