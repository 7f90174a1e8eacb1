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

/** The same zone on the other side. */
export function swapSide(zone: Zone): Zone {
  if (zone.endsWith('-l')) return `${zone.slice(0, -2)}-r` as Zone;
  if (zone.endsWith('-r')) return `${zone.slice(0, -2)}-l` as Zone;
  return zone;
}

/** A zone as it is said: `Temple, left`. */
export function zoneName(zone: Zone): string {
  const side = /-([lr])$/.exec(zone)?.[1];
  if (!side) return FAMILY_NAMES[zone as ZoneFamily];
  return `${FAMILY_NAMES[zone.slice(0, -2) as ZoneFamily]}, ${side === 'l' ? 'left' : 'right'}`;
}

/** Whether a zone lies along the hairline: hair there is finer and breaks sooner. */
export const isHairlineZone = (zone: Zone): boolean =>
  /^(front-hairline|temple|ear-hairline|nape-hairline)/.test(zone);

/** Whether a zone frames the face: the hairline in front and at the temples. */
export const isFaceZone = (zone: Zone): boolean => /^(front-hairline|temple)/.test(zone);
