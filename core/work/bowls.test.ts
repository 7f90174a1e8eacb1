import type { Recipe } from '../bowl';
import { EMPTY_MIX } from '../formats';
import { Shelf, USUAL_RANGE } from '../products';
import { usualFormula } from '../visit';
import { PAINTED_AGAIN_MINUTES, weighedWork, type UnitGrams, type WeighFacts } from './bowls';
import { ownMixName } from './mix-names';
import { unitWith } from './testing';
import type { WorkUnit } from './unit';

const shelf = new Shelf(EMPTY_MIX, USUAL_RANGE);
const usual = usualFormula(shelf)!;
const RECIPE: Recipe = { volumes: 20, ratio: 2, limitMinutes: 50, lifts: true };
const FACTS: WeighFacts = {
  bowl: { mostGrams: 60, usefulMinutes: 30 },
  scoopGrams: null,
  shelf,
  names: ownMixName,
  fromOld: () => false,
  recipeOf: () => RECIPE,
  formulaOf: () => usual,
};
/** Units of two minutes each, one after the other. */
const unitsOf = (parts: readonly Partial<WorkUnit>[]) =>
  parts.map((part, i) => unitWith({ number: i + 1, fromMinutes: 2 * i, toMinutes: 2 * i + 2, ...part }));
const each = (length: number, ends = 0, second = 0): UnitGrams => ({ length, ends, second });
const weigh = (
  parts: readonly Partial<WorkUnit>[],
  grams: readonly UnitGrams[],
  facts: Partial<WeighFacts> = {},
) => weighedWork(unitsOf(parts), grams, { ...FACTS, ...facts });
const bowlsOf = ({ bowls }: ReturnType<typeof weigh>) => {
  if (!bowls.ok) throw new Error(bowls.problem);
  return bowls.bowls;
};
const of = <T>(count: number, value: T): T[] => Array.from({ length: count }, () => value);

test('a bowl is named by its mix and its number, and knows its units, their numbers and what is weighed', () => {
  const [first, second, ...more] = bowlsOf(weigh(of(30, {}), of(30, each(2))));
  expect(more).toEqual([]);
  expect([first.label, second.label]).toEqual(['A 1', 'A 2']);
  expect([first, second].map(({ letter, part, mix }) => [letter, part, mix])).toEqual(
    of(2, ['A', 'length', 'A']),
  );
  expect([...first.units, ...second.units]).toEqual(of(30, 0).map((_, i) => i));
  expect(first.foilNumbers).toEqual([1, first.units.length]);
  expect(second.foilNumbers).toEqual([first.units.length + 1, 30]);
  expect([first.foils, first.others]).toEqual([first.units.length, 0]);
  expect(first.items.ok).toBe(true);
});

test('painted sections and drop-outs are counted apart and have no foil numbers', () => {
  const [bowl] = bowlsOf(
    weigh([{ kind: 'foil', number: 7 }, { kind: 'tip-out', number: 1 }, { kind: 'paint' }], of(3, each(2))),
  );
  expect([bowl.foils, bowl.others, bowl.foilNumbers]).toEqual([1, 2, [7, 7]]);
  expect(bowlsOf(weigh([{ kind: 'tip-out' }], [each(2)]))[0].foilNumbers).toBeNull();
});

test('what takes nothing is in no bowl; without a lightener the bowl says so', () => {
  const { bowls, amounts } = weigh([{}, {}], [each(0), each(2)]);
  expect(bowls.ok && bowls.bowls.map(({ units }) => units)).toEqual([[1]]);
  expect(amounts).toMatchObject([{ letter: 'A', foils: 1 }]);
  expect(bowlsOf(weigh([{}], [each(2)], { formulaOf: () => undefined }))[0].items).toEqual({
    ok: false,
    problem: 'the house has no lightener',
  });
});

test('a unit that fits into no bowl is a sentence, and all of it is still counted', () => {
  const { bowls, amounts } = weigh([{}], [each(80)]);
  expect(bowls).toEqual({ ok: false, problem: expect.stringMatching(/does not fit into one bowl/) });
  expect(amounts).toMatchObject([{ net: 80, mixed: 0, powder: 0 }]);
});

