import { TEASING_MM } from '../growth';
import type { Roots } from '../head';
import { lightnessOf } from '../lift';
import type { ComputedPlan, FoiledRoots, Plan } from '../pattern';
import { placedUnits, type Letters } from '../work';
import { lengths, USUAL_CUT, type Cut } from './cut';
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
  /** Level that it comes to. */
  readonly level: Float32Array;
}

/** Deposit at the root that covers the light there and runs out: root shadow. */
export interface RootShadow {
  /** Full from the scalp as it was on the day to here, and gone after as much again, mm. */
  readonly mm: number;
}

/** The hair before anything is done, and by what it is judged how light hair is: OKLab lightness, 0–1. */
export interface BaseLight {
  readonly bases: {
    readonly baseAt: (strand: number, along: number) => number;
    readonly whole: Uint8Array | null;
  };
  /** By base. */
  readonly lightness: Float32Array;
  /** By root, where the hair is the same along all of its length; null where it is not. */
  readonly whole: Float32Array | null;
  /** Of the lightest hair that there is before. */
  readonly most: number;
  /** Of the head’s natural level, which counts as dark, and how much lighter what is wished for is. */
  readonly dark: number;
  readonly span: number;
}

/** Nothing is known of the hair: dark, and as light as can be where it is lightened. */
const UNKNOWN: BaseLight = {
  bases: { baseAt: () => 0, whole: null },
  lightness: Float32Array.of(0),
  whole: null,
  most: 0,
  dark: 0,
  span: 1,
};

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
  readonly base: BaseLight;
  /** By root, OKLab lightness that this plan's light comes to, and that of before. */
  readonly lightness: { readonly own: Float32Array; readonly old: Float32Array };
  /**
   * All that the hottest loops ask of a strand, side by side; null where hair is more than one colour along
   * its length.
   */
  readonly packed: Packed | null;
}

/**
 * Per strand {@link PACKED} numbers: base over dark, lift over base (both OKLab lightness), from, over and to
 * of its light, mm.
 */
export type Packed = Float32Array;
/** A power of two: a strand lies within one line of the processor's cache. */
const PACKED = 8;

/** Level of light where nothing else is known. */
const BRIGHT_LEVEL = 9;
/** Painted without a feather, light still begins over so much of the strand’s length: working assumption. */
const SOFT_EDGE = 0.15;

type Unit = ReturnType<typeof placedUnits>[number];

/** Nothing is known of the formulas: all of them lift, to the ends. */
export const NO_LETTERS: Letters = { facts: [], lowlight: null };

export interface LightFacts {
  /** Growth since the service, mm. */
  readonly grownMm?: number;
  readonly shadow?: RootShadow | null;
  readonly cut?: Cut;
  /** What the formulas do: which lift and which deposit, and how far they reach. */
  readonly letters?: Letters;
  /** Level that each unit of work is expected to reach, by its id; what is missing reaches the usual one. */
  readonly levels?: Readonly<Record<string, number>>;
  readonly usualLevel?: number;
  /** Light of an earlier service, with what has grown since then by the day of this plan, mm by root. */
  readonly before?: { readonly light: Light; readonly grownMm: (root: number) => number } | null;
}

/**
 * The light that a plan gives: per root, where it begins, with the start, feather and teasing of its panel,
 * and how much
 * has grown since.
 */
