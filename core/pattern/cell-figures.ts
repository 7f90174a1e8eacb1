import { dot, mix, subtract, swapSide, zoneNear, type Zone } from '../head';
import type { Frame } from './frame';
import { hairGrams, hairIn, hairsOn } from './hair';
import { partingAxes } from './parting-axes';
import { pieceArea, ribbonPoint, type Ribbon } from './section-line';
import type { PlanHair } from './types';

// Taken once: these run in the hot loops.
const { atan2, max, min } = Math;

/** Skin of a zone that a section covers. */
export interface ZonePatch {
  readonly zone: Zone;
  readonly areaMm2: number;
}

/** What a piece of scalp holds: its skin by zone, the hair on it. */
export interface RibbonFigures {
  readonly areaMm2: number;
  readonly patches: readonly ZonePatch[];
  /** All hairs growing on it (estimate from density). */
  readonly hairs: number;
  readonly hairGrams: number;
  /** Zone under its middle. */
  readonly zone: Zone;
}

/** Whose zones: the frame's own, or the other side's where the client's right was computed in the mirror. */
export type SideOfFrame = 'own' | 'mirror';

/** Integrates a section along its parting: skin by zone and the hair growing on it. */
export function ribbonFigures(ribbon: Ribbon, frame: Frame, of: SideOfFrame, hair: PlanHair): RibbonFigures {
  const byZone = new Map<Zone, number>();
  let areaMm2 = 0;
  for (let j = 0; j + 1 < ribbon.count; j += 1) {
    const area = pieceArea(ribbon, j);
    const x = (ribbon.opened[6 * j] + ribbon.opened[6 * j + 6]) / 2;
    const y = (ribbon.opened[6 * j + 1] + ribbon.opened[6 * j + 7]) / 2;
    const zone = zoneAt(frame, of, x, y);
    byZone.set(zone, (byZone.get(zone) ?? 0) + area);
    areaMm2 += area;
  }
  let hairs = 0;
  let grams = 0;
  const patches = [...byZone].map(([zone, area]): ZonePatch => {
    const hairFigures = hairIn(zone, hair);
    const count = hairsOn(area, hairFigures.densityPerCm2);
    hairs += count;
    grams += hairGrams(count, hairFigures.strand, hairFigures.lengthMm);
    return { zone, areaMm2: area };
  });
  const [x, y] = middleOf(ribbon);
  return { areaMm2, patches, hairs, hairGrams: grams, zone: zoneAt(frame, of, x, y) };
}

/** Middle of a section on the opened head, the same from whichever end it is counted. */
function middleOf({ opened, count }: Ribbon): readonly [number, number] {
  const i = 6 * ((count - 1) >> 1);
  const j = 6 * (count >> 1);
  return [(opened[i] + opened[j]) / 2, (opened[i + 1] + opened[j + 1]) / 2];
}

function zoneAt(frame: Frame, of: SideOfFrame, x: number, y: number): Zone {
  const zone = zoneNear(frame.grid, x, y);
  return of === 'own' ? zone : swapSide(zone);
}

/**
 * Angle of the parting from horizontal at the middle of a section, degrees in (−90, 90]: > 0 diagonal back.
 */
export function partingAngle(ribbon: Ribbon, frame: Frame, across: boolean): number {
  const i = (ribbon.count - 1) >> 1;
  const j = ribbon.count >> 1;
  const along = subtract(
    ribbonPoint(ribbon, min(ribbon.count - 1, j + 1)),
    ribbonPoint(ribbon, max(0, i - 1)),
  );
  const axes = partingAxes(frame.head, mix(ribbonPoint(ribbon, i), ribbonPoint(ribbon, j), 0.5), across);
  let level = dot(along, axes.level);
  let fall = -dot(along, axes.up);
  if (level < 0 || (level === 0 && fall < 0)) {
    level = -level;
    fall = -fall;
  }
  return (atan2(fall, level) * 180) / Math.PI;
}

/** Turn between two angles of partings, degrees in (−90, 90]: a line has no direction. */
export function turnBetween(fromDeg: number, toDeg: number): number {
  let turn = (toDeg - fromDeg) % 180;
  if (turn > 90) turn -= 180;
  if (turn <= -90) turn += 180;
  return turn;
}
