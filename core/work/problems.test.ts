import { EMPTY_MIX, startPlan } from '../formats';
import type { Plan } from '../pattern';
import { Shelf, USUAL_RANGE } from '../products';
import { usualFormula, type LiftFormula, type VisitMix } from '../visit';
import { visitOf } from '../visit/computed/testing';

const usual = usualFormula(new Shelf(EMPTY_MIX, USUAL_RANGE))!;
const panels = (change: (panel: Plan['panels'][number]) => Partial<Plan['panels'][number]>): Plan => ({
  ...startPlan(),
  panels: startPlan().panels.map((panel) => ({ ...panel, ...change(panel) })),
});
const said = (plan: Plan, mix: Partial<VisitMix> = {}, range = USUAL_RANGE) => {
  const { work } = visitOf({ plan, mix, facts: { range } });
  return { problems: work.problems.map(({ words }) => words), units: work.units.length };
};
const lift = (part: Partial<LiftFormula>) => ({ formulas: { A: { ...usual, ...part } } });

test('an ordinary pattern has no problems', () => expect(said(startPlan()).problems).toEqual([]));

test.each([
  [
    'a rotation longer than its panel',
    said(
      panels(({ id }) =>
        id === 'side-left'
          ? { rotation: { sequence: 'AB'.repeat(12), by: 'foil', anew: false, from: 1, to: null } }
          : {},
      ),
    ),
    /^Side, left: .* in turn is longer than its \d+ foils/,
  ],
  [
    'an ends mix longer than the hair',
    said(startPlan(), lift({ ends: { volumes: 10, ratio: 2, lastMm: 900 } })),
    /900 mm/,
  ],
  [
    'a product that is gone',
    said(startPlan(), lift({ lighteners: [{ product: 'gone', parts: 1 }] })),
    /^Formula A .*gone/,
  ],
  [
    'a house without a lightener',
    said(
      startPlan(),
      {},
      USUAL_RANGE.filter(({ kind }) => kind !== 'lightener' && kind !== 'high-lift'),
    ),
    /^Letter A \(Back\) has no formula, and the house has no lightener/,
  ],
  [
    'units that nothing is painted on',
    said(startPlan(), lift({ reach: { fromMm: 900, toMm: 950 } })),
    /(no grams|nothing)/i,
  ],
])('%s is said with its place, and the rest is computed', (_, { problems, units }, sentence) => {
  expect(problems.some((problem) => sentence.test(problem))).toBe(true);
  expect(units).toBeGreaterThan(90);
});

describe('formulas that take turns', () => {
  const turning = (rotation: Partial<NonNullable<Plan['panels'][number]['rotation']>>, part: object = {}) =>
    said(
      panels(({ id }) =>
        id === 'side-left'
          ? { rotation: { sequence: 'AB', by: 'foil', anew: false, from: 1, to: null, ...rotation }, ...part }
          : {},
      ),
      { formulas: { A: usual, B: usual } },
    ).problems.filter((words) => words.startsWith('Side, left'));
  const foils = visitOf({ plan: startPlan() }).work.units.filter(({ panel }) => panel === 'side-left').length;

  test('reach all of their letters, or it is said which are not reached', () => {
    expect(turning({})).toEqual([]);
    expect(turning({ to: 2 })).toEqual([]);
    expect(turning({ sequence: 'ABB', to: 2 })).toEqual([
      'Side, left: A B B in turn is longer than its 2 foils: B is never reached.',
    ]);
    expect(turning({ from: foils })).toEqual([
      'Side, left: A B in turn is longer than its 1 foils: B is never reached.',
    ]);
  });
  test('begin within the panel', () =>
    expect(turning({ from: foils + 1 })).toEqual([
      `Side, left: its formulas take turns from foil ${foils + 1} on, and it has ${foils} foils.`,
    ]));
  test('by row are counted in rows', () =>
    expect(turning({ by: 'row', sequence: 'AB'.repeat(30) })[0]).toMatch(/ is longer than its \d+ rows: /));
  test('of a panel that is switched off say nothing', () =>
    expect(turning({ from: foils + 1 }, { muted: true })).toEqual([]));
});

test('a letter without a formula is said where others have one, and not where none has', () => {
  const plan = panels(({ id }) => ({ formula: id === 'back' ? 'B' : 'A' }));
  expect(said(plan).problems).toEqual([]);
  expect(said(plan, { formulas: { A: usual } }).problems).toEqual([
    expect.stringMatching(/^Letter B \(Back\) has no formula yet: the usual one is used, Moth/),
  ]);
});
