import fc from 'fast-check';
import { pick, stitchIntervals } from './gather';
import { hairGrams, hairsOn } from './hair';
import type { SingleGather } from './types';

const weave = (stitchMm: number, gapMm: number, depth = 1): SingleGather => ({ kind: 'weave', stitchMm, gapMm, depth });

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
      expect(intervals.length === 1 ? Infinity : intervals.at(-1)![1] + gap + stitch).toBeGreaterThan(w - 1e-6);
    }),
  );
});
