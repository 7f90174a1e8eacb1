import type { Zone } from '../head';

/** Parts of the head as water runs over them; left and right are the client's. */
export const WET_PARTS = ['nape', 'back', 'side-l', 'side-r', 'top-l', 'top-r', 'face-l', 'face-r'] as const;
export type WetPart = (typeof WET_PARTS)[number];

/** What lies under the run-off of each part: it must be rinsed before, or with it. Run-off stays on its side of the head. */
export const RUNS_OVER: Readonly<Record<WetPart, readonly WetPart[]>> = {
  nape: [], back: ['nape'], 'side-l': ['nape'], 'side-r': ['nape'], 'top-l': ['back'], 'top-r': ['back'], 'face-l': ['side-l', 'top-l'], 'face-r': ['side-r', 'top-r'],
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

/**
 * For each block the blocks that lie under its run-off, as bits: all of them must be rinsed already, or go in the same set.
 * A block that touches several parts has the conditions of all of them.
 * @param touches parts that each block touches; at most 30 blocks
 */
export function underRunOff(touches: readonly (readonly WetPart[])[]): number[] {
  return touches.map((own, i) => {
    const under = new Set(own.flatMap((part) => RUNS_OVER[part]));
    return touches.reduce((bits, other, j) => (j !== i && other.some((part) => under.has(part)) ? bits | (1 << j) : bits), 0);
  });
}
