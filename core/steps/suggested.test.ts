import type { ColourResults } from '../mix';
import { tonerFor } from '../mix/testing';
import { EVERYWHERE, type Correction, type HairState, type PlaceLength, type RootMix } from '../visit';
import { visitOf } from '../visit/computed/testing';
import { hairBefore, hairProblem, putOn, suggestedSteps, timedSteps } from '.';

const NONE: ColourResults = { toners: [], roots: [], corrections: [] };

const toner = (id: string, lengths: readonly PlaceLength[], minutes: number, state: HairState = 'damp') =>
  tonerFor(id, minutes, { lengths }, { parts: [], volumes: 6, state });
const root: RootMix = {
  ...toner('r', ['roots'], 10),
  mm: 25,
  rule: null,
};
const wash = {
  use: 'bleach-wash',
  recipe: null,
  name: 'Bleach wash',
  id: 'w',
  parts: [
    { product: 'moth-powder', parts: 1 },
    { volumes: 10, parts: 2 },
  ],
  grams: 40,
  minutes: 15,
  level: 9,
  place: { ...EVERYWHERE, lengths: ['ends'] },
} as const satisfies Correction;
const spot = {
  use: 'spot',
  recipe: null,
  name: 'Spot repair',
  id: 's',
  parts: [{ product: 'sedge', parts: 1 }],
  grams: 10,
  minutes: 5,
  level: 8,
  place: { ...EVERYWHERE, words: 'behind the left ear' },
} as const satisfies Correction;

const timed = (mix: Partial<Parameters<typeof suggestedSteps>[0]>) =>
  timedSteps(suggestedSteps({ corrections: [], roots: [], toners: [], ...mix }, NONE)).map(
    ({ words, from, to }) => [words, from, to],
  );

test('without colour: wash and dry, and nothing is put on', () => {
  expect(timed({})).toEqual([
    ['Wash and treat', 0, 8],
    ['Dry', 8, 33],
  ]);
  expect(putOn(suggestedSteps({ corrections: [], roots: [], toners: [] }, NONE))).toBe(false);
  expect(putOn(suggestedSteps({ corrections: [], roots: [root], toners: [] }, NONE))).toBe(true);
});

test('colours of different times are done together, the longest first; bleach washes come before them, and are rinsed', () => {
  expect(
    timed({
      corrections: [wash],
      roots: [root],
      toners: [toner('t', ['mids', 'ends'], 20), toner('f', [], 5)],
    }),
  ).toEqual([
    ['Wash and treat', 0, 8],
    ['Bleach wash, ends', 8, 23],
    ['Rinse and wash', 23, 28],
    ['Toner, mid-lengths and ends', 28, 48],
    ['Root colour, roots', 38, 48],
    ['Toner, all lifted hair', 43, 48],
    ['Rinse the colour', 48, 53],
    ['Dry', 53, 78],
  ]);
});

test('two colours of the same time end one after the other: nothing idles, nothing stays on past its minutes', () => {
  expect(timed({ toners: [toner('a', ['mids'], 15), toner('b', ['ends'], 15)] }).slice(1, 4)).toEqual([
    ['Toner, mid-lengths', 8, 23],
    ['Toner, ends', 12, 27],
    ['Rinse the colour', 27, 32],
  ]);
});

test('a treatment comes before what goes under it, a drying before what wants dry hair, and a spot is repaired when all is dry', () => {
  const mix = {
    corrections: [spot],
    roots: [root],
    toners: [toner('t', ['ends'], 20, 'treated'), toner('d', ['mids'], 10, 'dry')],
  };
  const steps = suggestedSteps(mix, NONE);
  expect(steps.map(({ id }) => id)).toEqual([
    'wash',
    'treatment',
    'root r',
    'toner t',
    'rinse',
    'dry first',
    'toner d',
    'rinse dry',
    'dry',
    'correction s',
    'rinse spot',
    'dry spot',
  ]);
  const before = hairBefore(steps, 'damp');
  steps.forEach((step, i) => expect(hairProblem(step, before[i])).toBeNull());
  const withoutDrying = steps.filter(({ kind }) => kind !== 'dry');
  const at = withoutDrying.findIndex(({ kind }) => kind === 'spot');
  expect(hairProblem(withoutDrying[at], hairBefore(withoutDrying, 'damp')[at])).toBe(
    'Spot repair, behind the left ear goes on dry hair: the hair is damp by then.',
  );
});

test('a step says what is weighed, on what hair and where; one that cannot be mixed says why', () => {
  const mixed = {
    ...toner('t', ['mids'], 20),
    parts: [
      { shade: 'sedge-9-violet', parts: 2 },
      { shade: 'sedge-9-pearl', parts: 1 },
    ],
    grams: 60,
    volumes: 5,
  };
  const { steps } = visitOf({
    consult: { goalLevel: 9 },
    mix: { toners: [mixed, { ...toner('u', ['ends'], 5), parts: [{ shade: 'gone', parts: 1 }] }] },
  });
  const step = (id: string) => steps.find((serviceStep) => serviceStep.id === id)!;
  expect(step('toner t')).toMatchObject({
    place: { lengths: ['mids'] },
    hair: 'damp',
    items: { ok: true, items: [{ grams: 13 }, { grams: 7 }, { grams: 40 }] },
  });
  expect(step('toner u').items).toMatchObject({ ok: false, problem: expect.stringContaining('gone') });
  // The wash is treated with what the house has for it.
  expect(steps[0].items).toMatchObject({ ok: true, items: [{ product: 'rill-mask', grams: 30 }] });
});
