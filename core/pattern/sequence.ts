import type { SlantedLine } from './slanted-lines';
import type { SequenceStep } from './types';

/** Width of the bins in which the skyline of what is already sectioned is kept, mm. */
const BIN_MM = 3;
const MOST_ROWS = 600;

/** A section of a sequence: its line in (s, u), the middle of the section. */
export interface SequenceRow {
  readonly line: SlantedLine;
  /** Of its step, degrees. */
  readonly angleDeg: number;
}

/**
 * Packs slanted sections upwards, steps in turn: each is laid as low as it goes, its drop-out clear of
 * everything below
 * it over its whole run. Where a straight section follows diagonals, the triangles between stay out.
 *
 * @param extent range of s, mm; uRange range of u; both of the panel
 * @param sections thickness and drop-out below, by row from 0, mm, measured across the section
 * @param halves whether left (u > 0) and right steps have a half of their own; otherwise every step runs over
 *   all of u
 */
export function sequenceRows(
  steps: readonly SequenceStep[],
  extent: readonly [number, number],
  uRange: readonly [number, number],
  sections: (row: number) => { thicknessMm: number; dropoutMm: number },
  halves: boolean,
): SequenceRow[] {
  const cycle = steps.flatMap((step) => Array.from({ length: step.count }, () => step));
  const bins = Math.max(1, Math.ceil((uRange[1] - uRange[0]) / BIN_MM));
  const uOf = (bin: number) => uRange[0] + ((uRange[1] - uRange[0]) * (bin + 0.5)) / bins;
  const skyline = new Float64Array(bins).fill(-Infinity);
  const rows: SequenceRow[] = [];
  let beyond = 0;
  for (let n = 0; rows.length < MOST_ROWS && beyond < cycle.length; n += 1) {
    const step = cycle[n % cycle.length];
    const over = halves ? step.over : 'across';
    const from = over === 'left' ? Math.max(0, uRange[0]) : uRange[0];
    const to = over === 'right' ? Math.min(0, uRange[1]) : uRange[1];
    const slope = Math.tan((step.angleDeg * Math.PI) / 180);
    // Diagonal back falls towards the back: in a half of the back that is towards the middle, elsewhere along
    // +u.
    const heightAt = (u: number) => (halves && over !== 'across' ? slope * Math.abs(u) : -slope * u);
    const { thicknessMm, dropoutMm } = sections(rows.length);
    const lean = Math.cos((step.angleDeg * Math.PI) / 180);
    let offset = -Infinity;
    for (let bin = 0; bin < bins; bin += 1) {
      const u = uOf(bin);
      if (u < from || u > to) continue;
      const floor = skyline[bin] === -Infinity ? extent[0] : skyline[bin] + dropoutMm / lean;
      offset = Math.max(offset, floor - heightAt(u));
    }
    const lowest = offset + Math.min(heightAt(from), heightAt(to));
    if (!(lowest + thicknessMm / lean <= extent[1] + 1e-9)) {
      beyond += 1;
      continue;
    }
    beyond = 0;
    for (let bin = 0; bin < bins; bin += 1) {
      const u = uOf(bin);
      if (u >= from && u <= to) skyline[bin] = offset + heightAt(u) + thicknessMm / lean;
    }
    const half = thicknessMm / lean / 2;
    rows.push({
      angleDeg: step.angleDeg,
      line: { from: [offset + heightAt(from) + half, from], to: [offset + heightAt(to) + half, to] },
    });
  }
  return rows;
}
