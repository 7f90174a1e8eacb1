import type { VisitToner } from '../visit';
import { visitOf } from '../visit/computed/testing';
import { afterSteps, type ColourResults } from '.';

const NONE: ColourResults = { toners: [], root: null, corrections: [] };

const toner = (id: string, where: VisitToner['where'], minutes: number): VisitToner => ({
  id,
  where,
  line: 'sedge',
  parts: [],
  grams: 40,
  ratio: 2,
  volumes: 6,
  minutes,
  state: 'damp',
});

test('without colour: wash and dry', () => {
  expect(
    afterSteps({ corrections: [], root: null, toners: [] }, NONE).map(({ kind, from, to }) => [kind, from, to]),
  ).toEqual([
    ['wash', 0, 8],
    ['dry', 8, 33],
  ]);
});

test('colours of different times are done together, the longest first; corrections come before them', () => {
  const root = { line: 'sedge', rule: null, grams: 30, ratio: 1, volumes: 6, minutes: 10 };
  const wash = {
    kind: 'bleach-wash',
    id: 'w',
    product: 'moth',
    volumes: 10,
    developer: 2,
    shampoo: 1,
    water: 1,
    grams: 40,
    minutes: 15,
    from: 9,
    where: 'ends',
  } as const;
  const steps = afterSteps(
    { corrections: [wash], root, toners: [toner('t', 'mids', 20), toner('f', 'face', 5)] },
    NONE,
  );
  expect(steps.map(({ name, from, to }) => [name, from, to])).toEqual([
    ['Wash and treat', 0, 8],
    ['Bleach wash, ends', 8, 23],
    ['Toner, mid-lengths', 23, 43],
    ['Root colour', 33, 43],
    ['Toner, face frame', 38, 43],
    ['Rinse the colour', 43, 48],
    ['Dry', 48, 73],
  ]);
});

test('two colours of the same time: the second is put on after the first and is done later', () => {
  const steps = afterSteps(
    { corrections: [], root: null, toners: [toner('a', 'mids', 15), toner('b', 'ends', 15)] },
    NONE,
  );
  expect(steps.slice(1, 3).map(({ from, to }) => [from, to])).toEqual([
    [12, 27],
    [16, 31],
  ]);
});

test('a step says what is weighed, on what hair and where; one that cannot be mixed says why', () => {
  const mixed = {
    ...toner('t', 'mids', 20),
    parts: [
      { shade: 'sedge-9-violet', parts: 2 },
      { shade: 'sedge-9-pearl', parts: 1 },
    ],
    grams: 60,
    volumes: 5,
  };
  const { after } = visitOf({
    consult: { goalLevel: 9 },
    mix: { toners: [mixed, { ...toner('u', 'ends', 5), parts: [{ shade: 'gone', parts: 1 }] }] },
  });
  const detail = (id: string) => after.find((own) => own.id === id)!.detail!;
  expect(detail('toner t')).toMatchObject({
    where: 'mid-lengths',
    hair: 'on damp hair',
    items: { ok: true, items: [{ grams: 13 }, { grams: 7 }, { grams: 40 }] },
  });
  expect(detail('toner u').items).toMatchObject({ ok: false, problem: expect.stringContaining('gone') });
  expect(after[0].detail).toBeNull();
});
