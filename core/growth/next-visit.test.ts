import fc from 'fast-check';
import { nextVisit, type NextFacts } from '.';

const weekly = (mmPerMonth: number) => (mmPerMonth * 2.875) / 12.5;
const FACTS: NextFacts = {
  on: '2027-01-04', rate: { mmPerWeek: weekly(12.5), sd: 0.3 }, contrast: 3.5, tonerWashes: null, wishWeeks: null,
  light: { 'front-l': { leftMm: 0, edge: 'soft', featherMm: 0 }, 'front-hairline-l': { leftMm: 0, edge: 'slice', featherMm: 0 } },
};

test('slices at the hairline show first: the face frame is due before everything else', () => {
  // κ 70 / 3.5 = 20 mm at the hairline: 6.96 weeks; 105 / 3.5 = 30 mm inside: 10.4 weeks.
  const next = nextVisit(FACTS)!;
  expect(next).toMatchObject({ what: 'face', on: '2027-02-22' });
  expect(next.reasons.map(({ what, weeks }) => [what, Math.round(weeks * 10) / 10])).toEqual([['face', 7], ['full', 10.4]]);
  expect(next.reasons[0].words).toBe('The root line shows at the hairline at about 20 mm: 7 weeks.');
});

test('very dark, fast-growing hair shows at three weeks', () => {
  const next = nextVisit({ ...FACTS, contrast: 7, rate: { mmPerWeek: weekly(16), sd: 0.3 } })!;
  expect(next.reasons[0].weeks).toBeCloseTo(2.7, 1);
  expect(next.on).toBe('2027-01-23');
});

test('a toner of three washes a week fades at six to seven weeks, and comes first where it does', () => {
  const next = nextVisit({ ...FACTS, light: { 'front-l': FACTS.light['front-l']! }, tonerWashes: 3 })!;
  expect(next.what).toBe('toner');
  expect(next.weeks).toBeCloseTo(6.67, 2);
});

test('what falls due a week later is done in the same visit', () => {
  expect(nextVisit({ ...FACTS, wishWeeks: 8 })!).toMatchObject({ what: 'full', on: '2027-02-22' });
  expect(nextVisit({ ...FACTS, wishWeeks: 12 })!.what).toBe('face');
});

test('lived-in work is not booked further ahead than half a year, nor anybody before two weeks', () => {
  expect(nextVisit({ ...FACTS, light: { crown: { leftMm: 0, edge: 'soft', featherMm: 120 } }, contrast: 0.5, rate: { mmPerWeek: 1.4, sd: 0.2 } })!.weeks).toBe(26);
  expect(nextVisit({ ...FACTS, contrast: 9, light: { 'temple-l': { leftMm: 30, edge: 'slice', featherMm: 0 } } })!).toMatchObject({ weeks: 2, reasons: [{ weeks: 0, words: expect.stringContaining('now') }] });
});

test('without light, toner or wish there is nothing to come for', () => {
  expect(nextVisit({ ...FACTS, light: {} })).toBeNull();
});

test('more contrast, faster hair or more washes never put the visit off', () => {
  fc.assert(
    fc.property(fc.double({ min: 1, max: 8, noNaN: true }), fc.double({ min: 1.5, max: 4, noNaN: true }), fc.double({ min: 0.5, max: 7, noNaN: true }), (contrast, mmPerWeek, washes) => {
      const of = (part: Partial<NextFacts>) => nextVisit({ ...FACTS, contrast, rate: { mmPerWeek, sd: 0.3 }, tonerWashes: washes, ...part })!.weeks;
      expect(of({ contrast: contrast + 1 })).toBeLessThanOrEqual(of({}));
      expect(of({ rate: { mmPerWeek: mmPerWeek * 1.2, sd: 0.3 } })).toBeLessThanOrEqual(of({}));
      expect(of({ tonerWashes: washes + 1 })).toBeLessThanOrEqual(of({}));
    }),
  );
});
