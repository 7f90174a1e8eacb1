import type { GatherOfKind } from '../types';
import { straightStitches, type GatherRules, type Interval } from './kind';
import { stitchesIn } from './weave';

// Taken once: these run in the hot loops.
const { floor, min } = Math;

type Double = GatherOfKind<'double'>;

/** The lower layer begins at the middle of the section. */
const LOWER = 0.5;

/** Stitches of the lower layer begin half a step later: they lie under the gaps of the upper one. */
const layersOf = (
  { stitchMm, gapMm, depth }: Double,
  widthMm: number,
): { intervals: Interval[]; from: number; to: number }[] => {
  const step = stitchMm + gapMm;
  return [
    { first: 0, from: 0 },
    { first: min(step / 2, widthMm / 2), from: LOWER },
  ].map(({ first, from }) => ({
    from,
    to: from + depth,
    intervals: Array.from({ length: stitchesIn(widthMm - first, stitchMm, gapMm) }, (_, i) => [
      first + i * step,
      min(first + i * step + stitchMm, widthMm),
    ]),
  }));
};

/**
 * A weave picked twice from one section, each layer into its own half of the thickness: as a weave of each, with the
 * stitches of the lower layer under the gaps of the upper.
 */
export const double: GatherRules<Double> = {
  one: 'double weave',
  many: 'double weaves',
  counted: 'stitches',
  name: () => 'double weave',
  depth: ({ depth }) => LOWER + depth,
  // The layers lie on one another, each over the other's gaps.
  painted: ({ stitchMm, gapMm }) => min(1, (2 * stitchMm) / (stitchMm + gapMm)),
  pick(gather, widthMm) {
    const all = layersOf(gather, widthMm).flatMap(({ intervals }) => intervals);
    const taken = all.reduce((sum, [from, to]) => sum + to - from, 0);
    return { stitches: all.length, share: (taken / widthMm) * gather.depth };
  },
  picker(gather, widthMm) {
    const step = gather.stitchMm + gather.gapMm;
    const layers = layersOf(gather, widthMm).map(({ intervals, from, to }) => ({
      first: intervals[0][0],
      count: intervals.length,
      from,
      to,
    }));
    return (alongMm, share) =>
      layers.some(({ first, count, from, to }) => {
        const i = floor((alongMm - first) / step);
        return (
          share >= from && share < to && i >= 0 && i < count && alongMm - first - i * step < gather.stitchMm
        );
      });
  },
  shapes: (gather, widthMm, bendMm) =>
    layersOf(gather, widthMm).flatMap(({ intervals, from, to }) =>
      straightStitches(intervals, [from, to], bendMm),
    ),
};
