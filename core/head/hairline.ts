import { monotoneCubic } from './monotone-cubic';

export type HairlineShape = 'round' | 'straight' | 'pointed' | 'receding';

export const HAIRLINE_SHAPES: readonly HairlineShape[] = ['round', 'straight', 'pointed', 'receding'];

/** A landmark of the hairline: [azimuth in degrees from the front, height y in mm on the average head]. */
export type HairlineKnot = readonly [azimuthDeg: number, yMm: number];

/** Temple to nape, the same for every shape (in front of the ear, over it, behind it, nape). */
const BEHIND_TEMPLE: readonly HairlineKnot[] = [
  [72, -34], [79, -36], [88, -10], [97, -10], [112, -46], [125, -62], [150, -92], [180, -92],
];

const IN_FRONT: Record<HairlineShape, readonly HairlineKnot[]> = {
  round: [[0, 46], [18, 45], [33, 42], [47, 30], [60, 2]],
  straight: [[0, 45], [20, 46], [36, 47], [46, 38], [60, 2]],
  pointed: [[0, 37], [8, 43], [20, 49], [35, 48], [47, 34], [60, 2]],
  receding: [[0, 46], [14, 51], [28, 63], [40, 58], [50, 36], [60, 6]],
};

/** Landmarks of a named shape from the middle of the forehead to the middle of the nape. */
export function hairlineKnots(shape: HairlineShape): readonly HairlineKnot[] {
  return [...IN_FRONT[shape], ...BEHIND_TEMPLE];
}

/**
 * Height of the hairline (mm on the average head) by signed azimuth in degrees, −180…180, + the client's left:
 * monotone periodic interpolation through the landmarks of both sides.
 */
export function hairlineCurve(left: HairlineShape, right: HairlineShape): (azimuthDeg: number) => number {
  const leftKnots = hairlineKnots(left);
  const rightKnots = hairlineKnots(right);
  // The middle of the forehead belongs to both sides: halfway where they differ.
  const middle = (leftKnots[0][1] + rightKnots[0][1]) / 2;
  const circle: HairlineKnot[] = [
    ...rightKnots.slice(1, -1).map(([a, y]): HairlineKnot => [-a, y]).reverse(),
    [0, middle],
    ...leftKnots.slice(1),
  ];
  return monotoneCubic(circle.map(([a]) => a), circle.map(([, y]) => y), 360);
}
