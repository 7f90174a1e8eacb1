import { startPlan } from '../formats';
import type { Plan } from '../pattern';
import { visitOf } from '../visit/computed/testing';
import { openCautions } from './caution';
import { mixCautions, type CautionedFormula, type MixCautionFacts } from './mix-cautions';

const LIMITS = { strongVolumes: 20, scalpMm: 20, warmestCelsius: 45 };
const formula = (part: Partial<CautionedFormula> = {}): CautionedFormula => ({
  volumes: 20,
  celsius: null,
  ...part,
});
const unitsOf = (own: Plan) => visitOf({ plan: own }).work.units;

function facts(part: Partial<MixCautionFacts> = {}, own: Plan = startPlan()): MixCautionFacts {
  return {
    units: unitsOf(own),
    formulas: { A: formula() },
    onScalp: [],
    fragileZones: [],
    overlapping: 0,
    tooLong: [],
    rootWarning: null,
    oldestBowl: 10,
    ...part,
  };
}
const keys = (part: Partial<MixCautionFacts> = {}, own?: Plan, limits = LIMITS) =>
  mixCautions(facts(part, own), limits).map(({ key, weight }) => `${key} ${weight}`);
const with_ = (part: Partial<Plan['panels'][number]>): Plan => ({
  ...startPlan(),
  panels: startPlan().panels.map((panel) => ({ ...panel, ...part })),
});

test('20 vol in foil at the scalp is no caution', () => expect(keys()).toEqual([]));

test('over 20 vol asks for a reason at the hairline and on fragile hair', () => {
  expect(keys({ formulas: { A: formula({ volumes: 30 }) } })).toEqual(['strong-hairline reason']);
  expect(keys({ formulas: { A: formula({ volumes: 25 }) }, fragileZones: ['nape-l'] })).toEqual([
    'strong-hairline reason',
    'strong-fragile reason',
  ]);
  // A house whose leaflet allows 25 there has said so.
  expect(
    keys({ formulas: { A: formula({ volumes: 25 }) } }, undefined, { ...LIMITS, strongVolumes: 25 }),
  ).toEqual([]);
});

test('40 vol within 20 mm of the scalp stops; further away it does not', () => {
  const strong = { formulas: { A: formula({ volumes: 40 }) } };
  expect(keys(strong)).toContain('forty-near stop');
  const away = with_({ start: { distanceMm: 25, featherMm: 0, teasing: 0 } });
  expect(keys(strong, away)).toEqual(['strong-hairline reason']);
});

test('over 20 vol on the scalp itself stops: root colour, or painted in the open air from the root', () => {
  expect(keys({ onScalp: [{ what: 'root colour', volumes: 30 }] })).toEqual(['strong-scalp stop']);
  expect(keys({ onScalp: [{ what: 'root colour', volumes: 20 }] })).toEqual([]);
  const open = with_({ medium: 'open-air' });
  expect(keys({ formulas: { A: formula({ volumes: 30 }) } }, open)).toEqual([
    'strong-scalp stop',
    'strong-hairline reason',
  ]);
});

test('a stop is not lifted by a reason', () => {
  const own = mixCautions(facts({ onScalp: [{ what: 'root colour', volumes: 30 }] }), LIMITS);
  expect(openCautions(own, ['strong-scalp'])).toHaveLength(1);
});

test('lightener over earlier light asks for a reason, and says how many foils carry it', () => {
  const [one] = mixCautions(facts({ overlapping: 1 }), LIMITS);
  expect(one).toMatchObject({
    key: 'overlap',
    weight: 'reason',
    seen: 'One foil carries lightener over hair lightened before.',
  });
  expect(mixCautions(facts({ overlapping: 14 }), LIMITS)[0].seen).toBe(
    '14 foils carry lightener over hair lightened before.',
  );
  expect(keys({ overlapping: 0 })).toEqual([]);
});

test('warmth on a letter that no unit takes is no matter', () =>
  expect(keys({ formulas: { A: formula(), B: formula({ celsius: 40 }) } })).toEqual([]));

test('warmth, time, a dark root and an old bowl', () => {
  expect(keys({ formulas: { A: formula({ celsius: 40 }) } })).toEqual(['heat reason']);
  expect(mixCautions(facts({ tooLong: [{ what: 'toner', minutes: 25, limit: 20 }] }), LIMITS)[0].seen).toBe(
    'Longer than the maker allows: toner 25 min (20).',
  );
  expect(keys({ rootWarning: 'It is darker.', oldestBowl: 31 })).toEqual([
    'root-dark shown',
    'bowl-old shown',
  ]);
  expect(keys({ oldestBowl: 30 })).toEqual([]);
});
