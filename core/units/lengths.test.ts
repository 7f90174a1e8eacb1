import { parseLengths } from './lengths';

test.each([
  ['2, 2, 5', 'mm', false, [2, 2, 5]],
  ['2,2,5', 'mm', false, [2, 2, 5]],
  ['2; 2; 5', 'mm', true, [2, 2, 5]],
  ['2,5 5', 'mm', true, [2.5, 5]],
  ['2 2 5', 'mm', false, [2, 2, 5]],
  ['2 mm, 2 mm, 5 mm', 'mm', false, [2, 2, 5]],
  ['0.5 cm 1 cm', 'mm', false, [5, 10]],
  ['7', 'mm', false, [7]],
] as const)('%j', (text, unit, comma, mm) => {
  expect(parseLengths(text, unit, comma)).toEqual(mm);
});

test.each(['', '2, two', 'x', '2,, y'])('%j is no list of lengths', (text) => {
  expect(parseLengths(text)).toBeUndefined();
});
