import { familyOf } from '../head';
import type { ComputedPlan, Foil, Plan } from '../pattern';

/**
 * What one more foil adds to the light that is seen, by where it lies, in points; hair worn down for three
 * fifths of the
 * time and up for two. Tried with a model of wear; the client's own figures take their place where wear is
 * computed.
 */
const WORTH = {
  hairline: 0.73,
  part: 0.5,
  crown: 0.3,
  'lower side': 0.17,
  top: 0.11,
  'upper back': 0.07,
  'upper side': 0.04,
  nape: 0.04,
  'middle back': 0.03,
} as const;

export type Place = keyof typeof WORTH;

/** Foils whose middle lies this near to the part carry the part, mm. */
const NEAR_PART_MM = 25;

/** The place that a foil counts for. */
export function placeOf(foil: Foil, computed: ComputedPlan, index: number, partOffsetMm: number): Place {
  const family = familyOf(foil.zone);
  if (/hairline|temple/.test(family)) return 'hairline';
  if (family === 'crown') return 'crown';
  const path = computed.drawing.paths[index];
  const middle = 6 * (path.count >> 1);
  const [x, y] = [path.packed[middle], path.packed[middle + 1]];
  if (/top|front/.test(family)) return y > -60 && Math.abs(x - partOffsetMm) <= NEAR_PART_MM ? 'part' : 'top';
  if (/upper-side/.test(family)) return 'upper side';
  if (/lower-side/.test(family)) return 'lower side';
  if (/upper-back/.test(family)) return 'upper back';
  return /nape/.test(family) ? 'nape' : 'middle back';
}

/** Points by foil, in the order of its sheet: light that each earns as the client wears it. */
export type PointsOf = (plan: Plan, computed: ComputedPlan) => ArrayLike<number>;

/** Where no figures of wear are at hand: what a foil is worth at its place. */
export const usualPoints: PointsOf = ({ head }, computed) =>
  computed.sheet.foils.map((foil, i) => WORTH[placeOf(foil, computed, i, head.part.offsetMm)]);

/**
 * Worth of light by place: U = b·(1 − e^(−n/b)), n the points earned there and b what fills the place now.
 * Concave, so that
 * no place is emptied while another stays packed.
 */
export function worthOfPoints(points: ReadonlyMap<Place, number>, full: ReadonlyMap<Place, number>): number {
  let sum = 0;
  for (const [place, n] of points) {
    const b = Math.max(1e-9, full.get(place) ?? n);
    sum += b * (1 - Math.exp(-n / b));
  }
  return sum;
}
