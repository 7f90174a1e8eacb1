import fc from 'fast-check';
import { sequenceRows } from './sequence';
import type { SequenceStep } from './types';

const step = (angleDeg: number, over: SequenceStep['over'], count = 1): SequenceStep => ({
  angleDeg,
  over,
  count,
});
const even = (thicknessMm: number, dropoutMm: number) => () => ({ thicknessMm, dropoutMm });

test('straight steps alone are rows at an even pitch: the one rule for counts', () => {
  // L 100, T 4, G 5: floor(96/9) + 1 = 11 rows, the first with its middle at 2 mm.
  const rows = sequenceRows([step(0, 'across')], [0, 100], [-60, 60], even(4, 5), true);
  expect(rows).toHaveLength(11);
  rows.forEach(({ line }, i) => expect(line.from[0]).toBeCloseTo(2 + 9 * i, 9));
});

test('n of A then m of B: two diagonals and three straights in turn', () => {
  const rows = sequenceRows(
    [step(10, 'across', 2), step(0, 'across', 3)],
    [0, 400],
    [-40, 40],
    even(4, 4),
    false,
  );
  const slopes = rows.slice(0, 10).map(({ line }) => Math.sign(Math.round(line.to[0] - line.from[0])));
  expect(slopes.map(Math.abs)).toEqual([1, 1, 0, 0, 0, 1, 1, 0, 0, 0]);
});

test('no section comes nearer to another above the same point than its drop-out', () => {
  const angle = fc.integer({ min: -40, max: 40 });
  fc.assert(
    fc.property(
      angle,
      angle,
      fc.double({ min: 2, max: 12, noNaN: true }),
      fc.double({ min: 0, max: 9, noNaN: true }),
      (a, b, thicknessMm, dropoutMm) => {
        const rows = sequenceRows(
          [step(a, 'left'), step(a, 'right'), step(b, 'across')],
          [0, 260],
          [-70, 70],
          even(thicknessMm, dropoutMm),
          true,
        );
        for (const u of [-60, -31, -5, 5, 31, 60]) {
          const spans = rows.flatMap(({ line: { from, to } }) => {
            const f = (u - from[1]) / (to[1] - from[1]);
            if (f < 0 || f > 1) return [];
            const lean = Math.cos(Math.atan2(Math.abs(to[0] - from[0]), Math.abs(to[1] - from[1])));
            const s = from[0] + (to[0] - from[0]) * f;
            return [[s - thicknessMm / lean / 2, s + thicknessMm / lean / 2]];
          });
          spans.sort((p, q) => p[0] - q[0]);
          // Bins of 3 mm: a steep line may be off by what it climbs in one.
          spans.slice(1).forEach(([low], i) => expect(low - spans[i][1]).toBeGreaterThan(dropoutMm - 3.2));
        }
        for (const { line } of rows) expect(Math.min(line.from[0], line.to[0])).toBeLessThan(260);
      },
    ),
    { numRuns: 60 },
  );
});

test('a turned-over panel gives the turned-over rows', () => {
  const one = sequenceRows([step(20, 'left'), step(-8, 'across')], [0, 200], [-50, 70], even(5, 3), true);
  const other = sequenceRows([step(20, 'right'), step(8, 'across')], [0, 200], [-70, 50], even(5, 3), true);
  expect(other).toHaveLength(one.length);
  one.forEach(({ line }, i) => {
    const twin = other[i].line;
    expect(twin.from[0]).toBeCloseTo(line.to[0], 6);
    expect(twin.from[1]).toBeCloseTo(-line.to[1], 6);
  });
});
