import { keysOf } from '@/core/units';
import {
  add,
  addScaled,
  cross,
  dot,
  normalize,
  scale,
  subtract,
  vec,
  type Ray,
  type Vec3,
} from '@/core/head';

/** From where the round head is looked at. */
export interface Turn {
  /** 0 from the front, 90 from the client's left, 180 from behind. */
  readonly azimuthDeg: number;
  /** 90 from above. */
  readonly elevationDeg: number;
  /** As a mirror shows it: so the client's left stays screen-left from the front too. */
  readonly mirrored: boolean;
  /** How many times it is enlarged. */
  readonly times: number;
}

export type ViewName = 'Back' | 'Left' | 'Right' | 'Top' | 'Front';

/** Beyond this from the front a view is the colourist's own; within it the mirror's, degrees. */
const MIRROR_DEG = 75;

const from = (azimuthDeg: number, elevationDeg: number): Turn => ({
  azimuthDeg,
  elevationDeg,
  mirrored: seenInMirror(azimuthDeg),
  times: 1,
});

/** Views to jump to. From behind, a little from above: so a colourist stands. */
export const VIEWS: Readonly<Record<ViewName, Turn>> = {
  Back: from(180, 12),
  Left: from(90, 8),
  Right: from(-90, 8),
  Top: from(180, 88),
  Front: from(0, 6),
};

function seenInMirror(azimuthDeg: number): boolean {
  return Math.abs(folded(azimuthDeg)) < MIRROR_DEG;
}

/** An azimuth from −180 to 180 degrees. */
function folded(deg: number): number {
  return deg - 360 * Math.round(deg / 360);
}

const LOWEST_DEG = -40;

/** Turned by a drag over the screen, in degrees: what lies under the hand follows it. */
export function turned(turn: Turn, rightDeg: number, downDeg: number): Turn {
  return {
    ...turn,
    azimuthDeg: folded(turn.azimuthDeg + (turn.mirrored ? rightDeg : -rightDeg)),
    elevationDeg: Math.min(88, Math.max(LOWEST_DEG, turn.elevationDeg + downDeg)),
  };
}

const MOST_TIMES = 4;
/** Enlarged by a factor, never smaller than the whole head. */
export function enlarged(turn: Turn, by: number): Turn {
  return { ...turn, times: Math.min(MOST_TIMES, Math.max(1, turn.times * by)) };
}

/** Taken up when the hand rests, so that the picture never flips under it. */
export function settled(turn: Turn): Turn {
  const mirrored = seenInMirror(turn.azimuthDeg) && turn.elevationDeg < 70;
  return mirrored === turn.mirrored ? turn : { ...turn, mirrored };
}

/** Turned by a key: arrows turn, 1 to 5 jump to a view, + and − enlarge; undefined for any other key. */
export function turnedByKey(turn: Turn, key: string): Turn | undefined {
  const by: Record<string, readonly [number, number]> = {
    ArrowLeft: [-10, 0],
    ArrowRight: [10, 0],
    ArrowUp: [0, -10],
    ArrowDown: [0, 10],
  };
  const view = keysOf(VIEWS)[Number(key) - 1];
  if (key === '+' || key === '=') return enlarged(turn, 1.25);
  if (key === '-') return enlarged(turn, 0.8);
  if (view) return VIEWS[view];
  return by[key] && settled(turned(turn, by[key][0], by[key][1]));
}

/** What is seen, in words. */
export function saidView({ azimuthDeg, elevationDeg, mirrored }: Turn): string {
  if (elevationDeg > 65) return 'from above';
  const a = folded(azimuthDeg);
  const side = a > 0 ? 'the client’s left' : 'the client’s right';
  if (Math.abs(a) > 150) return 'from behind';
  if (Math.abs(a) > 110) return `from behind, ${side}`;
  if (Math.abs(a) > 60) return `from ${side}`;
  return mirrored ? 'from the front, as in the mirror' : 'from the front';
}

/** Angle of view from top to bottom, degrees. */
export const FIELD_DEG = 26;
/** Distance of the eye from what it looks at, mm on the average head. */
const EYE_MM = 600;
const LOOKED_AT = vec(0, -27, 0);

/** The eye in the head's axes: where it is, where it looks, and which way is up and right on the screen. */
export interface Eye {
  readonly at: Vec3;
  readonly target: Vec3;
  readonly up: Vec3;
  readonly right: Vec3;
  readonly ahead: Vec3;
  /** Tangent of half the angle of view: enlarging narrows it. */
  readonly tangent: number;
}

/** @param lookedAt what stands in the middle, and from how far it is looked at, mm on the average head */
export function eyeOf(
  { azimuthDeg, elevationDeg, mirrored, times }: Turn,
  k: number,
  lookedAt: Vec3 = LOOKED_AT,
  fromMm = EYE_MM,
): Eye {
  const [a, e] = [(azimuthDeg * Math.PI) / 180, (elevationDeg * Math.PI) / 180];
  const towards = vec(Math.cos(e) * Math.sin(a), Math.sin(e), Math.cos(e) * Math.cos(a));
  const up = vec(-Math.sin(e) * Math.sin(a), Math.cos(e), -Math.sin(e) * Math.cos(a));
  const ahead = scale(towards, -1);
  const right = cross(ahead, up);
  const target = scale(lookedAt, k);
  return {
    at: add(target, scale(towards, fromMm * k)),
    target,
    up,
    ahead,
    right: mirrored ? scale(right, -1) : right,
    tangent: Math.tan((FIELD_DEG * Math.PI) / 360) / times,
  };
}

/** A point of the screen: −1 to 1 from left to right and from bottom to top. */
export interface ScreenPoint {
  readonly x: number;
  readonly y: number;
}

/** Where a point of the head stands on the screen. @param aspect width over height */
export function onScreenOf(eye: Eye, aspect: number, point: Vec3): ScreenPoint {
  const to = subtract(point, eye.at);
  const depth = dot(to, eye.ahead) * eye.tangent;
  return { x: dot(to, eye.right) / depth / aspect, y: dot(to, eye.up) / depth };
}

/** The line of sight through a point of the screen. Inverse of {@link onScreenOf}. */
export function rayThrough(eye: Eye, aspect: number, { x, y }: ScreenPoint): Ray {
  const sideways = addScaled(scale(eye.right, x * aspect * eye.tangent), eye.up, y * eye.tangent);
  return { from: eye.at, along: normalize(add(eye.ahead, sideways)) };
}
