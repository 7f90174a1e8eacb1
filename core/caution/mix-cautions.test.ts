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
const unitsOf = (plan: Plan) => visitOf({ plan: plan }).work.units;

function facts(part: Partial<MixCautionFacts> = {}, plan: Plan = startPlan()): MixCautionFacts {
  return {
    units: unitsOf(plan),
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
const keys = (part: Partial<MixCautionFacts> = {}, plan?: Plan, limits = LIMITS) =>
  mixCautions(facts(part, plan), limits).map(({ key, weight }) => `${key} ${weight}`);
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
  const rootColour = { onScalp: [{ what: 'root colour', volumes: 30 }] };
  expect(keys(rootColour)).toEqual(['strong-scalp stop']);
  expect(mixCautions(facts(rootColour), LIMITS)[0].seen).toMatch(
    /on the scalp itself: root colour \(30 vol\)\.$/,
  );
  expect(keys({ onScalp: [{ what: 'root colour', volumes: 20 }] })).toEqual([]);
  const open = with_({ medium: 'open-air' });
  expect(keys({ formulas: { A: formula({ volumes: 30 }) } }, open)).toEqual([
    'strong-scalp stop',
    'strong-hairline reason',
  ]);
});

test('a stop is not lifted by a reason', () => {
  const cautions = mixCautions(facts({ onScalp: [{ what: 'root colour', volumes: 30 }] }), LIMITS);
  expect(openCautions(cautions, ['strong-scalp'])).toHaveLength(1);
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

describe('unit by unit', () => {
  type Unit = MixCautionFacts['units'][number];
  const unit = (part: Partial<Unit> = {}): Unit => ({
    panelName: 'Back',
    letter: 'A',
    zone: 'crown',
    laidWith: 'foil',
    startMm: 4,
    ...part,
  });
  const seen = (units: readonly Unit[], part: Partial<MixCautionFacts> = {}) =>
    mixCautions(facts({ units, ...part }), LIMITS).map((mixCaution) => mixCaution.seen);
  const of = (volumes: number) => ({ formulas: { A: formula({ volumes }) } });

  test('40 vol names each panel once, and counts from 20 mm as far enough', () => {
    const units = [unit(), unit({ startMm: 19.9 }), unit({ panelName: 'Top', startMm: 20 })];
    expect(seen(units, of(40))).toEqual(['40 vol within 20 mm of the scalp: Back.']);
    expect(seen([unit({ panelName: 'Top', startMm: 20 })], of(40))).toEqual([]);
    expect(seen([unit()], of(39.9))).toEqual([]);
  });

  test('painted in the open air or between foils within a millimetre it lies on the scalp; in foil it does not', () => {
    const at = (laidWith: Unit['laidWith'], startMm: number, volumes = 30) =>
      seen([unit({ laidWith, startMm })], of(volumes));
    expect(at('open air', 0.9)).toEqual([
      'Over 20 vol on the scalp itself: Back, painted at the scalp (30 vol).',
    ]);
    expect(at('between foils', 0)).toHaveLength(1);
    expect([at('foil', 0), at('open air', 1), at('open air', 0, 20)]).toEqual([[], [], []]);
  });

  test('at the hairline zones are named once, three of them, and how many more', () => {
    const zones = [
      'temple-l',
      'temple-l',
      'temple-r',
      'front-hairline-l',
      'nape-hairline',
      'ear-hairline-l',
    ] as const;
    expect(
      seen(
        zones.map((zone) => unit({ zone })),
        of(25),
      ),
    ).toEqual(['Over 20 vol at the hairline: temple, left, temple, right, front hairline, left and 2 more.']);
    expect(
      seen(
        zones.slice(0, 4).map((zone) => unit({ zone })),
        of(25),
      ),
    ).toEqual(['Over 20 vol at the hairline: temple, left, temple, right, front hairline, left.']);
  });

  test('fragile hair asks only where it is lit, and by the letter that lights it', () => {
    const both = {
      formulas: { A: formula({ volumes: 30 }), B: formula({ volumes: 20 }) },
      fragileZones: ['crown' as const],
    };
    expect(seen([unit({ letter: 'B' })], both)).toEqual([]);
    expect(seen([unit({ letter: 'A', zone: 'top-l' })], both)).toEqual([]);
    expect(seen([unit({ letter: 'A' })], both)).toEqual(['Over 20 vol on fragile hair: crown.']);
    // A letter that has no formula yet has no strength.
    expect(seen([unit({ letter: 'C' })], both)).toEqual([]);
  });

  test('warmth: the warmest letter that is taken, a reason up to what the house allows and a stop above', () => {
    const warm = (a: number | null, b: number | null, letters = ['A', 'B']) =>
      mixCautions(
        facts({
          units: letters.map((letter) => unit({ letter })),
          formulas: { A: formula({ celsius: a }), B: formula({ celsius: b }) },
        }),
        LIMITS,
      ).map((mixCaution) => `${mixCaution.weight}: ${mixCaution.seen}`);
    expect(warm(40, 45)).toEqual(['reason: Warmth of 45 °C is planned on formula A, B.']);
    expect(warm(null, 46)).toEqual(['stop: 46 °C is planned on formula B; this house allows 45 °C at most.']);
    expect(warm(40, 60, ['A'])).toEqual(['reason: Warmth of 40 °C is planned on formula A.']);
  });

  test('every time that is too long is named; a bowl is said with its age', () => {
    expect(
      seen([], {
        tooLong: [
          { what: 'toner', minutes: 25.4, limit: 20 },
          { what: 'formula B', minutes: 60, limit: 45 },
        ],
        oldestBowl: 41.6,
      }),
    ).toEqual([
      'Longer than the maker allows: toner 25 min (20), formula B 60 min (45).',
      'One bowl is 42 min old by its last foil.',
    ]);
  });
});
