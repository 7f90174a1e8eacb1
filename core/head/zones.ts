import { byKey } from '../units';

/**
 * The closed list of zones: places on the scalp used by the hair map, regrowth, shares, worth, toner and wet
 * order.
 * A partition: every point of the scalp lies in exactly one. L and R are the client's.
 */
export const ZONES = [
  'crown',
  'front-hairline-l',
  'front-hairline-r',
  'temple-l',
  'temple-r',
  'ear-hairline-l',
  'ear-hairline-r',
  'nape-hairline',
  'top-l',
  'top-r',
  'front-l',
  'front-r',
  'upper-side-l',
  'upper-side-r',
  'lower-side-l',
  'lower-side-r',
  'upper-back-l',
  'upper-back-r',
  'occipital-l',
  'occipital-r',
  'nape-l',
  'nape-r',
] as const;

export type Zone = (typeof ZONES)[number];

/** Zones without their side, in the order in which a consultation walks the head: face, top, sides, back. */
export const ZONE_FAMILIES = [
  'front-hairline',
  'temple',
  'ear-hairline',
  'nape-hairline',
  'front',
  'top',
  'crown',
  'upper-side',
  'lower-side',
  'upper-back',
  'occipital',
  'nape',
] as const;

export type ZoneFamily = (typeof ZONE_FAMILIES)[number];

const FAMILY_NAMES: Record<ZoneFamily, string> = {
  'front-hairline': 'Front hairline',
  temple: 'Temple',
  'ear-hairline': 'Ear hairline',
  'nape-hairline': 'Nape hairline',
  front: 'Front',
  top: 'Top',
  crown: 'Crown',
  'upper-side': 'Upper side',
  'lower-side': 'Lower side',
  'upper-back': 'Upper back',
  occipital: 'Occipital',
  nape: 'Nape',
};

/** The zones of a family: both sides, or the one that crosses the middle. */
export function zonesOf(family: ZoneFamily): Zone[] {
  return ZONES.filter((zone) => zone === family || zone === `${family}-l` || zone === `${family}-r`);
}

export function familyName(family: ZoneFamily): string {
  return FAMILY_NAMES[family];
}

// Every zone lies in a family: zones.test.ts goes through them all.
const FAMILIES = byKey(ZONES, (zone) => ZONE_FAMILIES.find((family) => zonesOf(family).includes(zone))!);

/** The family of a zone: `temple` of `temple-l`. */
export const familyOf = (zone: Zone): ZoneFamily => FAMILIES[zone];

const sideOf = (zone: Zone) => /-([lr])$/.exec(zone)?.[1];

const OTHER_SIDE = byKey(
  ZONES,
  (zone) => zonesOf(FAMILIES[zone]).find((other) => sideOf(other) !== sideOf(zone)) ?? zone,
);

/** The same zone on the other side; one that crosses the middle is its own. */
export const swapSide = (zone: Zone): Zone => OTHER_SIDE[zone];

/** A zone as it is said: `Temple, left`. */
export function zoneName(zone: Zone): string {
  const name = FAMILY_NAMES[FAMILIES[zone]];
  const side = sideOf(zone);
  return side ? `${name}, ${side === 'l' ? 'left' : 'right'}` : name;
}

/** Whether a zone lies along the hairline: hair there is finer and breaks sooner. */
export const isHairlineZone = (zone: Zone): boolean =>
  /^(front-hairline|temple|ear-hairline|nape-hairline)/.test(zone);

/** Whether a zone frames the face: the hairline in front and at the temples. */
export const isFaceZone = (zone: Zone): boolean => /^(front-hairline|temple)/.test(zone);
