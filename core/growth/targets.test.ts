import { ZONES } from '../head';
import { targetProgress, type Target, type TargetVisit } from '.';

const FACTS = { natural: 5, nextOn: '2027-06-01', weeksBetween: 8 };
const target = (level: number, byOn: string | null = null): Target => ({ words: `to ${level}`, level, byOn });
const visit = (
  on: string,
  reached: number,
  levels: TargetVisit['levels'] = Object.fromEntries(ZONES.map((zone) => [zone, reached])),
): TargetVisit => ({ on, reached, levels });

test('each target by zone and by visit; visits and day still expected for the one that is not there', () => {
  const visits = [
    visit('2027-01-04', 7),
    visit('2027-03-01', 8.5, { 'temple-l': 8.5, crown: 8, 'nape-l': 7 }),
  ];
  const [first, second] = targetProgress([target(8), target(10, '2027-06-30')], visits, FACTS);
  expect(first).toMatchObject({
    way: 'lighter',
    reachedOn: '2027-03-01',
    byVisit: [
      { there: 0, zones: ZONES.length },
      { there: 2, zones: 3 },
    ],
    behind: ['nape-l'],
    expectedOn: null,
    inTime: null,
  });
  // 1.5 levels missing at (1.5 · 2 + 1.5) / 3 = 1.5 a visit: less a quarter that no eye sees, one visit, the
  // next.
  expect(second).toMatchObject({
    reachedOn: null,
    sessions: { missing: 1.5, gain: 1.5, visits: 1 },
    expectedOn: '2027-06-01',
    inTime: true,
  });
});

test('the day is at her rhythm, and later than wished for is said', () => {
  const [own] = targetProgress([target(9, '2027-07-01')], [visit('2027-01-04', 6)], FACTS);
  // 3 levels, 2.75 to be seen, at the usual 1.5: two visits, the second eight weeks after the next.
  expect(own).toMatchObject({ sessions: { visits: 2 }, expectedOn: '2027-07-27', inTime: false });
  expect(
    targetProgress([target(9, '2027-07-01')], [visit('2027-01-04', 6)], { ...FACTS, weeksBetween: null }),
  ).toMatchObject([{ expectedOn: null, inTime: null }]);
});

test('targets that fall lead back to darker hair: nothing is lifted, and hair that is dark enough is there', () => {
  const falling = [target(8), target(7.5), target(7)];
  const progress = targetProgress(falling, [visit('2027-01-04', 10), visit('2027-03-01', 8)], FACTS);
  expect(progress.map(({ way }) => way)).toEqual(['darker', 'darker', 'darker']);
  expect(progress.map(({ reachedOn }) => reachedOn)).toEqual(['2027-03-01', null, null]);
  expect(progress[1]).toMatchObject({ sessions: null, expectedOn: null, behind: ZONES });
  // The same first target on dark hair is one to be lifted to.
  expect(targetProgress(falling, [visit('2027-01-04', 6)], FACTS)[0].way).toBe('lighter');
});

test('what was reached and lost again is not reached', () => {
  expect(
    targetProgress([target(8)], [visit('2027-01-04', 8), visit('2027-03-01', 7)], FACTS)[0],
  ).toMatchObject({ reachedOn: null, sessions: { visits: 0 } });
});

test('without a recorded visit all is still to come', () => {
  expect(targetProgress([target(8)], [], FACTS)).toMatchObject([
    { reachedOn: null, byVisit: [], behind: [], sessions: { missing: 3, visits: 2 } },
  ]);
});
