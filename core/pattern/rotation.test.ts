import { formulaOf, placesOf } from './rotation';
import type { Rotation } from './types';

const rotation = (part: Partial<Rotation> = {}): Rotation => ({
  sequence: 'AB',
  by: 'foil',
  anew: false,
  from: 1,
  to: null,
  ...part,
});
const places = (sides: readonly string[], perRow = 1) =>
  placesOf(sides.map((side, i) => ({ side, row: Math.floor(i / perRow) })));
const letters = (n: number, part: Partial<Rotation>) =>
  places(new Array<string>(n).fill('left'))
    .map((place) => formulaOf(place, 'C', rotation(part)))
    .join('');
const said = (foils: readonly { side: string; row: number }[], part: Partial<Rotation>) =>
  placesOf(foils)
    .map((place) => formulaOf(place, 'C', rotation(part)))
    .join('');

test('without a rotation every foil has the panel’s formula', () =>
  expect(formulaOf(places(['left'])[0], 'B', null)).toBe('B'));

test.each([
  ['AB', 'ABABABA'],
  ['AABB', 'AABBAAB'],
  ['AAABB', 'AAABBAA'],
])('%s goes on and on: %s', (sequence, expected) => expect(letters(7, { sequence })).toBe(expected));

test('it has a start and an end; outside them the panel’s formula', () =>
  expect(letters(8, { from: 3, to: 6 })).toBe('CCABABCC'));

test('by row, foils that lie side by side share their letter; foil by foil they do not', () => {
  const foils = [1, 1, 1, 2, 2, 3, 3, 3].map((row) => ({ side: 'left', row }));
  expect(said(foils, { by: 'row' })).toBe('AAABBAAA');
  expect(said(foils, { by: 'foil' })).toBe('ABABABAB');
  expect(said(foils, { by: 'row', from: 2, to: 2 })).toBe('CCCAACCC');
});

test('begun again on each side, the sides are mirrored; otherwise the sequence goes on', () => {
  const foils = [
    ['left', 1],
    ['left', 2],
    ['left', 3],
    ['right', 1],
    ['right', 2],
    ['right', 3],
  ].map(([side, row]) => ({ side: side as string, row: row as number }));
  expect(said(foils, { by: 'foil', anew: true })).toBe('ABAABA');
  expect(said(foils, { by: 'foil' })).toBe('ABABAB');
  expect(said(foils, { by: 'row', anew: true })).toBe('ABAABA');
  expect(said(foils, { by: 'row', sequence: 'AABB' })).toBe('AABBAA');
});
