import fc from 'fast-check';
import { USUAL_OPENING } from '../diary';
import { nextVisit, quickRootLines, rootLines, type NextFacts } from '.';

const weekly = (mmPerMonth: number) => (mmPerMonth * 2.875) / 12.5;
const rate = { mmPerWeek: weekly(12.5), sd: 0.3 };
const FACTS: NextFacts = {
  on: '2027-01-04',
  rate,
  tonerWashes: null,
  wishWeeks: null,
  opening: null,
  lines: [
    { what: 'face', growMm: 20 },
    { what: 'full', growMm: 30 },
  ],
};

test('what shows at the hairline comes first: the face frame is due before everything else', () => {
  const next = nextVisit(FACTS)!;
  expect(next).toMatchObject({ what: 'face', on: '2027-02-22' });
  expect(next.reasons.map(({ what, weeks }) => [what, Math.round(weeks * 10) / 10])).toEqual([
    ['face', 7],
    ['full', 10.4],
  ]);
  expect(next.reasons[0].words).toBe(
    'The root line shows at the hairline after about 7 weeks (5–9), at about 20 mm of growth.',
  );
});

describe('by the quick estimate', () => {
  test('slices over seven levels on fast-growing hair show at three weeks', () => {
    const lines = quickRootLines({ 'front-hairline-l': 0 }, { edge: 'slice', featherMm: 0, contrast: 7 });
    const next = nextVisit({ ...FACTS, lines, rate: { mmPerWeek: weekly(16), sd: 0.3 } })!;
    expect(next.reasons[0].weeks).toBeCloseTo(2.7, 1);
    expect(next.on).toBe('2027-01-23');
  });

  test('hair that was not lightened against its base draws no line', () => {
    expect(quickRootLines({ crown: 0 }, { edge: 'slice', featherMm: 0, contrast: 0 })).toEqual([]);
  });

  test('what is left at the root counts as grown', () => {
    const [line] = quickRootLines({ crown: 12 }, { edge: 'slice', featherMm: 0, contrast: 3.5 });
    expect(line).toEqual({ what: 'full', growMm: 8 });
  });
});

test('at the face the first place counts, elsewhere the middle of what lies open', () => {
  expect(
    rootLines({ 'temple-l': 25, 'nape-hairline': 12, crown: 20, 'top-l': 30, 'top-r': null, 'nape-l': 5 }),
  ).toEqual([
    { what: 'face', growMm: 12 },
    { what: 'full', growMm: 30 },
  ]);
  expect(rootLines({ 'nape-l': 5, 'occipital-l': null })).toEqual([]);
});

test('a toner of three washes a week fades at six to seven weeks, and comes first where it does', () => {
  const next = nextVisit({ ...FACTS, lines: [FACTS.lines[1]], tonerWashes: 3 })!;
  expect(next.what).toBe('toner');
  expect(next.weeks).toBeCloseTo(6.67, 2);
});

test('what falls due a week later is done in the same visit', () => {
  expect(nextVisit({ ...FACTS, wishWeeks: 8 })!).toMatchObject({ what: 'full', on: '2027-02-22' });
  expect(nextVisit({ ...FACTS, wishWeeks: 12 })!.what).toBe('face');
});

test('lived-in work is not booked further ahead than half a year, nor anybody before two weeks', () => {
  expect(
    nextVisit({ ...FACTS, lines: [{ what: 'full', growMm: 60 }], rate: { mmPerWeek: 1.4, sd: 0.2 } })!.weeks,
  ).toBe(26);
  expect(nextVisit({ ...FACTS, lines: [{ what: 'face', growMm: 0 }] })!).toMatchObject({
    weeks: 2,
    reasons: [{ weeks: 0, words: expect.stringContaining('now') }],
  });
});

test('a visit is not booked on a closed day: the open day nearest to the estimate', () => {
  const closed = (from: string, to: string) => ({
    ...USUAL_OPENING,
    closed: [{ from, to, words: 'Works on the floor' }],
  });
  const due = '2027-02-22';
  expect(nextVisit({ ...FACTS, opening: USUAL_OPENING })).toMatchObject({ on: due, closedOn: null });
  // A Monday that is off: the Sunday before is closed too, so it is the Tuesday.
  expect(nextVisit({ ...FACTS, opening: closed(due, due) })).toMatchObject({
    on: '2027-02-23',
    closedOn: due,
  });
  expect(nextVisit({ ...FACTS, opening: closed(due, '2027-02-25') })).toMatchObject({
    on: '2027-02-20',
    closedOn: due,
  });
});

test('without light, toner or wish there is nothing to come for', () => {
  expect(nextVisit({ ...FACTS, lines: [] })).toBeNull();
});

test('more contrast, faster hair or more washes never put the visit off', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 8, noNaN: true }),
      fc.double({ min: 1.5, max: 4, noNaN: true }),
      fc.double({ min: 0.5, max: 7, noNaN: true }),
      (contrast, mmPerWeek, washes) => {
        const of = (part: Partial<NextFacts> & { contrast?: number }) =>
          nextVisit({
            ...FACTS,
            rate: { mmPerWeek, sd: 0.3 },
            tonerWashes: washes,
            ...part,
            lines: quickRootLines(
              { 'temple-l': 0 },
              { edge: 'medium', featherMm: 0, contrast: part.contrast ?? contrast },
            ),
          })!.weeks;
        expect(of({ contrast: contrast + 1 })).toBeLessThanOrEqual(of({}));
        expect(of({ rate: { mmPerWeek: mmPerWeek * 1.2, sd: 0.3 } })).toBeLessThanOrEqual(of({}));
        expect(of({ tonerWashes: washes + 1 })).toBeLessThanOrEqual(of({}));
      },
    ),
  );
});
