import type { Gather } from './types';

/** What a gather takes from one section. */
export interface Picked {
  /** Stitches along the parting; 1 for a slice. */
  readonly stitches: number;
  /** Share of the section's hair, 0–1. */
  readonly share: number;
}

/**
 * Picks from a section of the given width (mm along the parting).
 * Weave: stitches = floor((W + g)/(w + g)), the first at the start of the section; share = stitches·w·depth/W.
 * A section narrower than one stitch is one stitch of its own width.
 */
export function pick(gather: Gather, widthMm: number): Picked {
  if (gather.kind === 'slice') return { stitches: 1, share: 1 };
  const { stitchMm, gapMm, depth } = gather;
  const stitches = Math.max(1, Math.floor((widthMm + gapMm) / (stitchMm + gapMm) + 1e-9));
  const taken = Math.min(stitches * stitchMm, widthMm);
  return { stitches, share: (taken / widthMm) * depth };
}

/** Intervals [from, to] in mm along the parting that go into the foil. */
export function stitchIntervals(gather: Gather, widthMm: number): readonly (readonly [number, number])[] {
  if (gather.kind === 'slice') return [[0, widthMm]];
  const { stitches } = pick(gather, widthMm);
  const step = gather.stitchMm + gather.gapMm;
  return Array.from({ length: stitches }, (_, i) => [i * step, Math.min(i * step + gather.stitchMm, widthMm)] as const);
}
