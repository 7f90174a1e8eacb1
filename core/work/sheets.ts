import type { Plan } from '../pattern';
import type { PlacedUnit } from './unit';

/** A sheet is so much wider than the hair that fits on it, mm: both sides are folded in. */
const SIDES_MM = 25;
/** and so much longer than the hair in it: the lip at the roots, and the fold. Working assumption. */
const ENDS_MM = 30;
/** Sheets as they are usually torn or cut: longer hair is folded back in them once. */
const LONGEST_MM = 400;
/** Sheets are cut in steps of so much, mm. */
const STEP_MM = 50;
const WIDTH_STEP_MM = 20;

/** Sheets of one size. */
export interface Sheets {
  readonly widthMm: number;
  readonly lengthMm: number;
  readonly count: number;
}

/** What a foil is cut to. */
function sizeOf({ widthMm, reachMm }: Pick<PlacedUnit, 'widthMm' | 'reachMm'>): {
  widthMm: number;
  lengthMm: number;
} {
  const held = reachMm[1];
  const laid = held + ENDS_MM > LONGEST_MM ? held / 2 : held;
  return { widthMm: up(widthMm + SIDES_MM, WIDTH_STEP_MM), lengthMm: up(laid + ENDS_MM, STEP_MM) };
}

const up = (mm: number, step: number) => Math.ceil(mm / step - 1e-9) * step;

/** Sheets that a panel's foil takes: one folded over the hair, or one under it and one over. */
const sheetsEach = ({ panels }: Pick<Plan, 'panels'>, panel: string): number =>
  panels.find(({ id }) => id === panel)?.cover === 'under-and-over' ? 2 : 1;

/**
 * Sheets to cut for the foils of a plan, by size, widest first. Lengths follow the hair that each holds;
 * estimates.
 */
export const sheetsToCut = (units: readonly PlacedUnit[], plan: Pick<Plan, 'panels'>): Sheets[] =>
  together(
    units
      .filter(({ laidWith }) => laidWith === 'foil')
      .map((unit) => ({ ...sizeOf(unit), count: sheetsEach(plan, unit.panel) })),
  );

/** Sheets of several lists counted by size. */
export function together(all: readonly Sheets[]): Sheets[] {
  const sizes = new Map<string, Sheets>();
  for (const sheets of all) {
    const key = `${sheets.widthMm} ${sheets.lengthMm}`;
    sizes.set(key, { ...sheets, count: (sizes.get(key)?.count ?? 0) + sheets.count });
  }
  return [...sizes.values()].sort((a, b) => b.widthMm - a.widthMm || b.lengthMm - a.lengthMm);
}
