import { afterSteps, type VisitToner } from '.';

const toner = (id: string, where: VisitToner['where'], minutes: number): VisitToner => ({ id, where, line: 'sedge', parts: [], grams: 40, ratio: 2, volumes: 6, minutes, state: 'damp' });

test('without colour: wash and dry', () => {
  expect(afterSteps({ corrections: [], root: null, toners: [] }).map(({ kind, from, to }) => [kind, from, to])).toEqual([['wash', 0, 8], ['dry', 8, 33]]);
});

test('colours of different times are done together, the longest first; corrections come before them', () => {
  const root = { line: 'sedge', rule: null, grams: 30, ratio: 1, volumes: 6, minutes: 10 };
  const wash = { kind: 'bleach-wash', id: 'w', product: 'moth', volumes: 10, developer: 2, shampoo: 1, water: 1, grams: 40, minutes: 15, from: 9, where: 'ends' } as const;
  const steps = afterSteps({ corrections: [wash], root, toners: [toner('t', 'mids', 20), toner('f', 'face', 5)] });
  expect(steps.map(({ name, from, to }) => [name, from, to])).toEqual([
    ['Wash and treat', 0, 8], ['Bleach wash, ends', 8, 23], ['Toner, mid-lengths', 23, 43], ['Root colour', 33, 43], ['Toner, face frame', 38, 43], ['Rinse the colour', 43, 48], ['Dry', 48, 73],
  ]);
});

test('two colours of the same time: the second is put on after the first and is done later', () => {
  const steps = afterSteps({ corrections: [], root: null, toners: [toner('a', 'mids', 15), toner('b', 'ends', 15)] });
  expect(steps.slice(1, 3).map(({ from, to }) => [from, to])).toEqual([[12, 27], [16, 31]]);
});
