import { EMPTY_CONSULT, USUAL_HOUSE } from '../formats';
import { growthRate } from '../growth';
import { fill, paint } from '../hair-map';
import { effectsOf, progressOf } from '.';
import type { Consult } from '../visit';

const effects = (part: Partial<Consult>, chapter?: string) =>
  effectsOf({
    consult: { ...EMPTY_CONSULT, ...part },
    house: USUAL_HOUSE,
    growth: growthRate([]),
    lines: null,
    sayMoney: (minor) => `${minor / 100} EUR`,
  })
    .filter((effect) => chapter === undefined || effect.chapter === chapter)
    .map(({ answer, changes }) => `${answer}: ${changes}`);

test('from half of the time tied up the hairline carries the look, below it the part does', () => {
  expect(effects({ wornUpShare: 0.5 }, 'worn')[0]).toMatch(/^Tied up 50% of the time: The hairline band/);
  expect(effects({ wornUpShare: 0.4 }, 'worn')[0]).toMatch(/the part and the top carry the look/);
});

test('weeks between visits are held against the line that shows', () => {
  // Base 6 to 9: κ 105 over 3 levels is 35 mm, 12 weeks at the average rate.
  const base = { naturalLevel: 6, goalLevel: 9 };
  expect(effects({ ...base, weeksBetween: 8 }, 'upkeep')).toEqual([
    'Every 8 weeks: About 23 mm will have grown. A fine weave to the scalp shows its line after about 12 weeks (9–15), which holds.',
  ]);
  expect(effects({ ...base, weeksBetween: 16 }, 'upkeep')[0]).toMatch(
    /About 46 mm .* after about 12 weeks \(9–15\): start off the scalp and feathered/,
  );
});

test('a pattern’s own line takes the place of the usual one, soonest first', () => {
  const said = (weeksBetween: number) =>
    effectsOf({
      consult: { ...EMPTY_CONSULT, weeksBetween },
      house: USUAL_HOUSE,
      growth: growthRate([]),
      lines: [
        { what: 'full', growMm: 40 },
        { what: 'face', growMm: 23 },
      ],
      sayMoney: String,
    }).find(({ chapter }) => chapter === 'upkeep')?.changes;
  expect(said(6)).toBe(
    'About 17 mm will have grown. The root line shows at the hairline after about 8 weeks (6–10), at about 23 mm of growth.',
  );
  expect(said(10)).toMatch(/ Start off the scalp, or feather more\.$/);
  const none = effectsOf({
    consult: { ...EMPTY_CONSULT, weeksBetween: 8 },
    house: USUAL_HOUSE,
    growth: growthRate([]),
    lines: [],
    sayMoney: String,
  });
  expect(none.some(({ changes }) => /grows out without a root line/.test(changes))).toBe(true);
});

test('what was not asked changes nothing', () => {
  expect(effects({}, 'upkeep')).toEqual([]);
  expect(effects({}, 'history')).toEqual([]);
  expect(effects({}, 'map')).toEqual([]);
});

test('grey is held against the share from which blending is suggested', () => {
  expect(effects(fill(EMPTY_CONSULT, 'grey', 0.5), 'map')[0]).toMatch(/^50% grey.*blending is suggested/);
  expect(
    effects(paint({ consult: EMPTY_CONSULT, key: 'grey', zones: ['temple-l'], value: 0.1 }), 'map')[0],
  ).toMatch(/Too little grey/);
});

test('three washes a week leave a toner of seven weeks; a budget is said in the house’s money', () => {
  expect(effects({ washesPerWeek: 3, budgetMinor: 12_000 }, 'upkeep')).toEqual([
    '3 washes a week: A toner lasts about 7 weeks.',
    'Budget 120 EUR: The checks say when the estimate runs over. Fit cuts the plan to the budget.',
  ]);
});

test('the conversation counts what was asked', () => {
  expect(progressOf(EMPTY_CONSULT).wish).toEqual({ asked: 0, of: 4 });
  expect(
    progressOf({ ...EMPTY_CONSULT, contrast: 'high', faceFrame: { strength: 'none', behindMm: 0 } }).wish,
  ).toEqual({ asked: 2, of: 4 });
  expect(progressOf({ ...EMPTY_CONSULT, wornUpShare: 0 }).worn).toEqual({ asked: 1, of: 6 });
});
