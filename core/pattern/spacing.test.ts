import fc from 'fast-check';
import { columnCount, equalColumns } from './columns';
import { rowOffsets } from './spacing';

const constant = (dropoutMm: number) => ({ kind: 'constant' as const, dropoutMm });
const stock = { usableWidthMm: 95, toleranceMm: 25 };

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
});

test('rows never fall outside the panel, and a wider pitch never makes more of them', () => {
  const mm = fc.double({ min: 1, max: 30, noNaN: true });
  fc.assert(
    fc.property(fc.double({ min: 0, max: 300, noNaN: true }), mm, mm, mm, (length, thickness, dropout, more) => {
      const rows = rowOffsets(length, thickness, constant(dropout));
      if (rows.length > 0) expect(rows.at(-1)! + thickness).toBeLessThanOrEqual(length + 1e-6);
      expect(rowOffsets(length, thickness, constant(dropout + more)).length).toBeLessThanOrEqual(rows.length);
    }),
  );
});

test.each([[80, 1], [95, 1], [120, 1], [120.1, 2], [215, 2], [216, 3]])('%d mm of hair need %d columns', (width, n) => {
  expect(columnCount(width, stock)).toBe(n);
  const columns = equalColumns(-10, width - 10, stock);
  expect(columns).toHaveLength(n);
  expect(columns[0][0]).toBe(-10);
  expect(columns.at(-1)![1]).toBeCloseTo(width - 10, 9);
  for (const [from, to] of columns) expect(to - from).toBeCloseTo(width / n, 9);
});
