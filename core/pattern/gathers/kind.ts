import type { SingleGather } from '../types';

/** What a gather takes from one section. */
export interface Picked {
  /** Stitches or points; 1 for a slice. */
  readonly stitches: number;
  /** Share of the section's hair, 0–1. */
  readonly share: number;
}

/** Interval [from, to] in mm along the parting. */
export type Interval = readonly [from: number, to: number];

/**
 * Tells for points of one section (mm along the parting, share of the thickness from the surface) whether
 * their hair is picked.
 */
export type Picker = (alongMm: number, depthShare: number) => boolean;

/**
 * A cut across a stitch: mm along the section from where picking begins, and the shares of the section's thickness
 * between which hair is picked, 0 at its surface, 1 at its far side.
 */
interface StitchCut {
  readonly alongMm: number;
  readonly from: number;
  readonly to: number;
}

/** A stitch by its cuts, one after the other along the section: straight between them. */
export type StitchShape = readonly StitchCut[];

/** A kind of gather: what it picks, how it is drawn, and what it is called. */
export interface GatherRules<G extends SingleGather> {
  /** Sections picked in this way: `1 weave`, `2 weaves`. */
  readonly one: string;
  readonly many: string;
  /** What is counted along the section; null where all of it is picked. */
  readonly counted: 'stitches' | 'points' | null;
  /** The gather by the name that the trade gives it. */
  name(gather: G, thicknessMm: number): string;
  /** How deep it goes, as a share of the section's thickness. */
  depth(gather: G): number;
  /** Share of the section's width that product covers when it lies in its foil. */
  painted(gather: G): number;
  pick(gather: G, widthMm: number): Picked;
  picker(gather: G, widthMm: number): Picker;
  /** @param bendMm long stitches have a cut at least so often, where they bend with the section */
  shapes(gather: G, widthMm: number, bendMm: number): readonly StitchShape[];
}

/** Stitches that are as wide at their far side as at the surface, between two shares of the thickness. */
export function straightStitches(
  intervals: readonly Interval[],
  [from, to]: readonly [from: number, to: number],
  bendMm: number,
): StitchShape[] {
  return intervals.map(([first, last]) => {
    const steps = Math.max(1, Math.ceil((last - first) / bendMm));
    return Array.from({ length: steps + 1 }, (_, i) => ({
      alongMm: first + ((last - first) * i) / steps,
      from,
      to,
    }));
  });
}