test('ends have a bowl of their own, mixed by their own ratio and all that stands beside it', () => {
  const recipe: Recipe = {
    ...RECIPE,
    extra: 0.5,
    ends: { volumes: 10, ratio: 3, extra: 1, lastMm: 80 },
  };
  const weighed = weigh(of(4, {}), of(4, each(3, 1)), { recipeOf: () => recipe });
  const [length, ends] = bowlsOf(weighed);
  expect([length.mix, ends.mix]).toEqual(['A', 'A ends']);
  expect(length.developer / length.powder).toBeCloseTo(2.5, 9);
  expect(ends.developer / ends.powder).toBeCloseTo(4, 9);
  expect(weighed.amounts.map(({ part, volumes, net, foils }) => [part, volumes, net, foils])).toEqual([
    ['length', 20, 12, 4],
    ['ends', 10, 4, 4],
  ]);
});

describe('a second application', () => {
  const second = { afterMinutes: 30, volumes: 30, ratio: 1.5, extra: 0 };
  const facts = { recipeOf: () => ({ ...RECIPE, second }) };
  test('comes when the time of each foil has come, one after the other, from bowls of its own', () => {
    const weighed = weigh(
      [{}, { fromMinutes: 2, toMinutes: 2.2 }, { fromMinutes: 2.2, toMinutes: 20 }],
      of(3, each(3, 0, 2)),
      facts,
    );
    const again = bowlsOf(weighed).filter(({ part }) => part === 'second');
    expect(again.map(({ label }) => label)).toEqual(['A second 1']);
    // The first from 32 on; the second waits until the hand is free; the third until its time has come.
    expect(again[0].fromMinutes).toBe(32);
    expect(again[0].toMinutes).toBe(50 + PAINTED_AGAIN_MINUTES);
    expect(again[0].developer / again[0].powder).toBeCloseTo(1.5, 9);
    expect(weighed.amounts.find(({ part }) => part === 'second')).toMatchObject({ volumes: 30, net: 6 });
    // Its bowl is fresh: no unit is older for it.
    expect([...weighed.ages]).toEqual([0, 2, 2.2]);
  });
  test('is not weighed where nothing is painted again', () => {
    expect(bowlsOf(weigh([{}], [each(3, 0, 2)])).map(({ part }) => part)).toEqual(['length']);
    expect(bowlsOf(weigh([{}], [each(3, 0, 0)], facts)).map(({ part }) => part)).toEqual(['length']);
  });
});

test('letters that share a bowl count for it by their grams', () => {
  const weighed = weigh(
    [{ letter: 'B' }, { letter: 'A' }, { letter: 'A' }, { letter: 'A' }],
    of(4, each(5)),
    { names: () => 'A + B' },
  );
  const [bowl, ...more] = bowlsOf(weighed);
  expect(more).toEqual([]);
  // It is called by what is painted from it first.
  expect([bowl.letter, bowl.mix, bowl.label]).toEqual(['B', 'A + B', 'A + B 1']);
  expect(
    weighed.amounts.map(({ letter, net, mixed }) => [letter, net, Math.round((100 * mixed) / bowl.mixed)]),
  ).toEqual([
    ['A', 15, 75],
    ['B', 5, 25],
  ]);
  const [a, b] = weighed.amounts;
  expect([a.powder / b.powder, a.developer / b.developer]).toEqual([
    expect.closeTo(3, 9),
    expect.closeTo(3, 9),
  ]);
  expect(a.powder + b.powder).toBeCloseTo(bowl.powder, 9);
});

test('a unit is as old as the oldest bowl that it is painted from', () => {
  const parts = [{}, {}, {}, {}];
  expect([...weigh(parts, of(4, each(2))).ages]).toEqual([0, 2, 4, 6]);
  // The bowl for the ends is begun with the third.
  expect([
    ...weigh(parts, [each(2), each(2), each(0, 2), each(2, 2)], {
      recipeOf: () => ({ ...RECIPE, ends: { volumes: 10, ratio: 2, extra: 0, lastMm: 80 } }),
    }).ages,
  ]).toEqual([0, 2, 0, 6]);
});

test('in scoops, powder is measured to the quarter of one', () => {
  const powder = (scoopGrams: number | null) =>
    bowlsOf(weigh(of(5, {}), of(5, each(2)), { scoopGrams }))[0].powder;
  expect(powder(28) / 7).toBe(Math.round(powder(28) / 7));
  expect(powder(28)).not.toBe(powder(null));
});

test('past its useful time a bowl is used only where the house uses it up', () => {
  const parts = of(10, {}).map((_, i) => ({ fromMinutes: 4 * i, toMinutes: 4 * i + 4 }));
  const bowls = (fromOld: WeighFacts['fromOld']) => bowlsOf(weigh(parts, of(10, each(1)), { fromOld }));
  expect(bowls(() => false)).toHaveLength(2);
  expect(bowls(({ number }) => number > 7)).toHaveLength(1);
});
