import { undercoatAt } from '../lift';
import type { LiftRow } from './lift';
import { levelsOfUnits, reachedIn } from './reached';
import { unitWith } from './testing';

const row = (part: Partial<LiftRow>): LiftRow => ({
  letter: 'A',
  stretch: 'length',
  from: 6,
  target: 9,
  ready: null,
  atLimit: { level: 8.23, low: 7, high: 9 },
  limitMinutes: 50,
  lift: { volumes: 20, factor: 1 },
  oldestBowlMinutes: 0,
  readyFromOldest: null,
  units: [],
  zones: ['crown'],
  panels: [],
  ...part,
});

test('a zone reaches what its mix reaches by the limit, never past the target, never below where it was', () => {
  const level = (part: Partial<LiftRow>) => reachedIn([row(part)])[0].level;
  expect(level({})).toBe(8.23);
  expect(level({ target: 8 })).toBe(8);
  expect(level({ from: 9.5 })).toBe(9.5);
  expect(reachedIn([row({})])).toEqual([{ zone: 'crown', level: 8.23, undercoat: undercoatAt(8.23) }]);
});

test('where several mixes meet, the lowest counts; bands and ends do not', () => {
  const rows = [
    row({ zones: ['crown', 'nape-l'] }),
    row({ letter: 'B', target: 7 }),
    row({ stretch: 'band', target: 5, from: 4 }),
    row({ stretch: 'ends', target: 5, from: 4, zones: ['nape-r'] }),
  ];
  expect(reachedIn(rows).map(({ zone, level }) => [zone, level])).toEqual([
    ['crown', 7],
    ['nape-l', 8.23],
  ]);
});

test('each unit that lifts has its level to the tenth; what only deposits has none', () => {
  const units = [
    unitWith({ id: 'one', liftRows: [1, 0] }),
    unitWith({ id: 'two', liftRows: [] }),
    unitWith({ id: 'three', liftRows: [1] }),
  ];
  expect(levelsOfUnits({ units, lift: [row({}), row({ stretch: 'band', target: 5, from: 4 })] })).toEqual({
    one: 8.2,
  });
});
