import { keysOf } from '../units';

/** How the hair is worn. A part lies so far from the middle, mm, + the client's left. */
export type Way =
  | { readonly kind: 'down'; readonly partMm: number }
  /** Parted in a zigzag about that line. */
  | { readonly kind: 'zigzag'; readonly partMm: number }
  /** Brought forward over the shoulders, so that the underneath shows. */
  | { readonly kind: 'forward'; readonly partMm: number }
  /** Down, the crown split by wind. */
  | { readonly kind: 'blown'; readonly partMm: number }
  /** The top clipped up, the underneath falling. */
  | { readonly kind: 'lifted' }
  /** The upper hair tied at the back, the rest down. */
  | { readonly kind: 'half-up' }
  | { readonly kind: 'tied'; readonly at: 'low' | 'middle' | 'high' }
  /** Coiled up behind, loosely. */
  | { readonly kind: 'bun' }
  /** All of it brought over the shoulder that lies away from the part. */
  | { readonly kind: 'swept'; readonly partMm: number };

/** How the hair bends. */
export const CURLS = ['straight', 'wavy', 'curly', 'coily'] as const;
export type Curl = (typeof CURLS)[number];

/**
 * From where the head is looked at; the client's left is screen-left in every one but the front, which is
 * seen as it is.
 */
const VIEWS = {
  front: { azimuthDeg: 0, heightDeg: 0 },
  left: { azimuthDeg: 90, heightDeg: 0 },
  right: { azimuthDeg: -90, heightDeg: 0 },
  back: { azimuthDeg: 180, heightDeg: 0 },
  top: { azimuthDeg: 180, heightDeg: 80 },
} as const;
export type View = keyof typeof VIEWS;
/** A side to look from: one of the views, or any other, as the hand turned it. */
export type Side = View | { readonly azimuthDeg: number; readonly heightDeg: number };
export const directionOf = (side: Side) => (typeof side === 'string' ? VIEWS[side] : side);
/** One word for it. */
export const sideKey = (side: Side): string =>
  typeof side === 'string' ? side : `${side.azimuthDeg.toFixed(1)} ${side.heightDeg.toFixed(1)}`;

export const VIEW_NAMES = keysOf(VIEWS);

/** Ways by the name of each, with the part put where hair has one. */
export const STYLES = {
  down: (partMm: number): Way => ({ kind: 'down', partMm }),
  zigzag: (partMm: number): Way => ({ kind: 'zigzag', partMm }),
  forward: (partMm: number): Way => ({ kind: 'forward', partMm }),
  blown: (partMm: number): Way => ({ kind: 'blown', partMm }),
  lifted: (): Way => ({ kind: 'lifted' }),
  'half-up': (): Way => ({ kind: 'half-up' }),
  'tied-low': (): Way => ({ kind: 'tied', at: 'low' }),
  'tied-back': (): Way => ({ kind: 'tied', at: 'middle' }),
  'tied-high': (): Way => ({ kind: 'tied', at: 'high' }),
  bun: (): Way => ({ kind: 'bun' }),
  swept: (partMm: number): Way => ({ kind: 'swept', partMm }),
} as const;
export type Style = keyof typeof STYLES;

/** How far ahead a pattern is looked at, weeks. */
export const MOST_WEEKS = 60;

/** Furthest that a part can be put from the middle: beyond it lies the side of the head, mm. */
export const MOST_PART_MM = 60;

/** One word for a way, the same for ways that lay the hair alike. */
export function wayKey(way: Way): string {
  if (way.kind === 'tied') return `tied ${way.at}`;
  return 'partMm' in way ? `${way.kind} ${way.partMm}` : way.kind;
}

/** As it is said. */
export function wayName(way: Way): string {
  switch (way.kind) {
    case 'down':
      return 'down';
    case 'zigzag':
      return 'zigzag part';
    case 'forward':
      return 'brought forward';
    case 'blown':
      return 'crown blown open';
    case 'lifted':
      return 'underneath lifted free';
    case 'half-up':
      return 'half up';
    case 'bun':
      return 'in a loose bun';
    case 'swept':
      return 'swept to one side';
    case 'tied':
      return { low: 'tied low', middle: 'tied back', high: 'tied high' }[way.at];
  }
}
