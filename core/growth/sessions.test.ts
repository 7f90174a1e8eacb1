import { sessionsToGoal } from '.';

test('without a visit the usual gain is reckoned with: four levels are three visits', () => {
  expect(sessionsToGoal([], 9, 5)).toEqual({ missing: 4, gain: 1.5, steps: 0, visits: 3 });
});

test('her own steps count with the usual: slow hair needs more visits', () => {
  const visits = [
    { on: '2027-01-04', reached: 6 },
    { on: '2027-03-01', reached: 6.5 },
    { on: '2027-05-01', reached: 7 },
  ];
  // (1.5 · 2 + 0.5 + 0.5) / 4 = 1 level a visit; 2 are missing.
  expect(sessionsToGoal(visits, 9, 4)).toEqual({ missing: 2, gain: 1, steps: 2, visits: 2 });
});

test('a goal that is reached, as near as an eye reads it, needs none; a visit that was no lighter counts as no gain', () => {
  expect(sessionsToGoal([{ on: '2027-01-04', reached: 8.75 }], 9, 5).visits).toBe(0);
  expect(
    sessionsToGoal(
      [
        { on: '2027-01-04', reached: 7 },
        { on: '2027-03-01', reached: 6.5 },
      ],
      9,
      5,
    ),
  ).toMatchObject({ missing: 2, gain: 1, steps: 1 });
});
