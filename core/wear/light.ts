import { TEASING_MM } from '../growth';
import { ZONES, type Roots } from '../head';
import type { ComputedPlan, FoiledRoots, Plan } from '../pattern';
import { placedUnits, type Letters } from '../work';
import { noiseOf, seedAt } from './noise';

const { max, min } = Math;

/** Light that begins somewhere on a strand. */
export interface Layer {
  /** mm from the scalp; Infinity for hair that stays as it is. */
  readonly fromMm: Float32Array;
  /** mm over which it becomes light. */
  readonly overMm: Float32Array;
  /** mm from the scalp where it ends again; Infinity to the ends. */
  readonly toMm: Float32Array;
}

/** Deposit at the root that covers the light there and runs out: root shadow. */
export interface RootShadow {
  /** Full from the scalp as it was on the day to here, and gone after as much again, mm. */
  readonly mm: number;
}

/** How light the hair was before anything is done: what it is by nature, grey, and lightened before, by its base. */
export interface BaseLight {
  readonly bases: { baseAt(strand: number, along: number): number };
  /** By base: 0 as dark as the head’s natural level, 1 as light as what is lightened. */
  readonly share: Float32Array;
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
  /** null where nothing is known of the hair: it counts as dark. */
  readonly base: BaseLight | null;
}

/** Painted without a feather, light still begins over so much of the strand’s length: working assumption. */
const SOFT_EDGE = 0.15;

type Unit = ReturnType<typeof placedUnits>[number];

/** Nothing is known of the formulas: all of them lift, to the ends. */
export const NO_LETTERS: Letters = { facts: [], lowlight: null };

export interface LightFacts {
  /** Growth since the service, mm. */
  readonly grownMm?: number;
  readonly shadow?: RootShadow | null;
  /** What the formulas do: which lift and which deposit, and how far they reach. */
  readonly letters?: Letters;
  /** Light of an earlier service, with what has grown since then by the day of this plan, mm by root. */
  readonly before?: { readonly light: Light; grownMm(root: number): number } | null;
}

/**
 * The light that a plan gives: per root, where it begins, with the start, feather and teasing of its panel, and how much
 * has grown since.
 */
export function lightOf(
  plan: Plan, computed: Pick<ComputedPlan, 'sheet' | 'drawing'>, roots: Roots, foiled: FoiledRoots, { grownMm = 0, shadow = null, letters = NO_LETTERS, before = null }: LightFacts = {},
): Light {
  const { count } = roots;
  const own = noLayer(count);
  const foil = new Int16Array(count).fill(-1);
  const lowlit = new Uint8Array(count);
  // What is painted and where is the work's to say.
  const units = { foil: [] as Unit[], 'open-air': [] as Unit[], dropout: [] as Unit[] };
  for (const unit of placedUnits(plan, computed, { letters, regrowthMm: {}, painting: 'as-you-foil' })) units[unit.kind === 'foil' || unit.kind === 'open-air' ? unit.kind : 'dropout'][unit.index] = unit;
  const lengthOf = lengths(plan, roots);
  for (let i = 0; i < count; i += 1) {
    const treated = foiled.dropout[i];
    const inFoil = foiled.foil[i];
    const unit = treated >= 0 ? units.dropout[treated] : foiled.picked[i] === 0 ? undefined : inFoil >= 0 ? units.foil[inFoil] : units['open-air'][foiled.painted[i]];
    // A lowlight for which nothing is mixed yet is meant to be one all the same.
    if (unit === undefined) lowlit[i] = treated >= 0 && computed.sheet.dropouts[treated].treatment === 'lowlight' ? 1 : 0;
    else if (!unit.lifts) lowlit[i] = 1;
    else {
      const { startMm, featherMm, teasing, reachMm, hairMm } = unit;
      const teased = teasing === 0 ? 0 : teasing * TEASING_MM * noiseOf(seedAt(roots.xyz[3 * i], roots.xyz[3 * i + 1], roots.xyz[3 * i + 2]), 5);
      // Hair of a foil may lie in another zone than the foil's middle, and be longer or shorter there.
      const scale = treated >= 0 && hairMm > 0 ? lengthOf(i) / hairMm : 1;
      own.fromMm[i] = scale * startMm + teased + grownMm;
      own.overMm[i] = treated >= 0 ? Math.max(featherMm, SOFT_EDGE * lengthOf(i)) : featherMm;
      if (reachMm[1] < hairMm - 0.5 && unit.reach === 'stretch') own.toMm[i] = reachMm[1] + grownMm;
      foil[i] = inFoil;
    }
  }
  return { own, old: before && olderOf(before.light, before.grownMm, grownMm), foil, lowlit, shadow, grownMm, base: null };
}

function noLayer(count: number): Layer {
  return { fromMm: new Float32Array(count).fill(Infinity), overMm: new Float32Array(count), toMm: new Float32Array(count).fill(Infinity) };
}

/** Light of before, moved out by what grew until this plan and since. */
function olderOf({ own, old }: Light, untilNow: (root: number) => number, since: number): Layer {
  const fromMm = Float32Array.from(own.fromMm, (from, i) => min(from, old?.fromMm[i] ?? Infinity) + untilNow(i) + since);
  return { fromMm, overMm: own.overMm, toMm: Float32Array.from(own.toMm, (to, i) => to + untilNow(i) + since) };
}

/** Length of a root's hair, mm. */
export function lengths({ hair }: Pick<Plan, 'hair'>, roots: Roots): (root: number) => number {
  const byZone = ZONES.map((zone) => hair.byZone[zone]?.lengthMm ?? hair.lengthMm);
  return (root) => byZone[roots.zone[root]];
}

/** How far a strand is lightened so far from its root: 0 as it was before, 1 lightened. */
export function lightAt(light: Light, strand: number, along: number): number {
  let f = layerAt(light.own, strand, along);
  if (light.old !== null && f < 1) f = max(f, layerAt(light.old, strand, along));
  return f > 0 ? f * uncovered(light, along) : 0;
}

/** How light a strand is seen so far from its root, with the hair that it was before: 0 as the head's natural level, 1 light. */
export function seenAt(light: Light, strand: number, along: number): number {
  const f = lightAt(light, strand, along);
  return light.base === null || f >= 1 ? f : max(f, baseLightAt(light, strand, along) * uncovered(light, along));
}

/** The same without anything that the visit does. */
export function baseLightAt({ base }: Light, strand: number, along: number): number {
  return base === null ? 0 : base.share[base.bases.baseAt(strand, along)];
}

/** Share of the light that a root shadow leaves. */
function uncovered({ shadow, grownMm }: Light, along: number): number {
  if (shadow === null) return 1;
  // What grew after the deposit is not covered, but it is not light either.
  return min(1, max(0, (along - grownMm) / shadow.mm - 1));
}

function layerAt({ fromMm, overMm, toMm }: Layer, strand: number, along: number): number {
  const past = along - fromMm[strand];
  if (past < 0 || along > toMm[strand]) return 0;
  const over = overMm[strand];
  return past >= over ? 1 : past / over;
}
