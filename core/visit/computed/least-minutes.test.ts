import { scriptPartOf, readyMinutesOf } from '../../chair';
import { lightenerWith } from '../../mix/testing';
import { inTurn } from '../../pattern/testing';
import { startPlan } from '../../formats';
import { headFactor } from '../../lift';
import { USUAL_RANGE } from '../../products';
import { visitOf } from './testing';

const high = lightenerWith({ lighteners: [{ product: 'moth-high', parts: 1 }], volumes: 40, ratio: 2 });
const visit = (formula = high) =>
  visitOf({
    plan: inTurn(startPlan()),
    consult: { naturalLevel: 8, goalLevel: 9 },
    mix: { formulas: { A: lightenerWith(), B: formula } },
  });

test('a high-lift that its maker wants on for 45 minutes is ready then, not when the level is there; powder beside it is not held up', () => {
  const { work, clock } = visit();
  const of = (letter: string) =>
    work.units
      .filter((unit) => unit.letter === letter)
      .map(({ ready, limitMinutes }) => [ready.minutes, ready.soonest, limitMinutes]);
  // One level from 8 takes it well under 45 minutes; the maker's 45 are both its least and its longest.
  expect(new Set(of('B').map(String))).toEqual(new Set(['45,45,45']));
  expect(Math.max(...of('A').map(([minutes]) => minutes))).toBeLessThan(45);
  // The clock and the chair say the same.
  for (const block of clock.blocks)
    block.units.forEach(({ letter }, i) => letter === 'B' && expect(block.foils[i].readyMinutes).toBe(45));
  const { units, lifts } = scriptPartOf(visit());
  const atChair = units
    .filter(({ letter }) => letter === 'B')
    .map((unit) => readyMinutesOf(unit, lifts, headFactor([])));
  expect(atChair.length).toBeGreaterThan(10);
  expect(new Set(atChair)).toEqual(new Set([45]));
});

test('without a time of its own it is ready with its level, as lightener is', () => {
  const range = USUAL_RANGE.map((product) =>
    product.id === 'moth-high' ? { ...product, leastMinutes: 0 } : product,
  );
  const { work } = visitOf({
    plan: inTurn(startPlan()),
    consult: { naturalLevel: 8, goalLevel: 9 },
    mix: { formulas: { A: lightenerWith(), B: high } },
    facts: { range },
  });
  expect(
    Math.max(...work.units.filter(({ letter }) => letter === 'B').map(({ ready }) => ready.minutes)),
  ).toBeLessThan(40);
});
