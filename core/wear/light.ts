import type { Roots } from '../head';
import type { ComputedPlan, FoiledRoots, Plan } from '../pattern';
import { noiseAt } from './noise';

/** Where each strand begins to be light. */
export interface Light {
  /** mm from the scalp; Infinity for hair that stays as it is. */
  readonly fromMm: Float32Array;
  /** mm over which it becomes light. */
  readonly overMm: Float32Array;
}

/** Each tease makes starts differ by up to so much, mm: working assumption. */
const TEASING_MM = 20;

/**
 * The light that a plan gives: per root, where it begins, with the start, feather and teasing of its panel, and how much
 * has grown since.
 * @param grownMm growth since the service, mm
 */
export function lightOf(plan: Plan, { sheet }: ComputedPlan, roots: Roots, foiled: FoiledRoots, grownMm = 0): Light {
  const fromMm = new Float32Array(roots.count).fill(Infinity);
  const overMm = new Float32Array(roots.count);
  const panels = new Map(plan.panels.map((panel) => [panel.id, panel]));
  const starts = sheet.foils.map(({ panel }) => panels.get(panel)!.start);
  for (let i = 0; i < roots.count; i += 1) {
    if (!foiled.picked[i]) continue;
    const { distanceMm, featherMm, teasing } = starts[foiled.foil[i]];
    const teased = teasing * TEASING_MM * noiseAt(roots.xyz[3 * i], roots.xyz[3 * i + 1], roots.xyz[3 * i + 2], 5);
    fromMm[i] = distanceMm + teased + grownMm;
    overMm[i] = featherMm;
  }
  return { fromMm, overMm };
}

/** How light a strand is so far from its root: 0 as it grew, 1 lightened. */
export function lightAt({ fromMm, overMm }: Light, strand: number, along: number): number {
  const past = along - fromMm[strand];
  if (past < 0) return 0;
  const over = overMm[strand];
  return past >= over ? 1 : past / over;
}
