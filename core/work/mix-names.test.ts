import { EMPTY_MIX } from '../formats';
import { Shelf, USUAL_RANGE } from '../products';
import { usualFormula, type LiftFormula } from '../visit';
import { mixNames, ownMixName } from './mix-names';

const usual = usualFormula(new Shelf(EMPTY_MIX, USUAL_RANGE))!;
const row = (letter: string, part: Partial<LiftFormula> = {}) => ({ letter, formula: { ...usual, ...part } });
const ends = { volumes: 10, ratio: 2, lastMm: 80 };

test('a mix is called by its letter and what it is for', () => {
  expect([ownMixName('A', 'length'), ownMixName('A', 'ends'), ownMixName('A', 'second')]).toEqual([
    'A',
    'A ends',
    'A second',
  ]);
});

test('letters with the same powder, strength and ratio share a bowl and its name', () => {
  const names = mixNames([row('A'), row('B', { volumes: 10 }), row('C')], new Set(['A', 'B', 'C']));
  expect([names('A', 'length'), names('B', 'length'), names('C', 'length')]).toEqual(['A + C', 'B', 'A + C']);
});

test('ends share the bowl of a length that is mixed alike; a mix that nothing is painted with shares none', () => {
  const rows = [row('A', { ends }), row('B', { volumes: 10 })];
  expect(mixNames(rows, new Set(['A', 'A ends', 'B']))('A', 'ends')).toBe('A ends + B');
  const unpainted = mixNames(rows, new Set(['A', 'B']));
  expect([unpainted('A', 'ends'), unpainted('B', 'length')]).toEqual(['A ends', 'B']);
});

test('a second application has bowls of its own, however it is mixed', () => {
  const second = { afterMinutes: 40, volumes: usual.volumes, ratio: usual.ratio };
  const rows = [row('A', { second }), row('B', { second })];
  const names = mixNames(rows, new Set(['A', 'A second', 'B', 'B second']));
  expect(names('A', 'length')).toBe('A + B');
  expect(names('B', 'second')).toBe('A second + B second');
});
