import { ZONES, type Roots } from '../head';
import type { ComputedPlan, FoiledRoots, Plan } from '../pattern';
import { noiseOf, seedAt } from './noise';

const { max, min } = Math;

/** Light that begins somewhere on a strand. */
export interface Layer {
  /** mm from the scalp; Infinity for hair that stays as it is. */
  readonly fromMm: Float32Array;
  /** mm over which it becomes light. */
  readonly overMm: Float32Array;
}

/** Deposit at the root that covers the light there and runs out: root shadow. */
export interface RootShadow {
  /** Full from the scalp as it was on the day to here, and gone after as much again, mm. */
  readonly mm: number;
}

/** Where each strand is light, by root. */
export interface Light {
  /** This plan's; light painted in the open air and tipped ends among it. */
  readonly own: Layer;
  /** Left from before; null where there is none. */
  readonly old: Layer | null;
  /** The foil that each root's light came from, index into the sheet's foils; −1 for none. */
  readonly foil: Int16Array;
  /** 1 where hair was lowlit: in a treated drop-out, or in the foils of a formula that deposits. */
  readonly lowlit: Uint8Array;
  readonly shadow: RootShadow | null;
  /** Growth since the service, mm. */
  readonly grownMm: number;
}

/** Each tease makes starts differ by up to so much, mm: working assumption. */
const TEASING_MM = 20;
/** A strand tipped out is light from here to its end, share of its length, over so much of it: working assumptions. */
const TIPPED = { from: 0.6, over: 0.15 } as const;

export interface LightFacts {
  /** Growth since the service, mm. */
  readonly grownMm?: number;
  readonly shadow?: RootShadow | null;
  /** Letters of formulas that deposit: their foils are lowlights. */
  readonly deposits?: readonly string[];
  /** Light of an earlier service, with what has grown since then by the day of this plan, mm by root. */
  readonly before?: { readonly light: Light; grownMm(root: number): number } | null;
}

/**
 * The light that a plan gives: per root, where it begins, with the start, feather and teasing of its panel, and how much
 * has grown since.
 */
export function lightOf(
  plan: Plan, { sheet }: Pick<ComputedPlan, 'sheet'>, roots: Roots, foiled: FoiledRoots, { grownMm = 0, shadow = null, deposits = [], before = null }: LightFacts = {},
): Light {
  const { count } = roots;
  const own = noLayer(count);
  const foil = new Int16Array(count).fill(-1);
  const lowlit = new Uint8Array(count);
  const starts = new Map(plan.panels.map((panel) => [panel.id, panel.start]));
  const startOf = ({ panel }: { readonly panel: string }) => starts.get(panel)!;
  const foils = sheet.foils.map(startOf);
  const painted = sheet.painted.map(startOf);
  const lengthOf = lengths(plan, roots);
  for (let i = 0; i < count; i += 1) {
    const treated = foiled.dropout[i];
    if (treated >= 0) {
      if (sheet.dropouts[treated].treatment === 'lowlight') lowlit[i] = 1;
      else {
        own.fromMm[i] = TIPPED.from * lengthOf(i) + grownMm;
        own.overMm[i] = TIPPED.over * lengthOf(i);
      }
      continue;
    }
    if (!foiled.picked[i]) continue;
    const { formula } = foiled.foil[i] >= 0 ? sheet.foils[foiled.foil[i]] : sheet.painted[foiled.painted[i]];
    if (deposits.includes(formula)) {
      lowlit[i] = 1;
      continue;
    }
    const { distanceMm, featherMm, teasing } = foiled.foil[i] >= 0 ? foils[foiled.foil[i]] : painted[foiled.painted[i]];
    const teased = teasing === 0 ? 0 : teasing * TEASING_MM * noiseOf(seedAt(roots.xyz[3 * i], roots.xyz[3 * i + 1], roots.xyz[3 * i + 2]), 5);
    own.fromMm[i] = distanceMm + teased + grownMm;
    own.overMm[i] = featherMm;
    foil[i] = foiled.foil[i];
  }
  return { own, old: before && olderOf(before.light, before.grownMm, grownMm), foil, lowlit, shadow, grownMm };
}

function noLayer(count: number): Layer {
  return { fromMm: new Float32Array(count).fill(Infinity), overMm: new Float32Array(count) };
}

/** Light of before, moved out by what grew until this plan and since. */
function olderOf({ own, old }: Light, untilNow: (root: number) => number, since: number): Layer {
  const fromMm = Float32Array.from(own.fromMm, (from, i) => min(from, old?.fromMm[i] ?? Infinity) + untilNow(i) + since);
  return { fromMm, overMm: own.overMm };
}

/** Length of a root's hair, mm. */
export function lengths({ hair }: Pick<Plan, 'hair'>, roots: Roots): (root: number) => number {
  const byZone = ZONES.map((zone) => hair.byZone[zone]?.lengthMm ?? hair.lengthMm);
  return (root) => byZone[roots.zone[root]];
}

/** How light a strand is so far from its root: 0 as it grew, 1 lightened. */
export function lightAt(light: Light, strand: number, along: number): number {
  let f = layerAt(light.own, strand, along);
  if (light.old !== null && f < 1) f = max(f, layerAt(light.old, strand, along));
  if (light.shadow !== null && f > 0) {
    const past = (along - light.grownMm) / light.shadow.mm - 1;
    // What grew after the deposit is not covered, but it is not light either.
    if (past < 1) f *= max(0, past);
  }
  return f;
}

function layerAt({ fromMm, overMm }: Layer, strand: number, along: number): number {
  const past = along - fromMm[strand];
  if (past < 0) return 0;
  const over = overMm[strand];
  return past >= over ? 1 : past / over;
}
