import type { Gather, SingleGather, Turn } from './types';

// Taken once: these run in the hot loops.
const { abs, ceil, floor, max, min } = Math;

/** Share of the section's thickness that is picked where it is picked: all of a slice. */
export const depthOf = (gather: SingleGather): number => (gather.kind === 'slice' ? 1 : gather.depth);

/** What a gather takes from one section. */
export interface Picked {
  /** Stitches along the parting; 1 for a slice. */
  readonly stitches: number;
  /** Share of the section's hair, 0–1. */
  readonly share: number;
}

/** Interval [from, to] in mm along the parting. */
export type Interval = readonly [from: number, to: number];

/** What stands for a row (from 1) among gathers in turn; undefined where there is one gather for all. */
export function turnOf(gather: Gather, row: number): Turn | undefined {
  if (gather.kind !== 'alternate') return undefined;
  const { of, then } = gather;
  return of[then === 'last' ? min(row, of.length) - 1 : (row - 1) % of.length];
}

/** The gather of a row (from 1). */
export const gatherOf = (gather: Gather, row: number): SingleGather =>
  turnOf(gather, row)?.gather ?? (gather as SingleGather);

/** All gathers of a panel, each once for each turn. */
export const gathersOf = (gather: Gather): readonly SingleGather[] =>
  gather.kind === 'alternate' ? gather.of.map((own) => own.gather) : [gather];

/**
 * Picked so far from the scalp, stitches are twice as wide as at it, mm. Working assumption: at 10–30 mm they
 * are chunkier.
 */
const TWICE_AS_WIDE_MM = 25;
/** and their edges wander by up to this share of a stitch at that distance. */
const WANDER_SHARE = 0.35;

/** A weave as it comes out: off the scalp stitches and gaps are wider, the share stays. */
function worked<T extends Extract<SingleGather, { kind: 'weave' }>>(gather: T): T {
  const off = gather.offScalpMm ?? 0;
  if (off === 0) return gather;
  const by = 1 + off / TWICE_AS_WIDE_MM;
  return {
    ...gather,
    stitchMm: gather.stitchMm * by,
    gapMm: gather.gapMm * by,
    ...(gather.lastStitchMm && { lastStitchMm: gather.lastStitchMm * by }),
  };
}

/**
 * How much wider than at the scalp stitches come, and how far their edges wander, mm; both of a weave picked
 * off the scalp.
 */
export function offScalp(
  gather: SingleGather,
): { readonly times: number; readonly wanderMm: number } | undefined {
  if (gather.kind !== 'weave' || !gather.offScalpMm) return undefined;
  return {
    times: 1 + gather.offScalpMm / TWICE_AS_WIDE_MM,
    wanderMm: (WANDER_SHARE * gather.stitchMm * gather.offScalpMm) / TWICE_AS_WIDE_MM,
  };
}

/**
 * Picks from a section of the given width (mm along the parting).
 * Weave: stitches = floor((W + g)/(w + g)), the first at the start of the section; share =
 * stitches·w·depth/W; graded
 * stitches the same with their own widths. Zigzag: triangles on a base each, share = ½·depth of what they
 * span.
 * A section narrower than one stitch is one stitch of its own width.
 */
export function pick(gather: SingleGather, widthMm: number): Picked {
  if (gather.kind === 'slice') return { stitches: 1, share: 1 };
  if (gather.kind === 'zigzag') {
    const points = max(1, floor(widthMm / gather.pointMm + 1e-9));
    return {
      stitches: points,
      share: (min(widthMm, points * gather.pointMm) / widthMm) * 0.5 * gather.depth,
    };
  }
  const { stitchMm, gapMm, depth, lastStitchMm } = worked(gather);
  if (lastStitchMm) {
    const intervals = gradedIntervals(stitchMm, lastStitchMm, gapMm, widthMm);
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
    return Array.from(
      { length: stitches },
      (_, i) => [i * gather.pointMm, min((i + 1) * gather.pointMm, widthMm)] as const,
    );
  }
  const { stitchMm, gapMm, lastStitchMm } = worked(gather);
  const step = stitchMm + gapMm;
  const even = lastStitchMm
    ? gradedIntervals(stitchMm, lastStitchMm, gapMm, widthMm)
    : Array.from({ length: stitches }, (_, i) => [i * step, min(i * step + stitchMm, widthMm)] as const);
  const wander = offScalp(gather)?.wanderMm;
  // A stitch keeps its width and wanders to one side or the other: the share stays.
  return wander
    ? even.map(([from, to], i) => moved(from, to, wander * (2 * ((0.618034 * (i + 1)) % 1) - 1), widthMm))
    : even;
}

function moved(from: number, to: number, by: number, widthMm: number): Interval {
  const own = min(widthMm - to, max(-from, by));
  return [from + own, to + own];
}

/**
 * Stitches graded in equal ratios from the first width to the last, gaps even between them: as many as fit
 * with both
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

/**
 * Tells for points of one section (mm along the parting, share of the thickness from the surface) whether
 * their hair is picked.
 */
export type Picker = (alongMm: number, depthShare: number) => boolean;

/** The {@link Picker} of a gather on a section of the given width. */
export function pickerOf(gather: SingleGather, widthMm: number): Picker {
  if (gather.kind === 'slice') return () => true;
  const { depth } = gather;
  const { stitches } = pick(gather, widthMm);
  if (gather.kind === 'zigzag') {
    const { pointMm } = gather;
    // A point is as deep as the gather goes at its middle and runs out to nothing at both sides.
    return (alongMm, share) =>
      alongMm <= stitches * pointMm && share < depth * (1 - abs(2 * ((alongMm / pointMm) % 1) - 1));
  }
  if (gather.lastStitchMm || gather.offScalpMm) {
    const intervals = stitchIntervals(gather, widthMm);
    return (alongMm, share) =>
      share < depth && intervals.some(([from, to]) => alongMm >= from && alongMm < to);
  }
  const { stitchMm } = gather;
  const step = stitchMm + gather.gapMm;
  return (alongMm, share) => {
    const i = floor(alongMm / step);
    return share < depth && i < stitches && alongMm - i * step < stitchMm;
  };
}
