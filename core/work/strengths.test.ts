import { EMPTY_MIX } from '../formats';
import { Shelf, USUAL_RANGE } from '../products';
import { usualDeposit, usualFormula } from '../visit';
import { mostVolumes, strengthsFor, wantsCare } from './strengths';

const shelf = new Shelf(EMPTY_MIX, USUAL_RANGE);
const usual = usualFormula(shelf)!;
const careful = { fragileZones: ['crown' as const], strongVolumes: 25 };

test('strengths that every lightener of a formula takes, weakest first, each once', () => {
  const all = strengthsFor(usual, shelf);
  const [{ product }] = usual.lighteners;
  const { least, most } = shelf.lightener(product)!.volumes;
  expect(all.length).toBeGreaterThan(2);
  expect(all).toEqual([...new Set(all)].sort((a, b) => a - b));
  expect([all[0] >= least, all.at(-1)! <= most]).toEqual([true, true]);
  // All that stand on the shelf between the two are there.
  expect(all).toEqual(
    [...new Set(shelf.developers.map(({ volumes }) => volumes))].filter(
      (volumes) => volumes >= least && volumes <= most,
    ),
  );
});

test('with two lighteners the narrower decides; with one that is gone there is none', () => {
  const narrower = USUAL_RANGE.filter(({ kind }) => kind === 'lightener')
    .map(({ id }) => ({ id, most: shelf.lightener(id)!.volumes.most }))
    .sort((a, b) => a.most - b.most)[0];
  const two = { ...usual, lighteners: [...usual.lighteners, { product: narrower.id, parts: 1 }] };
  expect(Math.max(...strengthsFor(two, shelf))).toBeLessThanOrEqual(narrower.most);
  const gone = { ...usual, lighteners: [...usual.lighteners, { product: 'gone', parts: 1 }] };
  expect(strengthsFor(gone, shelf)).toEqual([]);
});

test('what deposits has no strengths to choose from, nor has a letter without a formula', () => {
  expect(strengthsFor(usualDeposit(shelf, 6)!, shelf)).toEqual([]);
  expect(strengthsFor(undefined, shelf)).toEqual([]);
});

test('care is wanted at the hairline and on fragile hair', () => {
  expect(wantsCare('front-hairline-l', careful)).toBe(true);
  expect(wantsCare('crown', careful)).toBe(true);
  expect(wantsCare('upper-back-l', careful)).toBe(false);
});

test.each([
  [['upper-back-l'], 0, 30],
  [['upper-back-l'], 19.9, 30],
  [['upper-back-l'], 20, 35],
  // One zone that wants care is enough, however far from the scalp.
  [['upper-back-l', 'crown'], 60, 25],
  [['front-hairline-l'], 0, 25],
] as const)('in %j from %d mm on, %d vol at most', (zones, startMm, volumes) =>
  expect(mostVolumes(zones, startMm, careful)).toBe(volumes),
);

test('a house that allows more at the hairline stays within what is suggested at all', () =>
  expect(mostVolumes(['crown'], 60, { ...careful, strongVolumes: 40 })).toBe(35));
