import type { GatherOfKind, SingleGather } from './types';

/**
 * A gather by the trade's name, with the thickness of section that goes with it (middle of the usual range).
 */
export interface GatherPreset {
  readonly name: string;
  readonly thicknessMm: number;
  readonly gather: SingleGather;
}

const weave = (stitchMm: number, gapMm: number, depth = 0.5): GatherOfKind<'weave'> => ({
  kind: 'weave',
  stitchMm,
  gapMm,
  depth,
});

/** The gathers as the trade names them: stitches, gaps and thickness are the middles of the usual ranges. */
export const GATHER_PRESETS = {
  micro: { name: 'micro baby light', thicknessMm: 1.75, gather: weave(1.25, 1.25) },
  baby: { name: 'baby light', thicknessMm: 2.5, gather: weave(1.75, 2) },
  fine: { name: 'fine weave', thicknessMm: 4, gather: weave(2.5, 2.5) },
  medium: { name: 'medium weave', thicknessMm: 6.5, gather: weave(4.5, 4.5) },
  chunky: { name: 'chunky weave', thicknessMm: 9, gather: weave(8, 8) },
  deep: { name: 'deep weave', thicknessMm: 12, gather: weave(6, 6, 1) },
  double: {
    name: 'double weave',
    thicknessMm: 8,
    gather: { kind: 'double', stitchMm: 4, gapMm: 4, depth: 0.5 },
  },
  slice: { name: 'slice', thicknessMm: 3, gather: { kind: 'slice' } },
  zigzag: { name: 'zigzag weave', thicknessMm: 9, gather: { kind: 'zigzag', pointMm: 10, depth: 1 } },
} as const satisfies Record<string, GatherPreset>;
