import type { SlantedLine } from './slanted-lines';
import type { Side } from './types';

const MOST_LINES = 200;

/** Edges of a strip across its spine at s, mm: [lower u, upper u]. */
export type StripEdges = (s: number) => readonly [number, number];

/**
 * Partings of a crossed-diagonal panel: the first from one front corner to the other edge, each next from the
 * middle of
 * the last back across it to the edge on the other side. On a strip of even width W the starts settle at W/3
 * and 2W/3
 * and advance (W/3)·tan θ a foil. Lines whose far end would leave the strip at its back are not placed.
 *
 * @param extent range of s from the face backwards, mm
 * @param angleDeg angle from straight across, degrees
 * @param firstFrom the edge in whose corner the first begins: left is u > 0
 * @param closing one more, lengthwise in what is left at the end
 */
export function crossedLines(
  extent: readonly [number, number],
  edges: StripEdges,
  angleDeg: number,
  firstFrom: Side,
  closing: boolean,
): SlantedLine[] {
  const slope = Math.tan((angleDeg * Math.PI) / 180);
  const lines: SlantedLine[] = [];
  let towards: 1 | -1 = firstFrom === 'left' ? -1 : 1;
  const edge = (s: number, side: 1 | -1) =>
    edges(Math.min(extent[1], Math.max(extent[0], s)))[side === 1 ? 1 : 0];
  let start: readonly [number, number] = [extent[0], edge(extent[0], towards === 1 ? -1 : 1)];
  while (lines.length < MOST_LINES) {
    const end = meetEdge(start, slope, towards, (s) => edge(s, towards));
    if (end[0] > extent[1] + 1e-9) break;
    lines.push({ from: start, to: end });
    start = [(start[0] + end[0]) / 2, (start[1] + end[1]) / 2];
    towards = towards === 1 ? -1 : 1;
  }
  if (closing && lines.length > 0 && extent[1] - start[0] > 0)
    lines.push({ from: start, to: [extent[1], start[1]] });
  return lines;
}

/** Where a line from `start` at ds/d|u| = slope meets the edge on one side; the edge moves little with s. */
function meetEdge(
  start: readonly [number, number],
  slope: number,
  towards: 1 | -1,
  edge: (s: number) => number,
): readonly [number, number] {
  let u = edge(start[0]);
  let s = start[0];
  for (let i = 0; i < 12; i += 1) {
    s = start[0] + slope * towards * (u - start[1]);
    u = edge(s);
  }
  return [s, u];
}
