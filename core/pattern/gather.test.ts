import fc from 'fast-check';
import { gatherOf, pick, pickerOf } from './gather';
import { stitchIntervals } from './gathers/weave';
import { hairGrams, hairsOn } from './hair';
import type { GatherOfKind, SingleGather } from './types';

type Weave = GatherOfKind<'weave'>;
const weave = (stitchMm: number, gapMm: number, depth = 1): Weave => ({
  kind: 'weave',
  stitchMm,
  gapMm,
  depth,
});

test('hand-worked: 95 × 4 mm, stitch and gap 1.5 mm, through the section', () => {
  const picked = pick(weave(1.5, 1.5), 95);
  expect(picked.stitches).toBe(32);
  const hairs = hairsOn(95 * 4, 170) * picked.share;
  expect(Math.round(hairs)).toBe(326);
  expect(hairGrams(hairs, 'medium', 300)).toBeCloseTo(0.49, 2);
  expect(pick(weave(1.5, 1.5, 0.5), 95).share).toBeCloseTo(picked.share / 2, 12);
});

test('a slice takes everything as one stitch', () => {
  expect(pick({ kind: 'slice' }, 80)).toEqual({ stitches: 1, share: 1 });
});

test('a whole head is about 110 000 hairs and 165 g at 300 mm', () => {
  const hairs = hairsOn(64400, 170);
  expect(Math.abs(hairs / 110_000 - 1)).toBeLessThan(0.02);
  expect(Math.abs(hairGrams(hairs, 'medium', 300) / 165 - 1)).toBeLessThan(0.02);
});

test('what is picked and what drops out make up the section', () => {
  const width = fc.double({ min: 5, max: 200, noNaN: true });
  const mm = fc.double({ min: 0.5, max: 20, noNaN: true });
  fc.assert(
    fc.property(width, mm, mm, (w, stitch, gap) => {
      const intervals = stitchIntervals(weave(stitch, gap), w);
      const taken = intervals.reduce((sum, [from, to]) => sum + to - from, 0);
      expect(taken / w).toBeCloseTo(pick(weave(stitch, gap), w).share, 9);
      expect(intervals.at(-1)![1]).toBeLessThanOrEqual(w + 1e-9);
      intervals.slice(1).forEach(([from], i) => expect(from - intervals[i][1]).toBeCloseTo(gap, 9));
      // No further stitch would have fitted.
      expect(intervals.length === 1 ? Infinity : intervals.at(-1)![1] + gap + stitch).toBeGreaterThan(
        w - 1e-6,
      );
    }),
  );
});

describe('graded stitches', () => {
  const graded = (first: number, last: number): Weave => ({
    kind: 'weave',
    stitchMm: first,
    gapMm: 2,
    depth: 1,
    lastStitchMm: last,
  });

  test('hand-worked: 6 to 1.5 mm with gaps of 2 on 20 mm: 6, 3, 1.5', () => {
    // Three stitches in the ratio 1/2 take 6 + 2 + 3 + 2 + 1.5 = 14.5 mm; four would take 6 + 3.78 + 2.38 +
    // 1.5 + 6 = 19.66 mm.
    const widths = stitchIntervals(graded(6, 1.5), 19.5).map(([from, to]) => to - from);
    expect(widths).toHaveLength(3);
    [6, 3, 1.5].forEach((mm, i) => expect(widths[i]).toBeCloseTo(mm, 9));
    expect(stitchIntervals(graded(6, 1.5), 19.7)).toHaveLength(4);
  });

  test('first and last have the widths asked for, neighbours one ratio, all within the section', () => {
    const mm = fc.double({ min: 1, max: 9, noNaN: true });
    fc.assert(
      fc.property(mm, mm, fc.double({ min: 20, max: 200, noNaN: true }), (first, last, width) => {
        const widths = stitchIntervals(graded(first, last), width).map(([from, to]) => to - from);
        expect(widths[0]).toBeCloseTo(first, 6);
        if (widths.length > 1) expect(widths.at(-1)).toBeCloseTo(last, 6);
        const taken = widths.reduce((a, b) => a + b, 0);
        expect(pick(graded(first, last), width).share).toBeCloseTo(taken / width, 9);
        expect(taken + 2 * (widths.length - 1)).toBeLessThanOrEqual(width + 1e-6);
      }),
    );
  });
});

test('zigzag: triangles take half of what they span, as deep as they go', () => {
  expect(pick({ kind: 'zigzag', pointMm: 10, depth: 1 }, 95)).toEqual({
    stitches: 9,
    share: (90 / 95) * 0.5,
  });
  expect(pick({ kind: 'zigzag', pointMm: 10, depth: 0.6 }, 100).share).toBeCloseTo(0.3, 12);
});

test.each([
  [{ kind: 'slice' }],
  [weave(2.5, 2.5, 0.5)],
  [{ kind: 'weave', stitchMm: 5, gapMm: 3, depth: 0.7, lastStitchMm: 2 }],
  [{ kind: 'double', stitchMm: 4, gapMm: 6, depth: 0.3 }],
  [{ kind: 'zigzag', pointMm: 8, depth: 0.9 }],
] as [SingleGather][])('%j: the points of a section that are picked make up its share', (gather) => {
  let picked = 0;
  const n = 400;
  const isPicked = pickerOf(gather, 83);
  for (let i = 0; i < n; i += 1)
    for (let j = 0; j < n; j += 1) if (isPicked(((i + 0.5) / n) * 83, (j + 0.5) / n)) picked += 1;
  expect(picked / n / n).toBeCloseTo(pick(gather, 83).share, 2);
});

test('a double weave, by hand: 80 mm with stitches and gaps of 4: ten stitches a layer, the lower under the gaps', () => {
  const gather: SingleGather = { kind: 'double', stitchMm: 4, gapMm: 4, depth: 0.5 };
  expect(pick(gather, 80)).toEqual({ stitches: 20, share: 0.5 });
  expect(pick({ ...gather, depth: 0.25 }, 80).share).toBeCloseTo(0.25, 12);
  const isPicked = pickerOf(gather, 80);
  for (let mm = 0.5; mm < 80; mm += 1) expect(isPicked(mm, 0.25)).toBe(!isPicked(mm, 0.75));
});

test('gathers in turn, row by row', () => {
  const of = ([{ kind: 'slice' }, weave(2, 2)] as SingleGather[]).map((gather) => ({
    gather,
    thicknessMm: null,
    dropoutMm: null,
  }));
  const kinds = (then: 'again' | 'last') =>
    [1, 2, 3, 4].map((row) => gatherOf({ kind: 'alternate', of, then }, row).kind);
  expect(kinds('again')).toEqual(['slice', 'weave', 'slice', 'weave']);
  expect(kinds('last')).toEqual(['slice', 'weave', 'weave', 'weave']);
});
