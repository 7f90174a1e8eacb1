import { EMPTY_MIX, parseProducts } from '../formats';
import { bottlesFor } from '../bowl';
import { PRODUCT_KINDS, productsOf, rangeProblems, USUAL_RANGE, type Product } from '.';
import { Shelf } from '../products';

test('the range that a house begins with has something of every kind, holds together and is read as a document', () => {
  expect(rangeProblems(USUAL_RANGE)).toEqual([]);
  for (const kind of PRODUCT_KINDS) expect(productsOf(USUAL_RANGE, kind)).not.toEqual([]);
  expect(parseProducts({ version: 1, products: USUAL_RANGE })).toMatchObject({
    ok: true,
    value: { products: USUAL_RANGE },
  });
});

test('every strength that a lightener of it takes can be poured or blended from its developers', () => {
  const shelf = new Shelf(EMPTY_MIX, USUAL_RANGE);
  for (const { volumes } of productsOf(USUAL_RANGE, 'lightener', 'high-lift')) {
    for (let value = volumes.least; value <= volumes.most; value += 2.5) {
      const bottles = bottlesFor(value, null, shelf);
      if (typeof bottles === 'string') throw new Error(bottles);
      // One bottle of just that, or two with it between them.
      expect(bottles.at(0)!.volumes).toBeLessThanOrEqual(value);
      expect(bottles.at(-1)!.volumes).toBeGreaterThanOrEqual(value);
    }
  }
});

const [line] = productsOf(USUAL_RANGE, 'line');
const [lightener] = productsOf(USUAL_RANGE, 'lightener', 'high-lift');
const [shade] = productsOf(USUAL_RANGE, 'shade');
test.each([
  [{ ...lightener, id: line.id, name: 'Twin' }, 'id', /is the id of .* already/],
  [{ ...shade, id: 'lost', name: 'Lost 7', line: 'nowhere' }, 'line', /Lost 7 belongs to the line “nowhere”/],
  [{ ...lightener, id: 'odd', ratio: { least: 2, usual: 1, most: 3 } }, 'ratio', /usual ratio/],
  [{ ...lightener, id: 'odd', volumes: { least: 30, most: 10 } }, 'volumes', /least strength/],
  [{ ...line, id: 'odd', minutes: { least: 30, most: 10 } }, 'minutes', /shortest time/],
] as [Product, string, RegExp][])(
  'what cannot be is named with its place and field: %#',
  (wrong, field, problem) => {
    expect(rangeProblems([...USUAL_RANGE, wrong])).toEqual([
      { at: USUAL_RANGE.length, field, problem: expect.stringMatching(problem) },
    ]);
  },
);
