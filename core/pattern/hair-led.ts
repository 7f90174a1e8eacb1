import { zoneNear, type Zone } from '../head';
import type { Frame } from './frame';
import { hairIn } from './hair';
import { followsHair, type Panel, type Place, type PlanHair } from './types';

const { cos, min, round, sin, PI } = Math;
const DEG = PI / 180;

/** A band that follows the hair is measured every so many degrees round the head. */
const EVERY_DEG = 15;
/**
 * and never wider than this, mm: further in, hair hangs over what lies below rather than out at the edge.
 * Working assumption.
 */
const WIDEST_MM = 60;
const STEP_MM = 0.5;

/** How wide a band has to be at one place for its line of hair, and what hangs there. */
export interface HangingHair {
  /** Degrees from the front, + the client's left. */
  readonly azimuthDeg: number;
  readonly zone: Zone;
  readonly widthMm: number;
  /** Hairs of the head's usual length that hang from each mm of hairline. */
  readonly hairsPerMm: number;
}

/**
 * The line of hair that hangs out of a band along the hairline: from the hairline inwards as much as makes
 * the wanted number, counted
 * by density; hair shorter than the head's counts by its length. Where the widest band is not enough the line
 * is thin.
 */
export function hangingHair(
  wanted: number,
  hair: PlanHair,
  frame: Pick<Frame, 'head' | 'grid'>,
  insetMm = 0,
): HangingHair[] {
  const out: HangingHair[] = [];
  for (let azimuthDeg = -180; azimuthDeg < 180; azimuthDeg += EVERY_DEG) {
    const azimuth = azimuthDeg * DEG;
    const edge = frame.head.hairArc(azimuth);
    const zoneAt = (mm: number) =>
      zoneNear(frame.grid, (edge - mm) * sin(azimuth), (edge - mm) * cos(azimuth));
    let hairs = 0;
    let widthMm = 0;
    while (hairs < wanted && widthMm < WIDEST_MM) {
      const { densityPerCm2, lengthMm } = hairIn(zoneAt(insetMm + widthMm + STEP_MM / 2), hair);
      hairs += (STEP_MM * densityPerCm2 * min(1, lengthMm / hair.lengthMm)) / 100;
      widthMm += STEP_MM;
    }
    out.push({
      azimuthDeg,
      zone: zoneAt(insetMm + widthMm / 2),
      widthMm: round(2 * widthMm) / 2,
      hairsPerMm: min(wanted, hairs),
    });
  }
  return out;
}

/**
 * A face frame of so much hair is neither thin at its tips nor heavy: what the usual depth holds at average
 * density, mm · hairs per cm². Working assumption.
 */
const FRAME = 35 * 170;
const FRAME_MM = [15, 70] as const;

/**
 * How deep a face frame is to be by the hair at its tips, and how far the hair inside it reaches past the
 * hairline, mm.
 */
export function frameByHair(
  depthMm: number,
  hair: PlanHair,
): { readonly depthMm: number; readonly reachesMm: number } {
  const tips = (['temple-l', 'temple-r', 'front-hairline-l', 'front-hairline-r'] as const).map((zone) =>
    hairIn(zone, hair),
  );
  const inside = (['front-l', 'front-r'] as const).map((zone) => hairIn(zone, hair));
  const density = tips.reduce((sum, tip) => sum + tip.densityPerCm2, 0) / tips.length;
  const [least, most] = FRAME_MM;
  return {
    depthMm: Math.max(least, min(most, round(FRAME / density))),
    reachesMm: round(Math.min(...inside.map((hairFigures) => hairFigures.lengthMm)) - depthMm),
  };
}

/** The panel with widths in place of what follows the hair. */
export function hairLed(panel: Panel, hair: PlanHair, frame: Frame): Panel {
  const place = placeOf(panel.place, hair, frame);
  return place === panel.place ? panel : { ...panel, place };
}

function placeOf(place: Place, hair: PlanHair, frame: Frame): Place {
  switch (place.kind) {
    case 'hairline-band': {
      const { widthMm, insetMm } = place;
      if (!followsHair(widthMm)) return place;
      return {
        ...place,
        widthMm: hangingHair(widthMm.hairsPerMm, hair, frame, insetMm).map(
          (own) => [own.azimuthDeg, own.widthMm] as const,
        ),
      };
    }
    case 'union':
    case 'overlap': {
      const of = place.of.map((own) => placeOf(own, hair, frame));
      return of.every((other, i) => other === place.of[i]) ? place : { ...place, of };
    }
    case 'except': {
      const inner = placeOf(place.place, hair, frame);
      const without = place.without.map((own) => placeOf(own, hair, frame));
      return inner === place.place && without.every((other, i) => other === place.without[i])
        ? place
        : { ...place, place: inner, without };
    }
    default:
      return place;
  }
}
