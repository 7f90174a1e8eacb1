import { startPlan } from '../formats';
import { DEPOSIT, visitOf } from '../visit/computed/testing';
import { regrowthOnly } from './regrowth-only';
import { unitWith } from './testing';

const plan = startPlan();
const { letters } = visitOf({ plan, mix: { formulas: { A: DEPOSIT } } }).work;
const said = (units: readonly ReturnType<typeof unitWith>[], mm: number | undefined, of = letters) =>
  regrowthOnly({ units: [...units], letters: of }, mm === undefined ? {} : { 'upper-back-l': mm });
const ten = Array.from({ length: 10 }, () => unitWith({ lifts: false, grams: 2 }));

test('a lowlight to the ends is mixed for its regrowth alone: a tenth of the hair, a tenth of the grams', () => {
  const [row] = said(ten, 30);
  expect(row.letter).toBe('A');
  expect(row.then / row.now).toBeCloseTo(0.1, 1);
  // What is mixed is no less than what goes on.
  expect(row.now).toBeGreaterThanOrEqual(20);
});

test('from six tenths of the hair on, nothing is said: little is saved', () => {
  expect(said(ten, 179)).toHaveLength(1);
  expect(said(ten, 181)).toEqual([]);
});

test('what begins further out than the regrowth has none to be painted, and hair nobody measured is not guessed at', () => {
  expect(said([unitWith({ reachMm: [60, 300] })], 30)).toEqual([]);
  expect(said(ten, undefined)).toEqual([]);
  expect(said([], 30)).toEqual([]);
});

test('ends’ grams count with the length, tip-outs do not count at all', () => {
  const [plain] = said(ten, 30);
  const [both] = said([...ten, ...ten.map((unit) => ({ ...unit, grams: 0, endsGrams: 2 }))], 30);
  expect(both.now).toBeCloseTo(2 * plain.now, 0);
  expect(said([...ten, unitWith({ kind: 'tip-out', zone: 'crown' })], 30)).toEqual([plain]);
});

test('what lifts, and what is planned on the regrowth alone, is left as it is', () => {
  const lifting = visitOf({ plan }).work.letters;
  expect(said(ten, 30, lifting)).toEqual([]);
  const short = visitOf({ plan, mix: { formulas: { A: { ...DEPOSIT, reach: 'regrowth' } } } }).work.letters;
  expect(said(ten, 30, short)).toEqual([]);
});
