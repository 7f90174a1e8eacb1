import { ZONES, type Head, type Roots } from '../head';
import type { Plan } from '../pattern';
import type { Curl } from './ways';

const { max } = Math;

/**
 * How hair is cut: all to one line, in long layers, as long everywhere, or as a bob; with a fringe or
 * without.
 */
export const CUTS = ['one-length', 'long-layers', 'layers', 'bob'] as const;
export interface Cut {
  readonly ends: (typeof CUTS)[number];
  readonly fringe: boolean;
}

/** Where nobody was asked. */
export const USUAL_CUT: Cut = { ends: 'long-layers', fringe: false };

/** How hair bends and is cut. */
export interface Shape {
  readonly curl: Curl;
  readonly cut: Cut;
}
export const USUAL_SHAPE: Shape = { curl: 'straight', cut: USUAL_CUT };

export const cutKey = ({ ends, fringe }: Cut): string => `${ends}${fringe ? ' fringe' : ''}`;

/**
 * The length that is written down is the crown's. Hair that grows lower is shorter by this share of how much
 * lower it grows along the
 * head, higher hair longer: with 1 all of it ends at one line. Working assumptions.
 */
const TO_THE_LINE: Readonly<Record<Cut['ends'], number>> = {
  'one-length': 1,
  'long-layers': 0.6,
  layers: 0,
  bob: 1.12,
};
/** The crown's distance from the apex, average head, mm. */
const CROWN_MM = 50;
const LEAST_MM = 20;
/**
 * A fringe: front hair within so much of the middle and behind the hairline, average head, and how long it
 * is, mm.
 */
export const FRINGE = { halfMm: 36, behindMm: 34, lengthMm: 86 } as const;

/** Whether a root's hair belongs to the fringe. */
export function inFringe({ k, skull }: Head, { xyz }: Roots, root: number): boolean {
  const [x, y, z] = [xyz[3 * root], xyz[3 * root + 1], xyz[3 * root + 2]];
  return Math.abs(x) < FRINGE.halfMm * k && z > 40 * skull.z && y < (46 + FRINGE.behindMm * 0.75) * skull.y;
}

/** Length of each root's hair as it is cut, mm. A zone whose length was measured has that one. */
export function lengths(
  { hair }: Pick<Plan, 'hair'>,
  roots: Roots,
  head: Head,
  cut: Cut,
): (root: number) => number {
  const byZone = ZONES.map((zone) => hair.byZone[zone]?.lengthMm);
  const share = TO_THE_LINE[cut.ends];
  const { opened, zone } = roots;
  const { k } = head;
  return (root) => {
    if (cut.fringe && inFringe(head, roots, root)) return Math.min(FRINGE.lengthMm * k, hair.lengthMm);
    const measured = byZone[zone[root]];
    if (measured !== undefined) return measured;
    if (share === 0) return hair.lengthMm;
    // On the opened head a root lies as far from the middle as from the apex along the head.
    const arc = Math.hypot(opened[2 * root], opened[2 * root + 1]);
    return max(LEAST_MM, hair.lengthMm - share * (arc - CROWN_MM * k));
  };
}
