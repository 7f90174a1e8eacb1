import type { GatherOfKind } from '../types';
import type { GatherRules } from './kind';

// Taken once: these run in the hot loops.
const { abs, floor, max, min } = Math;

type Zigzag = GatherOfKind<'zigzag'>;

const pointsOf = ({ pointMm }: Zigzag, widthMm: number) => max(1, floor(widthMm / pointMm + 1e-9));

/** The points of a zigzag parting: triangles on a base each, share = ½·depth of what they span. */
export const zigzag: GatherRules<Zigzag> = {
  one: 'zigzag',
  many: 'zigzags',
  counted: 'points',
  name: () => 'zigzag weave',
  depth: ({ depth }) => depth,
  painted: () => 0.5,
  pick(gather, widthMm) {
    const stitches = pointsOf(gather, widthMm);
    return { stitches, share: (min(widthMm, stitches * gather.pointMm) / widthMm) * 0.5 * gather.depth };
  },
  picker(gather, widthMm) {
    const { pointMm, depth } = gather;
    const end = pointsOf(gather, widthMm) * pointMm;
    // A point is as deep as the gather goes at its middle and runs out to nothing at both sides.
    return (alongMm, share) => alongMm <= end && share < depth * (1 - abs(2 * ((alongMm / pointMm) % 1) - 1));
  },
  shapes(gather, widthMm) {
    const { pointMm, depth } = gather;
    return Array.from({ length: pointsOf(gather, widthMm) }, (_, i) => {
      const first = i * pointMm;
      const last = min(first + pointMm, widthMm);
      return [
        { alongMm: first, from: 0, to: 0 },
        { alongMm: (first + last) / 2, from: 0, to: depth },
        { alongMm: last, from: 0, to: 0 },
      ];
    });
  },
};
