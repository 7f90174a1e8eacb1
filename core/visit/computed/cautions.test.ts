import { startPlan } from '../../formats';
import { lightenerWith, tonerFor } from '../../mix/testing';
import { usualCorrection } from '../../mix';
import type { Plan } from '../../pattern';
import { USUAL_RANGE, type HouseRecipe } from '../../products';
import { EVERYWHERE, type ColourPlace, type Health, type VisitMix } from '..';
import { DEPOSIT, visitOf } from './testing';

/** From the documents of a visit to what stands in the way of it. */
const SOUND: Health = { allergy: 'none', dyes: 'none', scalp: 'sound', strandFeel: 'sound', noted: [] };
const cautions = (mix: Partial<VisitMix>, plan: Plan = startPlan()) =>
  visitOf({
    plan,
    mix,
    consult: { health: SOUND },
    facts: {
      tests: [
        {
          kind: 'alert',
          onDay: '2026-12-20',
          result: 'clear',
          document: { volume: null, minutes: null, fromLevel: null, level: null },
        },
      ],
    },
  }).cautions;
const keys = (mix: Partial<VisitMix>, plan?: Plan) =>
  cautions(mix, plan).map(({ key, weight }) => `${key} ${weight}`);
const recipe = (id: string) => USUAL_RANGE.find((product): product is HouseRecipe => product.id === id)!;
const begun = (distanceMm: number): Plan => ({
  ...startPlan(),
  panels: startPlan().panels.map((panel) => ({
    ...panel,
    start: { distanceMm, featherMm: 0, teasing: 0 },
  })),
});

test('the usual pattern with the usual mix has none', () => expect(keys({})).toEqual([]));

test.each<[string, Parameters<typeof tonerFor>[2], string[]]>([
  ['on all of the hair', {}, ['strong-scalp stop']],
  ['at the roots', { lengths: ['roots'] }, ['strong-scalp stop']],
  ['at the roots and the ends', { lengths: ['ends', 'roots'] }, ['strong-scalp stop']],
  ['on mid-lengths and ends', { lengths: ['mids', 'ends'] }, []],
])('a toner of 30 vol %s', (_, place, expected) =>
  expect(keys({ toners: [tonerFor('t', 10, place, { volumes: 30 })] })).toEqual(expected),
);

test('a toner of 20 vol may touch the scalp; on for longer than its line allows it asks for a reason', () => {
  expect(keys({ toners: [tonerFor('t', 10, {}, { volumes: 20 })] })).toEqual([]);
  expect(cautions({ toners: [tonerFor('t', 60)] })).toMatchObject([
    { key: 'over-time', seen: expect.stringMatching(/toner 60 min \(\d+\)/) },
  ]);
});

test('a correction at the roots goes by the developer that is poured for it, whatever thins it', () => {
  const wash = (volumes: number, lengths: ColourPlace['lengths']) => ({
    ...usualCorrection('wash', recipe('bleach-wash'), 7),
    parts: [
      { product: 'moth-powder', parts: 1 },
      { volumes, parts: 1 },
      { product: 'rill-plain', parts: 2 },
    ],
    place: { ...EVERYWHERE, lengths },
  });
  expect(cautions({ corrections: [wash(30, ['roots'])] })).toMatchObject([
    { key: 'strong-scalp', weight: 'stop', seen: expect.stringMatching(/bleach wash \(30 vol\)/) },
  ]);
  expect(keys({ corrections: [wash(30, [])] })).toEqual(['strong-scalp stop']);
  expect(keys({ corrections: [wash(20, []), wash(30, ['mids', 'ends'])] })).toEqual([]);
});

test.each<[string, Parameters<typeof lightenerWith>[0]]>([
  ['the whole length', { volumes: 30 }],
  ['a mix of its own on the ends', { ends: { volumes: 30, ratio: 2, lastMm: 100 } }],
  ['a second application', { second: { volumes: 30, ratio: 2, afterMinutes: 40 } }],
])('the strongest mix of a formula counts: %s', (_, part) =>
  expect(keys({ formulas: { A: lightenerWith(part) } })).toContain('strong-hairline reason'),
);

test('nothing of 40 vol within 20 mm of the scalp, its feathering counted', () => {
  const forty = { formulas: { A: lightenerWith({ volumes: 40 }) } };
  expect(keys(forty, begun(19))).toContain('forty-near stop');
  expect(keys(forty, begun(20))).not.toContain('forty-near stop');
  expect(keys({ formulas: { A: lightenerWith({ volumes: 39 }) } }, begun(0))).not.toContain(
    'forty-near stop',
  );
});

test('colour in the foils that is on for too long asks for a reason; a formula that no unit takes does not', () => {
  const long = { ...DEPOSIT, minutes: 90 };
  expect(keys({ formulas: { A: long } })).toContain('over-time reason');
  expect(keys({ formulas: { B: long } })).toEqual([]);
});

test('warmth is asked about, and past what the house allows it stops', () => {
  const warm = (celsius: number) =>
    keys({ formulas: { A: lightenerWith({ warmth: { celsius, lastMinutes: null } }) } });
  expect([warm(40), warm(60)]).toEqual([
    expect.arrayContaining(['heat reason']),
    expect.arrayContaining(['heat stop']),
  ]);
});
