import { monotoneCubic } from './monotone-cubic';

export type HairlineShape = 'round' | 'straight' | 'pointed' | 'receding';

export const HAIRLINE_SHAPES: readonly HairlineShape[] = ['round', 'straight', 'pointed', 'receding'];

/** A landmark of the hairline: [azimuth in degrees from the front, height y in mm on the average head]. */
export type HairlineKnot = readonly [azimuthDeg: number, yMm: number];

/** Temple to nape, the same for every shape (in front of the ear, over it, behind it, nape). */
const BEHIND_TEMPLE: readonly HairlineKnot[] = [
  [72, -34],
  [79, -36],
  [88, -10],
  [97, -10],
  [112, -46],
  [125, -62],
  [150, -92],
  [180, -92],
];

const IN_FRONT: Record<HairlineShape, readonly HairlineKnot[]> = {
  round: [
    [0, 46],
    [18, 45],
    [33, 42],
    [47, 30],
    [60, 2],
  ],
  straight: [
    [0, 45],
    [20, 46],
    [36, 47],
    [46, 38],
    [60, 2],
  ],
  pointed: [
    [0, 37],
    [8, 43],
    [20, 49],
    [35, 48],
    [47, 34],
    [60, 2],
  ],
  receding: [
    [0, 46],
    [14, 51],
    [28, 63],
    [40, 58],
    [50, 36],
    [60, 6],
  ],
};

/** One side of a hairline: a named shape, or its own landmarks from the forehead (0°) to the nape (180°). */
export type HairlineSide = HairlineShape | { readonly landmarks: readonly HairlineKnot[] };

/** Landmarks of one side from the middle of the forehead to the middle of the nape. */
export function hairlineKnots(side: HairlineSide): readonly HairlineKnot[] {
  return typeof side === 'string' ? [...IN_FRONT[side], ...BEHIND_TEMPLE] : side.landmarks;
}

/**
 * What is wrong with landmarks set by hand, as a sentence; undefined when nothing is. They must run from 0°
 * to 180° with
 * growing azimuth, and stay on the part of the skull that bears hair.
 */
export function hairlineProblem(landmarks: readonly HairlineKnot[]): string | undefined {
  if (landmarks.length < 3) return 'a hairline needs at least three landmarks';
  if (landmarks[0][0] !== 0 || landmarks.at(-1)![0] !== 180)
    return 'landmarks must begin at 0° (forehead) and end at 180° (nape)';
  for (let i = 0; i < landmarks.length; i += 1) {
    const [azimuth, y] = landmarks[i];
    if (!Number.isFinite(azimuth) || !Number.isFinite(y)) return `landmark ${i + 1} is not a pair of numbers`;
    if (y < -120 || y > 80) return `landmark ${i + 1}: its height must be from -120 to 80 mm`;
    if (i > 0 && azimuth <= landmarks[i - 1][0])
      return `landmark ${i + 1}: its azimuth must be greater than the one before`;
  }
  return undefined;
}

/**
 * Height of the hairline (mm on the average head) by signed azimuth in degrees, −180…180, + the client's
 * left:
 * monotone periodic interpolation through the landmarks of both sides.
 */
export function hairlineCurve(left: HairlineSide, right: HairlineSide): (azimuthDeg: number) => number {
  const leftKnots = hairlineKnots(left);
  const rightKnots = hairlineKnots(right);
  // The middle of the forehead and of the nape belong to both sides: halfway where they differ.
  const forehead = (leftKnots[0][1] + rightKnots[0][1]) / 2;
  const nape = (leftKnots.at(-1)![1] + rightKnots.at(-1)![1]) / 2;
  const circle: HairlineKnot[] = [
    ...rightKnots
      .slice(1, -1)
      .map(([a, y]): HairlineKnot => [-a, y])
      .reverse(),
    [0, forehead],
    ...leftKnots.slice(1, -1),
    [180, nape],
  ];
  return monotoneCubic(
    circle.map(([a]) => a),
    circle.map(([, y]) => y),
    360,
  );
}
