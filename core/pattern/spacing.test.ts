import fc from 'fast-check';
import { dropoutForCount, rowCount, rowOffsets, rowsFromLine } from './spacing';

const constant = (dropoutMm: number) => ({ kind: 'constant' as const, dropoutMm });
const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });

test.each([
  // L, T, G → rows: floor((L − T)/(T + G)) + 1
  [100, 4, 5, 11],
  [100, 4, 14, 6],
  [22, 4, 5, 3],
  [4, 4, 5, 1],
  [3.9, 4, 5, 0],
  [193, 6, 6, 16],
])('a panel %d mm long, T %d G %d has %d rows', (length, thickness, dropout, rows) => {
  expect(rowOffsets(length, thickness, constant(dropout))).toHaveLength(rows);
  expect(rowCount(length, thickness, thickness + dropout)).toBe(rows);
});

test('rows never fall outside the panel, and a wider pitch never makes more of them', () => {
  fc.assert(
    fc.property(mm(0, 300), mm(1, 30), mm(1, 30), mm(1, 30), (length, thickness, dropout, more) => {
      const rows = rowOffsets(length, thickness, constant(dropout));
      if (rows.length > 0) expect(rows.at(-1)!.offsetMm + thickness).toBeLessThanOrEqual(length + 1e-6);
      expect(rowOffsets(length, thickness, constant(dropout + more)).length).toBeLessThanOrEqual(rows.length);
    }),
  );
});

test('a remainder of half a pitch earns a last row only where that is asked for', () => {
  // L 30, T 4, pitch 9: rows at 0, 9, 18; 8 mm are left behind the third, at least half a pitch.
  expect(rowOffsets(30, 4, constant(5))).toHaveLength(3);
  expect(rowOffsets(30, 4, constant(5), true)).toHaveLength(4);
  expect(rowOffsets(25, 4, constant(5), true)).toHaveLength(3);
});

test('graded drop-outs follow one another and the last repeats', () => {
  const rows = rowOffsets(60, 3, { kind: 'graded', dropoutsMm: [2, 2, 5] });
  expect(rows.map(({ offsetMm }) => offsetMm)).toEqual([0, 5, 10, 18, 26, 34, 42, 50]);
});

test('eased drop-outs go from one value to the other without a jump above 1.5 times', () => {
  fc.assert(
    fc.property(mm(40, 250), mm(1, 8), mm(0, 20), mm(0, 20), (length, thickness, from, to) => {
      const rows = rowOffsets(length, thickness, { kind: 'eased', fromMm: from, toMm: to });
      for (let i = 1; i < rows.length; i += 1) {
        const [a, b] = [rows[i - 1].dropoutMm, rows[i].dropoutMm];
        expect(b).toBeLessThanOrEqual(Math.max(a, 1) * 1.5 + 1e-9);
        expect(b).toBeGreaterThanOrEqual(Math.min(a / 1.5, to, from) - 1e-9);
      }
    }),
  );
  const rows = rowOffsets(120, 4, { kind: 'eased', fromMm: 8, toMm: 2 });
  expect(rows[0].dropoutMm).toBe(8);
  expect(rows.at(-1)!.dropoutMm).toBeLessThan(2.5);
});

describe('solved backwards from the part', () => {
  test('pitch 5, T 3, sliver 4: five a side, the outer edge of the last at 25 mm', () => {
    const rows = rowsFromLine(25, 3, constant(2), 2);
    // Distances from the line: 2–5, 7–10, 12–15, 17–20, 22–25.
    expect(rows.map(({ offsetMm }) => 25 - offsetMm - 3)).toEqual([2, 7, 12, 17, 22]);
  });

  test('T 3.5 at the same pitch: four a side', () => {
    expect(rowsFromLine(25, 3.5, constant(1.5), 2)).toHaveLength(4);
  });

  test('the first foils of both sides leave the sliver, whatever the spacing', () => {
    fc.assert(
      fc.property(mm(20, 60), mm(1, 6), mm(0.5, 12), mm(0, 8), (length, thickness, dropout, sliver) => {
        const [first] = rowsFromLine(length, thickness, constant(dropout), sliver / 2);
        expect(2 * (length - first.offsetMm - thickness)).toBeCloseTo(sliver, 9);
      }),
    );
  });
});

test('a wanted count is met with as much behind the last row as between the rows', () => {
  const countAt = (dropout: number) => rowCount(90, 4, 4 + dropout);
  const dropout = dropoutForCount(6, 4, 200, countAt)!;
  expect(countAt(dropout)).toBe(6);
  // 90 mm for six rows: 15 mm each.
  expect(dropout).toBeCloseTo(11, 1);
  expect(dropoutForCount(1, 4, 200, () => 3)).toBeUndefined();
  expect(dropoutForCount(60, 4, 200, countAt)).toBe(0);
});
