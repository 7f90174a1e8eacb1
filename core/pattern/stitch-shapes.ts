import type { OpenedPoint } from '../head';
import { stitchShapes } from './gather';
import type { StitchShape } from './gathers/kind';
import type { FoilPath } from './panel-foils';

// Taken once: these run in the hot loops.
const { floor, max, min } = Math;

/** A point of a stitch's outline: mm along the section, and share of its thickness. */
export type StitchPoint = readonly [alongMm: number, share: number];

/** On a head, long stitches bend with the section at least so often, mm. */
export const BEND_MM = 6;

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
