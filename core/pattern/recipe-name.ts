import type { Gather, Panel } from './types';

/** The gather by the name the trade gives it, from its stitch, depth and thickness. */
export function gatherName(gather: Gather, thicknessMm: number): string {
  if (gather.kind === 'slice') return 'slice';
  if (gather.depth > 0.6) return 'deep weave';
  const { stitchMm } = gather;
  if (stitchMm <= 1.5 && thicknessMm <= 2) return 'micro baby light';
  if (stitchMm <= 2 && thicknessMm <= 3.2) return 'baby light';
  if (stitchMm <= 3) return 'fine weave';
  if (stitchMm <= 5) return 'medium weave';
  return 'chunky weave';
}

/** Recipe of a panel in one line: `fine weave, 4 + 5 mm` (thickness + drop-out). */
export function recipeLine(panel: Panel): string {
  return `${gatherName(panel.gather, panel.thicknessMm)}, ${panel.thicknessMm} + ${panel.spacing.dropoutMm} mm`;
}
