import type { Gather, SingleGather } from './types';

// Taken once: these run in the hot loops.
const { abs, ceil, floor, max, min } = Math;

/** What a gather takes from one section. */
export interface Picked {
  /** Stitches along the parting; 1 for a slice. */
  readonly stitches: number;
  /** Share of the section's hair, 0–1. */
  readonly share: number;
}

/** Interval [from, to] in mm along the parting. */
export type Interval = readonly [from: number, to: number];

/** The gather of a row (from 1): gathers in turn alternate row by row. */
export function gatherOf(gather: Gather, row: number): SingleGather {
  return gather.kind === 'alternate' ? gather.of[(row - 1) % gather.of.length] : gather;
}

/**
 * Picks from a section of the given width (mm along the parting).
 * Weave: stitches = floor((W + g)/(w + g)), the first at the start of the section; share = stitches·w·depth/W; graded
 * stitches the same with their own widths. Zigzag: triangles on a base each, share = ½·depth of what they span.
 * A section narrower than one stitch is one stitch of its own width.
 */
export function pick(gather: SingleGather, widthMm: number): Picked {
  if (gather.kind === 'slice') return { stitches: 1, share: 1 };
  if (gather.kind === 'zigzag') {
    const points = max(1, floor(widthMm / gather.pointMm + 1e-9));
    return { stitches: points, share: (min(widthMm, points * gather.pointMm) / widthMm) * 0.5 * gather.depth };
  }
  const { stitchMm, gapMm, depth } = gather;
  if (gather.lastStitchMm) {
    const intervals = gradedIntervals(stitchMm, gather.lastStitchMm, gapMm, widthMm);
    const taken = intervals.reduce((sum, [from, to]) => sum + to - from, 0);
    return { stitches: intervals.length, share: (taken / widthMm) * depth };
  }
  const stitches = max(1, floor((widthMm + gapMm) / (stitchMm + gapMm) + 1e-9));
  const taken = min(stitches * stitchMm, widthMm);
  return { stitches, share: (taken / widthMm) * depth };
}

/** Intervals along the parting that go into the foil, from the end where the picking starts. */
export function stitchIntervals(gather: SingleGather, widthMm: number): readonly Interval[] {
  if (gather.kind === 'slice') return [[0, widthMm]];
  const { stitches } = pick(gather, widthMm);
  if (gather.kind === 'zigzag') {
    return Array.from({ length: stitches }, (_, i) => [i * gather.pointMm, min((i + 1) * gather.pointMm, widthMm)] as const);
  }
  if (gather.lastStitchMm) return gradedIntervals(gather.stitchMm, gather.lastStitchMm, gather.gapMm, widthMm);
  const step = gather.stitchMm + gather.gapMm;
  return Array.from({ length: stitches }, (_, i) => [i * step, min(i * step + gather.stitchMm, widthMm)] as const);
}

/**
 * Stitches graded in equal ratios from the first width to the last, gaps even between them: as many as fit with both
 * ends as wanted, the ratio following from the count.
 */
function gradedIntervals(first: number, last: number, gap: number, widthMm: number): Interval[] {
  const total = (n: number) => {
    const ratio = n > 1 ? (last / first) ** (1 / (n - 1)) : 1;
    let sum = (n - 1) * gap;
    for (let i = 0; i < n; i += 1) sum += first * ratio ** i;
    return sum;
  };
  const most = max(1, ceil((widthMm + gap) / (min(first, last) + gap)));
  let n = 1;
  while (n < most && total(n + 1) <= widthMm + 1e-9) n += 1;
  const ratio = n > 1 ? (last / first) ** (1 / (n - 1)) : 1;
  const out: Interval[] = [];
  let at = 0;
  for (let i = 0; i < n; i += 1) {
    const stitch = first * ratio ** i;
    out.push([at, min(at + stitch, widthMm)]);
    at += stitch + gap;
  }
  return out;
}

/** Tells for points of one section (mm along the parting, share of the thickness from the surface) whether their hair is picked. */
export type Picker = (alongMm: number, depthShare: number) => boolean;

/** The {@link Picker} of a gather on a section of the given width. */
export function pickerOf(gather: SingleGather, widthMm: number): Picker {
  if (gather.kind === 'slice') return () => true;
  const { depth } = gather;
  const { stitches } = pick(gather, widthMm);
  if (gather.kind === 'zigzag') {
    const { pointMm } = gather;
    // A point is as deep as the gather goes at its middle and runs out to nothing at both sides.
    return (alongMm, share) => alongMm <= stitches * pointMm && share < depth * (1 - abs(2 * ((alongMm / pointMm) % 1) - 1));
  }
  if (gather.lastStitchMm) {
    const intervals = stitchIntervals(gather, widthMm);
    return (alongMm, share) => share < depth && intervals.some(([from, to]) => alongMm >= from && alongMm < to);
  }
  const { stitchMm } = gather;
  const step = stitchMm + gather.gapMm;
  return (alongMm, share) => {
    const i = floor(alongMm / step);
    return share < depth && i < stitches && alongMm - i * step < stitchMm;
  };
}
