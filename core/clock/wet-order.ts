import type { Zone } from '../head';

/** Parts of the head as water runs over them. */
export const WET_PARTS = ['nape', 'back', 'side', 'top', 'face'] as const;
export type WetPart = (typeof WET_PARTS)[number];

/** What lies under the run-off of each part: it must be rinsed before, or with it. */
export const RUNS_OVER: Readonly<Record<WetPart, readonly WetPart[]>> = { nape: [], back: ['nape'], side: ['nape'], top: ['back'], face: ['side', 'top'] };

const PART_OF: readonly (readonly [RegExp, WetPart])[] = [
  [/^(nape|nape-hairline)/, 'nape'], [/^(upper-back|occipital|crown)/, 'back'], [/^(upper-side|lower-side|ear-hairline)/, 'side'], [/^(front-hairline|temple)/, 'face'], [/^(top|front)/, 'top'],
];

export function wetPartOf(zone: Zone): WetPart {
  return PART_OF.find(([fits]) => fits.test(zone))![1];
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
