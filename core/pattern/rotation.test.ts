import { formulaOf } from './rotation';

const letters = (n: number, sequence: string, fromFoil = 1, toFoil: number | null = null) =>
  Array.from({ length: n }, (_, i) => formulaOf(i + 1, 'C', { sequence, fromFoil, toFoil })).join('');

test('without a rotation every foil has the panel’s formula', () => expect(formulaOf(7, 'B', null)).toBe('B'));

test.each([
  ['AB', 'ABABABA'],
  ['AABB', 'AABBAAB'],
  ['AAABB', 'AAABBAA'],
])('%s goes on and on: %s', (sequence, expected) => expect(letters(7, sequence)).toBe(expected));

test('it has a start and an end; outside them the panel’s formula', () => expect(letters(8, 'AB', 3, 6)).toBe('CCABABCC'));
