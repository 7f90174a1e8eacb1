import { USUAL_RANGE } from '../products';
import { EVERYWHERE, shadowOf } from '../visit';
import { EMPTY_CONSULT, EMPTY_MIX, oldShadowMm, parseConsult, parseMix, parseScript, withOldShadow } from '.';
import type { ServiceScript } from '../chair';
import { scriptFor } from '../chair/testing';
import { without } from './without';

const toner = (where: string) => ({
  id: where,
  where,
  line: 'sedge',
  parts: [{ shade: 'a', parts: 1 }],
  grams: 50,
  ratio: 2,
  volumes: 5,
  minutes: 10,
  state: 'damp',
});

test('a mix of version 2: each toner keeps its place, the root becomes a shadow, corrections keep their words', () => {
  const read = parseMix({
    version: 2,
    toners: ['all', 'roots', 'mids', 'ends', 'face'].map(toner),
    root: { line: 'sedge', grams: 45, ratio: 2, volumes: 10, minutes: 15 },
    corrections: [
      {
        kind: 'bleach-wash',
        id: 'w',
        product: 'p',
        volumes: 20,
        developer: 1,
        shampoo: 1,
        water: 1,
        grams: 80,
        minutes: 15,
        from: 9,
        where: 'left temple',
      },
    ],
  });
  if (!read.ok) throw new Error(read.problem);
  expect(read.value.toners.map(({ place }) => place)).toEqual([
    EVERYWHERE,
    { ...EVERYWHERE, lengths: ['roots'] },
    { ...EVERYWHERE, lengths: ['mids'] },
    { ...EVERYWHERE, lengths: ['ends'] },
    { ...EVERYWHERE, zones: ['front-hairline', 'temple'] },
  ]);
  expect(read.value.roots).toMatchObject([
    { line: 'sedge', minutes: 15, place: { lengths: ['roots'] }, mm: 25 },
  ]);
  expect(shadowOf(read.value)).toBe(read.value.roots[0]);
  expect(read.value.corrections[0].place).toEqual({ ...EVERYWHERE, words: 'left temple' });
  expect(parseMix({ version: 2, toners: [toner('knees')] })).toMatchObject({
    ok: false,
    problem: expect.stringContaining('toners[0].place.lengths[0]'),
  });
  expect(parseMix({ version: 2, root: null })).toMatchObject({ ok: true, value: { roots: [] } });
});

test('a consultation of version 1: its root shadow is the root colour of the mix, unless the mix has one', () => {
  const old = { ...EMPTY_CONSULT, version: 1, rootShadowMm: 35 };
  expect(parseConsult(old)).toEqual({ ok: true, value: EMPTY_CONSULT });
  expect(oldShadowMm(old)).toBe(35);
  const mix = withOldShadow(EMPTY_MIX, old, USUAL_RANGE);
  expect(shadowOf(mix)).toMatchObject({ mm: 35, place: { lengths: ['roots'], frontMm: null } });
  expect(withOldShadow(mix, { ...old, rootShadowMm: 60 }, USUAL_RANGE)).toBe(mix);
  expect(withOldShadow(EMPTY_MIX, { ...old, rootShadowMm: null }, USUAL_RANGE)).toBe(EMPTY_MIX);
  expect(withOldShadow(EMPTY_MIX, EMPTY_CONSULT, USUAL_RANGE)).toBe(EMPTY_MIX);
});

test('a script of version 2: its steps keep their minutes and what is weighed, and others can be added', () => {
  const { mixes, ...rest } = without(
    JSON.parse(JSON.stringify(scriptFor([2]))) as ServiceScript,
    'steps',
    'offers',
  );
  const items = { ok: true, items: [{ product: 'a', name: 'Sedge', grams: 20, powder: false }], total: 20 };
  const read = parseScript({
    ...rest,
    version: 2,
    mixes: Object.fromEntries(
      Object.entries(mixes as Record<string, object>).map(([name, own]) => [
        name,
        { ...own, volumes: undefined, strengths: undefined },
      ]),
    ),
    after: [
      { id: 'wash', kind: 'wash', name: 'Wash and treat', from: 0, to: 8, detail: null },
      {
        id: 'correction s',
        kind: 'correction',
        name: 'Spot repair, nape',
        from: 8,
        to: 13,
        detail: { items, hair: 'on dry hair', where: 'nape' },
      },
      {
        id: 'toner t',
        kind: 'toner',
        name: 'Toner, ends',
        from: 13,
        to: 33,
        detail: { items, hair: 'on damp hair', where: 'ends' },
      },
    ],
  });
  if (!read.ok) throw new Error(read.problem);
  expect(read.value.steps.map(({ id, kind, minutes, hair }) => [id, kind, minutes, hair])).toEqual([
    ['wash', 'wash', 8, 'any'],
    ['correction s', 'spot', 5, 'dry'],
    ['toner t', 'toner', 20, 'damp'],
  ]);
  expect(read.value.steps[2].items).toEqual(items);
  expect(read.value.offers.map(({ kind }) => kind)).toContain('dry');
  expect(read.value.mixes.A).toMatchObject({ volumes: null, strengths: [] });
});
