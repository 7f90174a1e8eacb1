import { makeHead, makeRoots, makeScalp, makeScalpGrid } from '../head';
import { indexRoots, type Plan, type RootIndex } from '../pattern';
import { toEnd } from '../units';
import { hairlineMap, type HairlineMap } from './hairline-light';
import { USUAL_SHAPE, type Shape } from './cut';
import { growing } from './growing';
import { densityOf, type Density } from './density';
import { fibresOf, type Fibres } from './fibres';
import type { Lamp } from './lamps';
import { nearestGuides, strandsInSteps, type Rooted, type Strands } from './strands';
import { chanceOf, flowOf, type Flow } from './stripe';
import { PIXEL_MM, seenFrom, type Surface } from './surface';
import { sideKey, VIEW_NAMES, type Side, type View, type Way } from './ways';

/** Fewer strands make the measures noisy. */
export const USUAL_STRANDS = 20_000;

/** The roots of a head, from which its hair is laid one way or another. */
export interface HairRoots extends Rooted {
  readonly index: RootIndex;
}

/** About so many guides lead the hair of a head. */
const GUIDES = 500;

/** Sows a head. @param count about how many; from 15 000 on the measures hold still */
export function hairRoots(spec: Plan['head'], count = USUAL_STRANDS): HairRoots {
  const head = makeHead(spec);
  const grid = makeScalpGrid(makeScalp(head));
  const roots = makeRoots(grid, count);
  // Guides are wanted only where hair is laid.
  let led: Pick<Rooted, 'guides' | 'near'> | undefined;
  const lead = () => {
    const guides = makeRoots(grid, GUIDES);
    return (led ??= { guides, near: nearestGuides(roots, guides) });
  };
  return {
    head,
    roots,
    index: indexRoots(roots),
    get guides() {
      return (led ?? lead()).guides;
    },
    get near() {
      return (led ?? lead()).near;
    },
  };
}

/**
 * Hair worn one way, and what is seen of it: it does not depend on the pattern, and serves all patterns on
 * this head and
 * hair. Views and what is derived from them are found when they are first asked for, and kept.
 */
export interface WornHair extends HairRoots {
  readonly way: Way;
  readonly strands: Strands;
  /** @param pixelMm finer than the measures need, for a picture */
  surface(view: View, pixelMm?: number): Surface;
  surfaces(): readonly Surface[];
  /** Hair as a picture shows it. */
  fibres(side: Side, lamp: Lamp, pixelMm: number): Fibres;
  flow(view: View): Flow;
  /** How thick the hair stands. */
  density(): Density;
  /**
   * How striped a view is by chance: hair lit here and there, a quarter of it; for all hair lit by halves 1.
   */
  chance(view: View): number;
  hairline(): HairlineMap;
  /** Bytes that it holds at present. */
  bytes(): number;
}

/** Lays the hair of a head as it is worn. */
export const layHair = (...given: Parameters<typeof layHairInSteps>): WornHair =>
  toEnd(layHairInSteps(...given));

/**
 * The same step by step.
 * @yields how far it has come, 0–1
 */
export function* layHairInSteps(
  rooted: HairRoots,
  hair: Plan['hair'],
  way: Way,
  { curl, cut }: Shape = USUAL_SHAPE,
): Generator<number, WornHair> {
  const { head, roots } = rooted;
  const strands = yield* strandsInSteps(rooted, way, growing({ hair }, roots, head, cut), { curl, cut });
  const seen = new Map<string, Surface>();
  const drawn = new Map<string, Fibres>();
  let thick: Density | undefined;
  const density = () => (thick ??= densityOf(strands, head.k));
  const flows = new Map<View, Flow>();
  const chances = new Map<View, number>();
  let line: HairlineMap | undefined;
  const surface = (view: View, pixelMm = PIXEL_MM) => {
    const key = `${view} ${pixelMm}`;
    const own = seen.get(key) ?? seenFrom(head, strands, view, pixelMm);
    seen.set(key, own);
    return own;
  };
  const flowFor = (view: View) => {
    const flow = flows.get(view) ?? flowOf(surface(view), strands);
    flows.set(view, flow);
    return flow;
  };
  const surfaces = () => VIEW_NAMES.map((view) => surface(view));
  return {
    head,
    roots,
    guides: rooted.guides,
    near: rooted.near,
    index: rooted.index,
    way,
    strands,
    surface,
    surfaces,
    fibres: (side, lamp, pixelMm) => {
      const key = `${sideKey(side)} ${lamp} ${pixelMm}`;
      const fibres = drawn.get(key) ?? fibresOf(head, strands, density(), side, lamp, pixelMm);
      if (typeof side === 'string') drawn.set(key, fibres);
      return fibres;
    },
    flow: flowFor,
    density,
    chance: (view) => {
      const chance = chances.get(view) ?? chanceOf(flowFor(view), surface(view), strands);
      chances.set(view, chance);
      return chance;
    },
    hairline: () => (line ??= hairlineMap(head, strands, surfaces())),
    bytes: () => {
      let sum = strands.xyz.byteLength;
      for (const { count, depth } of seen.values()) sum += 12 * count + 8 * depth.length;
      for (const { strand, start, skin } of drawn.values())
        sum += 10 * strand.length + 4 * start.length + 2 * skin.length;
      if (thick) sum += thick.perMm.byteLength;
      for (const { along, across } of flows.values()) sum += along.byteLength + across.byteLength;
      if (line) for (const near of line.near) sum += near.byteLength;
      return sum;
    },
  };
}
