import type { Zone } from '../head';

/** Parts of the head as water runs over them; left and right are the client's. */
export const WET_PARTS = ['nape', 'back', 'side-l', 'side-r', 'top-l', 'top-r', 'face-l', 'face-r'] as const;
export type WetPart = (typeof WET_PARTS)[number];

/**
 * What lies under the run-off of each part: it must be rinsed before, or with it. Run-off stays on its side
 * of the head.
 */
const RUNS_OVER: Readonly<Record<WetPart, readonly WetPart[]>> = {
  nape: [],
  back: ['nape'],
  'side-l': ['nape'],
  'side-r': ['nape'],
  'top-l': ['back'],
  'top-r': ['back'],
  'face-l': ['side-l', 'top-l'],
  'face-r': ['side-r', 'top-r'],
};

const BACK = /^(upper-back|occipital|crown)/;
const SIDE = /^(upper-side|lower-side|ear-hairline)/;
const FACE = /^(front-hairline|temple)/;

export function wetPartOf(zone: Zone): WetPart {
  if (zone.startsWith('nape')) return 'nape';
  if (BACK.test(zone)) return 'back';
  const part = SIDE.test(zone) ? 'side' : FACE.test(zone) ? 'face' : 'top';
  return `${part}-${zone.endsWith('-r') ? 'r' : 'l'}`;
}

/** The parts under the run-off of each part, as bits by their place in WET_PARTS. */
export const UNDER_BITS: readonly number[] = WET_PARTS.map((part) =>
  RUNS_OVER[part].reduce((bits, own) => bits | (1 << WET_PARTS.indexOf(own)), 0),
);

/** Parts of the head at the back, that are rinsed first. */
export const BACK_PARTS: readonly WetPart[] = ['nape', 'back'];
