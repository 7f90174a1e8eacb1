import { spentMs } from '../testing/spent';
import { parsePlan, startPlan } from '.';
import { beginningOf, unsound } from './sound';

const nested = (deep: number) => {
  let place: unknown = { kind: 'whole' };
  for (let i = 0; i < deep; i += 1) place = { kind: 'union', of: [place] };
  return place;
};
const planWith = (place: unknown, panel: object = {}) => ({
  ...startPlan(),
  panels: [{ ...startPlan().panels[0], ...panel, place }],
});
const circle = (points: number) =>
  Array.from({ length: points }, (_, i) => [
    0.2 * Math.cos((2 * Math.PI * i) / points),
    0.2 * Math.sin((2 * Math.PI * i) / points),
  ]);
const outlines = (many: number, points: number) => ({
  kind: 'union',
  of: Array.from({ length: many }, () => ({ kind: 'outline', points: circle(points) })),
});

test('a document that nests thousands deep is refused at once, with where', () => {
  const from = spentMs();
  expect(parsePlan(planWith(nested(2600)))).toEqual({
    ok: false,
    problem: 'panels[0].place.of: is nested more than 40 deep.',
  });
  expect(parsePlan(planWith(nested(100_000)))).toMatchObject({ ok: false });
  expect(spentMs() - from).toBeLessThan(2000);
});

test('places, their outlines and what is left out are bounded for the whole pattern', () => {
  expect(parsePlan(planWith(nested(7))).ok).toBe(true);
  expect(parsePlan(planWith(nested(8)))).toMatchObject({
    problem: 'panels[0].place: nests places 9 deep; 8 are allowed.',
  });
  expect(parsePlan(planWith(outlines(6, 200))).ok).toBe(true);
  expect(parsePlan(planWith(outlines(7, 200)))).toMatchObject({
    problem: 'panels[0].place: brings the points of all outlines to 1400; 1200 are allowed.',
  });
  expect(
    parsePlan(planWith(outlines(5, 200), { leaveOut: Array.from({ length: 60 }, () => circle(4)) })),
  ).toMatchObject({ problem: expect.stringContaining('to 1240') });
  const many = Array.from({ length: 40 }, (_, i) => ({
    ...startPlan().panels[0],
    id: `p${i}`,
    place: outlines(12, 3),
  }));
  expect(parsePlan({ ...startPlan(), sectioning: [], panels: many })).toMatchObject({
    problem: 'panels[9].place: brings the places of the pattern to 130; 120 are allowed.',
  });
});

test('the character zero and half a pair are refused, and an emoji is not', () => {
  expect(unsound({ notes: 'a\0b' })).toBe('notes: holds a character that cannot be kept.');
  expect(unsound({ goals: [{ words: '\ud83d' }] })).toBe(
    'goals[0].words: holds a character that cannot be kept.',
  );
  expect(unsound({ 'a\0': 1 })).toBe('The document: holds a name with a character that cannot be kept.');
  expect(unsound('\udc00')).toBe('The text: holds a character that cannot be kept.');
  expect(unsound({ notes: 'Loves 🌿 and 👩‍👩‍👧 and ä' })).toBeUndefined();
});

test('a beginning ends between letters, as a reader sees them', () => {
  expect(beginningOf('short', 10)).toBe('short');
  expect(beginningOf('abc👩‍👩‍👧d', 5)).toBe('abc');
  expect(beginningOf(`a${'\u0308'}bcd`, 2)).toBe(`a${'\u0308'}`);
  expect(beginningOf('abcdef', 3)).toBe('abc');
});
