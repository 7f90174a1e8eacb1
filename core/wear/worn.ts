import { makeHead, makeRoots, makeScalp, makeScalpGrid, type Head } from '../head';
import { indexRoots, type Plan, type RootIndex } from '../pattern';
import { hairlineMap, type HairlineMap } from './hairline-light';
import { growing } from './growing';
import { shadingOf, type Shading } from './picture';
import { makeStrands, type Strands } from './strands';
import { chanceOf, flowOf, type Flow } from './stripe';
import { PIXEL_MM, seenFrom, type Surface } from './surface';
import { VIEW_NAMES, type Curl, type View, type Way } from './ways';

/** Fewer strands make the measures noisy. */
export const USUAL_STRANDS = 20_000;

/** The roots of a head, from which its hair is laid one way or another. */
export interface HairRoots {
  readonly head: Head;
  readonly index: RootIndex;
}

/** Sows a head. @param count about how many; from 15 000 on the measures hold still */
export function hairRoots(spec: Plan['head'], count = USUAL_STRANDS): HairRoots {
  const head = makeHead(spec);
  return { head, index: indexRoots(makeRoots(makeScalpGrid(makeScalp(head)), count)) };
}

/**
 * Hair worn one way, and what is seen of it: it does not depend on the pattern, and serves all patterns on this head and
 * hair. Views and what is derived from them are found when they are first asked for, and kept.
 */
export interface WornHair extends HairRoots {
  readonly way: Way;
  readonly strands: Strands;
  /** @param pixelMm finer than the measures need, for a picture */
  surface(view: View, pixelMm?: number): Surface;
  surfaces(): readonly Surface[];
  shading(view: View, pixelMm?: number): Shading;
  flow(view: View): Flow;
  /** How striped a view is by chance: hair lit here and there, a quarter of it; for all hair lit by halves 1. */
  chance(view: View): number;
  hairline(): HairlineMap;
  /** Bytes that it holds at present. */
  bytes(): number;
}

/** Lays the hair of a head as it is worn. */
export function layHair({ head, index }: HairRoots, hair: Plan['hair'], way: Way, curl: Curl = 'straight'): WornHair {
  const { roots } = index;
  const strands = makeStrands(head, roots, way, growing({ hair }, roots), curl);
  const seen = new Map<string, Surface>();
  const shadings = new Map<string, Shading>();
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
    const own = flows.get(view) ?? flowOf(surface(view), strands);
    flows.set(view, own);
    return own;
  };
  const surfaces = () => VIEW_NAMES.map((view) => surface(view));
  return {
    head, index, way, strands, surface, surfaces,
    shading: (view, pixelMm = PIXEL_MM) => {
      const key = `${view} ${pixelMm}`;
      const own = shadings.get(key) ?? shadingOf(surface(view, pixelMm), strands);
      shadings.set(key, own);
      return own;
    },
    flow: flowFor,
    chance: (view) => {
      const own = chances.get(view) ?? chanceOf(flowFor(view), surface(view), strands);
      chances.set(view, own);
      return own;
    },
    hairline: () => (line ??= hairlineMap(head, strands, surfaces())),
    bytes: () => {
      let sum = strands.xyz.byteLength;
      for (const { count, depth } of seen.values()) sum += 12 * count + 8 * depth.length;
      for (const { own, skin } of shadings.values()) sum += 8 * own.length + 4 * skin.length;
      for (const { along, across } of flows.values()) sum += along.byteLength + across.byteLength;
      if (line) for (const near of line.near) sum += near.byteLength;
      return sum;
    },
  };
}
