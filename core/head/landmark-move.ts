import { hairlineKnots, hairlineProblem, type HairlineKnot, type HairlineSide } from './hairline';
import type { SkullScale } from './skull';
import type { Vec3 } from './vector';

const { abs, atan2, max, min, round } = Math;
/** Landmarks of one side keep at least this far apart, degrees. */
const APART_DEG = 2;

/**
 * One side of a hairline with a landmark moved to a point of the skin (of the left side, or of the right
 * mirrored).
 * The middle of the forehead and of the nape move up and down only. Rounded to a degree and a millimetre.
 * @returns the side as it was when no hairline comes of it
 */
export function moveLandmark(
  side: HairlineSide,
  index: number,
  skull: SkullScale,
  point: Vec3,
): HairlineSide {
  const knots = hairlineKnots(side);
  const last = knots.length - 1;
  // Landmarks are given on the average head and move with the skin.
  const azimuth = (atan2(abs(point.x) / skull.x, point.z / skull.z) * 180) / Math.PI;
  const deg =
    index === 0
      ? 0
      : index === last
        ? 180
        : min(knots[index + 1][0] - APART_DEG, max(knots[index - 1][0] + APART_DEG, round(azimuth)));
  const y = min(80, max(-120, round(point.y / skull.y)));
  const landmarks = knots.map((knot, i): HairlineKnot => (i === index ? [deg, y] : knot));
  return hairlineProblem(landmarks) ? side : { landmarks };
}
