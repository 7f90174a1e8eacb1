import { pick, stitchShapes } from './gather';
import type { StitchShape } from './gathers/kind';
import { outlineOf } from './stitch-shapes';
import type { SingleGather } from './types';

/** Area of a stitch, mm along the section times share of its thickness. */
const areaOf = (shape: StitchShape) =>
  shape.slice(1).reduce((sum, b, i) => {
    const a = shape[i];
    return sum + ((b.alongMm - a.alongMm) * (a.to - a.from + b.to - b.from)) / 2;
  }, 0);

const GATHERS: readonly (readonly [string, SingleGather])[] = [
  ['a slice', { kind: 'slice' }],
  ['a surface weave', { kind: 'weave', stitchMm: 3, gapMm: 3, depth: 0.5 }],
  ['a deep weave', { kind: 'weave', stitchMm: 4, gapMm: 2, depth: 1 }],
  ['graded stitches', { kind: 'weave', stitchMm: 2, gapMm: 2, depth: 0.5, lastStitchMm: 6 }],
  ['a weave picked off the scalp', { kind: 'weave', stitchMm: 3, gapMm: 3, depth: 0.5, offScalpMm: 20 }],
  ['a double weave', { kind: 'double', stitchMm: 4, gapMm: 4, depth: 0.5 }],
  ['a shallow double weave', { kind: 'double', stitchMm: 2, gapMm: 5, depth: 0.25 }],
  ['a zigzag', { kind: 'zigzag', pointMm: 8, depth: 0.7 }],
];

test.each(GATHERS)('%s: what is drawn is what is picked', (_name, gather) => {
  for (const widthMm of [12, 60, 95]) {
    for (const bendMm of [Infinity, 6]) {
      const shapes = stitchShapes(gather, widthMm, bendMm);
      const { stitches, share } = pick(gather, widthMm);
      expect(shapes).toHaveLength(stitches);
      expect(shapes.reduce((sum, shape) => sum + areaOf(shape), 0) / widthMm).toBeCloseTo(share, 9);
      for (const [alongMm, part] of shapes.flatMap(outlineOf)) {
        expect(alongMm).toBeGreaterThanOrEqual(0);
        expect(alongMm).toBeLessThanOrEqual(widthMm + 1e-9);
        expect(part === 0 || (part > 0 && part <= 1)).toBe(true);
      }
    }
  }
});

test('stitches bend where they are long', () => {
  const [slice] = stitchShapes({ kind: 'slice' }, 30, 6);
  expect(slice.map(({ alongMm }) => alongMm)).toEqual([0, 6, 12, 18, 24, 30]);
  expect(outlineOf(stitchShapes({ kind: 'slice' }, 30)[0])).toEqual([
    [0, 0],
    [30, 0],
    [30, 1],
    [0, 1],
  ]);
});
