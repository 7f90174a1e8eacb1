import type { GatherOfKind, SingleGather } from '../types';
import { straightStitches, type GatherRules, type Interval } from './kind';

// Taken once: these run in the hot loops.
const { ceil, floor, log, max, min } = Math;

type Weave = GatherOfKind<'weave'>;

/**
 * Picked so far from the scalp, stitches are twice as wide as at it, mm. Working assumption: at 10–30 mm they
 * are chunkier.
 */
const TWICE_AS_WIDE_MM = 25;
/** and their edges wander by up to this share of a stitch at that distance. */
const WANDER_SHARE = 0.35;

/** A weave as it comes out: off the scalp stitches and gaps are wider, the share stays. */
function worked(gather: Weave): Weave {
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

/** How many stitches of one width fit: the first at the start of the section, a gap after each but the last. */
export const stitchesIn = (widthMm: number, stitchMm: number, gapMm: number): number =>
  max(1, floor((widthMm + gapMm) / (stitchMm + gapMm) + 1e-9));

/** The trade's name of a weave by its stitch, depth and thickness. */
function weaveName({ stitchMm, depth }: Weave, thicknessMm: number): string {
  if (depth > 0.6) return 'deep weave';
  if (stitchMm <= 1.5 && thicknessMm <= 2) return 'micro baby light';
  if (stitchMm <= 2 && thicknessMm <= 3.2) return 'baby light';
  if (stitchMm <= 3) return 'fine weave';
  if (stitchMm <= 5) return 'medium weave';
  return 'chunky weave';
}

/**
 * Alternate stitches: floor((W + g)/(w + g)) of them, share = stitches·w·depth/W; graded stitches the same with their
 * own widths. A section narrower than one stitch is one stitch of its own width.
 */
export const weave: GatherRules<Weave> = {
  one: 'weave',
  many: 'weaves',
  counted: 'stitches',
  name: weaveName,
  depth: ({ depth }) => depth,
  painted({ stitchMm, gapMm, lastStitchMm }) {
    // Graded in equal ratios, stitches are as wide as this on average.
    const mean =
      lastStitchMm && lastStitchMm !== stitchMm
        ? (lastStitchMm - stitchMm) / log(lastStitchMm / stitchMm)
        : stitchMm;
    return mean / (mean + gapMm);
  },
  pick(gather, widthMm) {
    const { stitchMm, gapMm, depth, lastStitchMm } = worked(gather);
    if (lastStitchMm) {
      const intervals = gradedIntervals(stitchMm, lastStitchMm, gapMm, widthMm);
      const taken = intervals.reduce((sum, [from, to]) => sum + to - from, 0);
      return { stitches: intervals.length, share: (taken / widthMm) * depth };
    }
    const stitches = stitchesIn(widthMm, stitchMm, gapMm);
    return { stitches, share: (min(stitches * stitchMm, widthMm) / widthMm) * depth };
  },
  picker(gather, widthMm) {
    const { depth, stitchMm, gapMm } = gather;
    if (gather.lastStitchMm || gather.offScalpMm) {
      const intervals = stitchIntervals(gather, widthMm);
      return (alongMm, share) =>
        share < depth && intervals.some(([from, to]) => alongMm >= from && alongMm < to);
    }
    const stitches = stitchesIn(widthMm, stitchMm, gapMm);
    const step = stitchMm + gapMm;
    return (alongMm, share) => {
      const i = floor(alongMm / step);
      return share < depth && i < stitches && alongMm - i * step < stitchMm;
    };
  },
  shapes: (gather, widthMm, bendMm) =>
    straightStitches(stitchIntervals(gather, widthMm), [0, gather.depth], bendMm),
};

/** Intervals along the parting that go into the foil, from the end where the picking starts. */
export function stitchIntervals(gather: Weave, widthMm: number): readonly Interval[] {
  const { stitchMm, gapMm, lastStitchMm } = worked(gather);
  const step = stitchMm + gapMm;
  const even = lastStitchMm
    ? gradedIntervals(stitchMm, lastStitchMm, gapMm, widthMm)
    : Array.from(
        { length: stitchesIn(widthMm, stitchMm, gapMm) },
        (_, i) => [i * step, min(i * step + stitchMm, widthMm)] as const,
      );
  const wander = offScalp(gather)?.wanderMm;
  // A stitch keeps its width and wanders to one side or the other: the share stays.
  return wander
    ? even.map(([from, to], i) => moved(from, to, wander * (2 * ((0.618034 * (i + 1)) % 1) - 1), widthMm))
    : even;
}

function moved(from: number, to: number, by: number, widthMm: number): Interval {
  const within = min(widthMm - to, max(-from, by));
  return [from + within, to + within];
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
