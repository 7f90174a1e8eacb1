import type { OpenedPoint } from '../head';
import { depthOf, stitchIntervals } from './gather';
import type { FoilPath } from './panel-foils';
import type { SingleGather } from './types';

// Taken once: these run in the hot loops.
const { ceil, floor, max, min } = Math;

/**
 * A cut across a stitch: mm along the section from where picking begins, and the shares of the section's thickness
 * between which hair is picked, 0 at its surface, 1 at its far side.
 */
interface StitchCut {
  readonly alongMm: number;
  readonly from: number;
  readonly to: number;
}

/** A stitch by its cuts, one after the other along the section: straight between them. */
export type StitchShape = readonly StitchCut[];

/** A point of a stitch's outline: mm along the section, and share of its thickness. */
export type StitchPoint = readonly [alongMm: number, share: number];

/** On a head, long stitches bend with the section at least so often, mm. */
export const BEND_MM = 6;

/**
 * What a gather takes from a section, as shapes: every drawing of a foil reads these.
 * @param bendMm long stitches have a cut at least so often, where they bend with the section
 */
export function stitchShapes(
  gather: SingleGather,
  widthMm: number,
  bendMm = Infinity,
): readonly StitchShape[] {
  const depth = depthOf(gather);
  return stitchIntervals(gather, widthMm).map(([first, last]) => {
    if (gather.kind === 'zigzag')
      return [
        { alongMm: first, from: 0, to: 0 },
        { alongMm: (first + last) / 2, from: 0, to: depth },
        { alongMm: last, from: 0, to: 0 },
      ];
    const steps = max(1, ceil((last - first) / bendMm));
    return Array.from({ length: steps + 1 }, (_, i) => ({
      alongMm: first + ((last - first) * i) / steps,
      from: 0,
      to: depth,
    }));
  });
}

/** The outline of a stitch, all the way round. */
export const outlineOf = (shape: StitchShape): StitchPoint[] => [
  ...shape.map(({ alongMm, from }): StitchPoint => [alongMm, from]),
  ...shape.map(({ alongMm, to }): StitchPoint => [alongMm, to]).reverse(),
];

/** Outlines of a foil's stitches on the opened head. @param widthMm of the section, as the sheet has it */
export const stitchesOnHead = (path: FoilPath, widthMm: number): OpenedPoint[][] =>
  stitchShapes(path.gather, widthMm, BEND_MM).map((shape) =>
    outlineOf(shape).map(([alongMm, share]) => pointOn(path, (alongMm / widthMm) * (path.count - 1), share)),
  );

/** Point of a strip at a sample position and a share of its thickness. */
function pointOn({ packed, count }: FoilPath, position: number, share: number): OpenedPoint {
  const i = min(count - 2, max(0, floor(position)));
  const f = position - i;
  const read = (offset: number) => packed[6 * i + offset] * (1 - f) + packed[6 * i + 6 + offset] * f;
  return { x: read(2) + (read(4) - read(2)) * share, y: read(3) + (read(5) - read(3)) * share };
}
