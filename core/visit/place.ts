import { familyName, isFaceZone, zonesOf, type Zone, type ZoneFamily } from '../head';

/** Stretches of the hair from the scalp to the tips; band: a band of another colour along the length. */
export const PLACE_LENGTHS = ['roots', 'mids', 'ends', 'band'] as const;
export type PlaceLength = (typeof PLACE_LENGTHS)[number];
export const PLACE_LENGTH_WORDS: Readonly<Record<PlaceLength, string>> = {
  roots: 'roots',
  mids: 'mid-lengths',
  ends: 'ends',
  band: 'the band',
};

export const PLACE_SIDES = ['both', 'left', 'right'] as const;
/** The client's side. */
type PlaceSide = (typeof PLACE_SIDES)[number];

/** Where a colour goes. */
export interface ColourPlace {
  /** [] everywhere. */
  readonly zones: readonly ZoneFamily[];
  readonly side: PlaceSide;
  /** [] the whole length. */
  readonly lengths: readonly PlaceLength[];
  /** Only so far behind the front hairline, mm; null for no such bound. */
  readonly frontMm: number | null;
  /** What else there is to say of it, in words. */
  readonly words: string;
}

export const EVERYWHERE: ColourPlace = { zones: [], side: 'both', lengths: [], frontMm: null, words: '' };

/** Zones of the face frame, as families. */
export const FACE_FAMILIES: readonly ZoneFamily[] = ['front-hairline', 'temple'];

const isFaceFrame = (zones: readonly ZoneFamily[]) =>
  zones.length === FACE_FAMILIES.length && FACE_FAMILIES.every((faceFamily) => zones.includes(faceFamily));

/**
 * A place as it is said: `roots, first 40 mm behind the front hairline`.
 * @param whole what everywhere is called
 */
export function placeWords(
  { zones, side, lengths, frontMm, words }: ColourPlace,
  whole = 'all lifted hair',
): string {
  const said = [
    listed(lengths.map((length) => PLACE_LENGTH_WORDS[length])),
    isFaceFrame(zones) ? 'face frame' : listed(zones.map((zone) => familyName(zone).toLowerCase())),
    side === 'both' ? '' : `${side} side`,
    frontMm === null ? '' : `first ${Math.round(frontMm)} mm behind the front hairline`,
    words.trim(),
  ].filter((own) => own !== '');
  return said.length === 0 ? whole : said.join(', ');
}

/** What a root colour is called by where it goes: behind the front hairline alone it is a tap. */
export const rootName = ({ frontMm }: ColourPlace): string => (frontMm === null ? 'Root colour' : 'Root tap');

/** `roots`, `mid-lengths and ends`, `top, crown and nape`. */
function listed(all: readonly string[]): string {
  return all.length < 2 ? (all[0] ?? '') : `${all.slice(0, -1).join(', ')} and ${all[all.length - 1]}`;
}

/**
 * Whether a place reaches into a zone. What only goes behind the front hairline stays in the zones of the
 * face.
 */
export function reachesZone({ zones, side, frontMm }: ColourPlace, zone: Zone): boolean {
  if (side !== 'both' && zone.endsWith(side === 'left' ? '-r' : '-l')) return false;
  if (frontMm !== null && !isFaceZone(zone)) return false;
  return zones.length === 0 || zones.some((other) => zonesOf(other).includes(zone));
}

/**
 * A place in two: by lengths where there are several, else by side, else by zone; null where it cannot be
 * split.
 */
export function splitPlace(place: ColourPlace): readonly [ColourPlace, ColourPlace] | null {
  const { lengths, side, zones } = place;
  if (lengths.length > 1)
    return [
      { ...place, lengths: lengths.slice(0, 1) },
      { ...place, lengths: lengths.slice(1) },
    ];
  if (side === 'both')
    return [
      { ...place, side: 'left' },
      { ...place, side: 'right' },
    ];
  if (zones.length > 1)
    return [
      { ...place, zones: zones.slice(0, 1) },
      { ...place, zones: zones.slice(1) },
    ];
  return null;
}