export function lightOf(
  plan: Plan,
  computed: Pick<ComputedPlan, 'sheet' | 'drawing'>,
  roots: Roots,
  foiled: FoiledRoots,
  {
    grownMm = 0,
    shadow = null,
    cut = USUAL_CUT,
    letters = NO_LETTERS,
    levels = {},
    usualLevel = BRIGHT_LEVEL,
    before = null,
  }: LightFacts = {},
): Light {
  const { count } = roots;
  const layer = noLayer(count);
  const foil = new Int16Array(count).fill(-1);
  const lowlit = new Uint8Array(count);
  // What is painted and where is the work's to say.
  const units: Record<'foil' | 'open-air' | 'dropout', Unit[]> = { foil: [], 'open-air': [], dropout: [] };
  for (const unit of placedUnits(plan, computed, { letters, regrowthMm: {}, painting: 'as-you-foil' }))
    units[unit.kind === 'foil' || unit.kind === 'open-air' ? unit.kind : 'dropout'][unit.index] = unit;
  const lengthOf = lengths(plan, roots, computed.drawing.head, cut);
  for (let i = 0; i < count; i += 1) {
    const treated = foiled.dropout[i];
    const inFoil = foiled.foil[i];
    const unit =
      treated >= 0
        ? units.dropout[treated]
        : foiled.picked[i] === 0
          ? undefined
          : inFoil >= 0
            ? units.foil[inFoil]
            : units['open-air'][foiled.painted[i]];
    // A lowlight for which nothing is mixed yet is meant to be one all the same.
    if (unit === undefined)
      lowlit[i] = treated >= 0 && computed.sheet.dropouts[treated].treatment === 'lowlight' ? 1 : 0;
    else if (!unit.lifts) lowlit[i] = 1;
    else {
      const { startMm, featherMm, edgesMm, teasing, reachMm, hairMm } = unit;
      const teased =
        teasing === 0
          ? 0
          : teasing *
            TEASING_MM *
            noiseOf(seedAt(roots.xyz[3 * i], roots.xyz[3 * i + 1], roots.xyz[3 * i + 2]), 5);
      // Hair of a foil may lie in another zone than the foil's middle, and be longer or shorter there.
      const scale = treated >= 0 && hairMm > 0 ? lengthOf(i) / hairMm : 1;
      const out = 2 * foiled.share[i] - 1;
      layer.fromMm[i] = scale * (startMm + edgesMm * out * out) + teased + grownMm;
      layer.overMm[i] = treated >= 0 ? Math.max(featherMm, SOFT_EDGE * lengthOf(i)) : featherMm;
      if (reachMm[1] < hairMm - 0.5 && unit.reach === 'stretch') layer.toMm[i] = reachMm[1] + grownMm;
      layer.level[i] = levels[unit.id] ?? usualLevel;
      foil[i] = inFoil;
    }
  }
  const old = before && olderOf(before.light, before.grownMm, grownMm);
  const full = new Float32Array(count).fill(1);
  return {
    own: layer,
    old,
    foil,
    lowlit,
    shadow,
    grownMm,
    base: { ...UNKNOWN, whole: new Float32Array(count) },
    lightness: { own: full, old: full },
    packed: null,
  };
}

/** The same light on hair that is known. */
export function onHair(light: Light, base: BaseLight): Light {
  const own = lightnessOfLevels(light.own.level);
  const known = {
    ...light,
    base,
    lightness: { own, old: light.old === null ? own : lightnessOfLevels(light.old.level) },
  };
  return { ...known, packed: packedOf(known) };
}

function packedOf({
  own: { fromMm, overMm, toMm },
  old,
  shadow,
  base: { whole, dark },
  lightness,
}: Omit<Light, 'packed'>): Packed | null {
  if (whole === null || old !== null || shadow !== null) return null;
  const out = new Float32Array(PACKED * fromMm.length);
  for (let s = 0, i = 0; s < fromMm.length; s += 1, i += PACKED) {
    out[i] = whole[s] - dark;
    // Lightener takes nothing away.
    out[i + 1] = max(0, lightness.own[s] - whole[s]);
    out[i + 2] = out[i + 1] > 0 ? fromMm[s] : Infinity;
    out[i + 3] = overMm[s];
    out[i + 4] = toMm[s];
  }
  return out;
}

/**
 * Where a strand's light begins, over how much, and where it ends, mm; from Infinity where nothing is
 * lightened.
 */
export const packedPlace = (packed: Packed, strand: number) => ({
  from: packed[PACKED * strand + 2],
  over: packed[PACKED * strand + 3],
  to: packed[PACKED * strand + 4],
});

function lightnessOfLevels(levels: Float32Array): Float32Array {
  const out = new Float32Array(levels.length);
  // Neighbours mostly come to the same level.
  let last = NaN;
  let lightness = 0;
  for (let i = 0; i < levels.length; i += 1) {
    if (levels[i] !== last) {
      last = levels[i];
      lightness = lightnessOf(last);
    }
    out[i] = lightness;
  }
  return out;
}

