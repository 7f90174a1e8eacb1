import { startPlan } from '../formats';
import { createPatternEngine, type Plan } from '../pattern';
import { openCautions } from './caution';
import { mixCautions, type CautionedFormula, type MixCautionFacts } from './mix-cautions';

const engine = createPatternEngine();
const LIMITS = { strongVolumes: 20, scalpMm: 20 };
const formula = (part: Partial<CautionedFormula> = {}): CautionedFormula => ({ volumes: 20, lifts: true, heat: false, reach: 'ends', ...part });

const placedIn = (own: Plan) => {
  const { foils, painted } = engine.compute(own).sheet;
  return [...foils, ...painted];
};

function facts(part: Partial<MixCautionFacts> = {}, own: Plan = startPlan()): MixCautionFacts {
  return {
    plan: own, foils: placedIn(own), formulas: { A: formula() }, onScalp: [], fragileZones: [], lightenedZones: [], regrowthMm: {}, tooLong: [], rootWarning: null, oldestBowl: 10, ...part,
  };
}
const keys = (part: Partial<MixCautionFacts> = {}, own?: Plan, limits = LIMITS) => mixCautions(facts(part, own), limits).map(({ key, weight }) => `${key} ${weight}`);
const with_ = (part: Partial<Plan['panels'][number]>): Plan => ({ ...startPlan(), panels: startPlan().panels.map((panel) => ({ ...panel, ...part })) });

test('20 vol in foil at the scalp is no caution', () => expect(keys()).toEqual([]));

test('over 20 vol asks for a reason at the hairline and on fragile hair', () => {
  expect(keys({ formulas: { A: formula({ volumes: 30 }) } })).toEqual(['strong-hairline reason']);
  expect(keys({ formulas: { A: formula({ volumes: 25 }) }, fragileZones: ['nape-l'] })).toEqual(['strong-hairline reason', 'strong-fragile reason']);
  // A house whose leaflet allows 25 there has said so.
  expect(keys({ formulas: { A: formula({ volumes: 25 }) } }, undefined, { ...LIMITS, strongVolumes: 25 })).toEqual([]);
});

test('40 vol within 20 mm of the scalp stops; further away it does not', () => {
  const strong = { formulas: { A: formula({ volumes: 40 }) } };
  expect(keys(strong)).toContain('forty-near stop');
  const away = with_({ start: { distanceMm: 25, featherMm: 0, teasing: 0 } });
  expect(keys({ ...strong, foils: engine.compute(away).sheet.foils }, away)).toEqual(['strong-hairline reason']);
});

test('over 20 vol on the scalp itself stops: root colour, or painted in the open air from the root', () => {
  expect(keys({ onScalp: [{ what: 'root colour', volumes: 30 }] })).toEqual(['strong-scalp stop']);
  expect(keys({ onScalp: [{ what: 'root colour', volumes: 20 }] })).toEqual([]);
  const open = with_({ medium: 'open-air' });
  expect(keys({ formulas: { A: formula({ volumes: 30 }) } }, open)).toEqual(['strong-scalp stop', 'strong-hairline reason']);
});

test('a stop is not lifted by a reason', () => {
  const own = mixCautions(facts({ onScalp: [{ what: 'root colour', volumes: 30 }] }), LIMITS);
  expect(openCautions(own, ['strong-scalp'])).toHaveLength(1);
});

test('lightener over earlier light asks for a reason, unless only the regrowth is painted', () => {
  const regrowthMm = { 'nape-l': 30 } as const;
  expect(keys({ regrowthMm })).toEqual(['overlap reason']);
  expect(keys({ regrowthMm, formulas: { A: formula({ reach: 'regrowth' }) } })).toEqual([]);
  expect(keys({ regrowthMm, formulas: { A: formula({ lifts: false }) } })).toEqual([]);
  expect(keys({ lightenedZones: ['nape-r'] })).toEqual(['overlap reason']);
});

test('warmth, time, a dark root and an old bowl', () => {
  expect(keys({ formulas: { A: formula({ heat: true }), B: formula({ heat: true }) } })).toEqual(['heat reason']);
  expect(mixCautions(facts({ tooLong: [{ what: 'toner', minutes: 25, limit: 20 }] }), LIMITS)[0].seen).toBe('Longer than the maker allows: toner 25 min (20).');
  expect(keys({ rootWarning: 'It is darker.', oldestBowl: 31 })).toEqual(['root-dark shown', 'bowl-old shown']);
  expect(keys({ oldestBowl: 30 })).toEqual([]);
});
