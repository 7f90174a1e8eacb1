import fc from 'fast-check';
import { formatLength, parseLength } from './length';

const mm = (text: string, house?: 'mm' | 'cm' | 'in') => {
  const read = parseLength(text, house);
  if (!read.ok) throw new Error(read.problem);
  return read.mm;
};

test('reads what colourists say', () => {
  expect(mm('6mm')).toBe(6);
  expect(mm('0.6 cm')).toBeCloseTo(6, 9);
  expect(mm('0,6 cm')).toBeCloseTo(6, 9);
  expect(mm('1/4"')).toBeCloseTo(6.35, 9);
  expect(mm('1/16 in')).toBeCloseTo(1.5875, 9);
  expect(mm('1 1/2 in')).toBeCloseTo(38.1, 9);
});

test('takes the unit of the house when none is typed', () => {
  expect(mm('5')).toBe(5);
  expect(mm('0.5', 'cm')).toBe(5);
  expect(mm('1/8', 'in')).toBeCloseTo(3.175, 9);
});

test.each(['', 'wide', '5 foils', '1/0', '1 2 mm', 'NaN', '6mm6', '--3'])(
  'refuses %p with a sentence',
  (text) => {
    const read = parseLength(text);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.problem).toMatch(/\.$/);
  },
);

test('writes fractions of an inch as the trade does', () => {
  expect(formatLength(6.35, 'in')).toBe('1/4"');
  expect(formatLength(38.1, 'in')).toBe('1 1/2"');
  expect(formatLength(25.4, 'in')).toBe('1"');
  // 2.5, 5.04 and 1.8 of a sixty-fourth; 5.04 of a thirty-second; a length is never nought.
  expect([1, 2, 0.7, 4, 0.1, 0].map((value) => formatLength(value, 'in'))).toEqual([
    '3/64"',
    '5/64"',
    '1/32"',
    '5/32"',
    '1/64"',
    '0"',
  ]);
  expect(formatLength(4.04, 'mm')).toBe('4 mm');
  expect(formatLength(4.5, 'cm')).toBe('0.45 cm');
});

test('what is written can be read back within half a comb mark', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 400, noNaN: true }),
      fc.constantFrom('mm', 'cm', 'in' as const),
      (value, unit) => {
        expect(Math.abs(mm(formatLength(value, unit as 'mm'), 'mm') - value)).toBeLessThanOrEqual(
          25.4 / 32 + 1e-9,
        );
      },
    ),
  );
});
