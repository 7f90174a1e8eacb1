import type { Spacing } from './types';

/** Pitch: distance from one parting to the same edge of the next row, mm. */
export function pitchOf(thicknessMm: number, spacing: Spacing): number {
  return thicknessMm + spacing.dropoutMm;
}

/**
 * Offsets of the rows' first edges in a panel of length L along the spine, mm from its first edge.
 * One rule for counts everywhere: n = floor((L − T)/pitch + 1e−9) + 1; none where not even one section fits.
 */
export function rowOffsets(lengthMm: number, thicknessMm: number, spacing: Spacing): number[] {
  if (lengthMm < thicknessMm - 1e-9) return [];
  const pitch = pitchOf(thicknessMm, spacing);
  const count = Math.floor((lengthMm - thicknessMm) / pitch + 1e-9) + 1;
  return Array.from({ length: count }, (_, i) => i * pitch);
}