function noLayer(count: number): Layer {
  return {
    fromMm: new Float32Array(count).fill(Infinity),
    overMm: new Float32Array(count),
    toMm: new Float32Array(count).fill(Infinity),
    level: new Float32Array(count).fill(BRIGHT_LEVEL),
  };
}

/** Light of before, moved out by what grew until this plan and since. */
function olderOf({ own, old }: Light, untilNow: (root: number) => number, since: number): Layer {
  const fromMm = Float32Array.from(
    own.fromMm,
    (from, i) => min(from, old?.fromMm[i] ?? Infinity) + untilNow(i) + since,
  );
  return {
    fromMm,
    overMm: own.overMm,
    toMm: Float32Array.from(own.toMm, (to, i) => to + untilNow(i) + since),
    level: own.level,
  };
}

/** How far a strand is lightened so far from its root: 0 as it was before, 1 lightened. */
export function lightAt(light: Light, strand: number, along: number): number {
  const f = liftedAt(light, strand, along);
  return f > 0 ? f * uncovered(light, along) : 0;
}

/** Whether the light there is this plan's rather than that of before. */
export function isOwnAt({ own, old }: Light, strand: number, along: number): boolean {
  return old === null || layerAt(own, strand, along) >= layerAt(old, strand, along);
}

/**
 * OKLab lightness of a strand so far from its root, 0–1: the hair as it was, lightened by both layers, under
 * a root shadow.
 */
export function lightnessAt(light: Light, strand: number, along: number): number {
  const { base, lightness, own, old, shadow, packed } = light;
  if (packed !== null) return base.dark + packedAt(packed, strand, along);
  const f = layerAt(own, strand, along);
  let seen: number;
  if (f >= 1 && lightness.own[strand] >= base.most) seen = lightness.own[strand];
  else {
    seen = baseAt(base, strand, along);
    if (old !== null) seen += max(0, lightness.old[strand] - seen) * layerAt(old, strand, along);
    // Lightener takes nothing away.
    seen += max(0, lightness.own[strand] - seen) * f;
  }
  if (shadow === null) return seen;
  const share = uncovered(light, along);
  return share >= 1 ? seen : base.dark + (seen - base.dark) * share;
}

/** The same above the natural level, of hair that is one colour along all of its length. */
export function packedAt(packed: Packed, strand: number, along: number): number {
  const s = PACKED * strand;
  const past = along - packed[s + 2];
  if (past < 0 || along > packed[s + 4]) return packed[s];
  const over = packed[s + 3];
  return packed[s] + (past >= over ? packed[s + 1] : (packed[s + 1] * past) / over);
}

/**
 * How light a strand is seen so far from its root: 0 as the head's natural level, 1 as light as what is
 * wished for.
 */
export function seenAt(light: Light, strand: number, along: number): number {
  return min(1, max(0, (lightnessAt(light, strand, along) - light.base.dark) / light.base.span));
}

/** The same without anything that the visit does. */
export function baseLightAt({ base }: Light, strand: number, along: number): number {
  return min(1, max(0, (baseAt(base, strand, along) - base.dark) / base.span));
}

const baseAt = ({ whole, lightness, bases }: BaseLight, strand: number, along: number): number =>
  whole !== null ? whole[strand] : lightness[bases.baseAt(strand, along)];

function liftedAt({ own, old }: Light, strand: number, along: number): number {
  const f = layerAt(own, strand, along);
  return old !== null && f < 1 ? max(f, layerAt(old, strand, along)) : f;
}

/** Share of the light that a root shadow leaves. */
function uncovered({ shadow, grownMm }: Light, along: number): number {
  // What grew after the deposit is not covered.
  if (shadow === null || along < grownMm) return 1;
  return min(1, max(0, (along - grownMm) / shadow.mm - 1));
}

function layerAt({ fromMm, overMm, toMm }: Layer, strand: number, along: number): number {
  const past = along - fromMm[strand];
  if (past < 0 || along > toMm[strand]) return 0;
  const over = overMm[strand];
  return past >= over ? 1 : past / over;
}
