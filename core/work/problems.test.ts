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
