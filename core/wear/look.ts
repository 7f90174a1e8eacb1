import { makeHead, makeRoots, makeScalp, makeScalpGrid, ZONES, type Head } from '../head';
import { foilsOfRoots, indexRoots, type PatternEngine, type Plan, type RootIndex } from '../pattern';
import { lightOf } from './light';
import { brightnessOf, hairlineLight } from './measures';
import { makeStrands, type Strands } from './strands';
import { seenFrom, type Surface } from './surface';
import { VIEWS, type View, type Way } from './ways';

/** What an onlooker would notice of a plan, worn one way. Estimates of placement and contrast, not of colour. */
export interface Look {
  readonly foils: number;
  /** Share of the hair that is lightened, 0–1. */
  readonly lightenedShare: number;
  /** Share of what is seen that is light, 0–1, by view. */
  readonly brightness: Readonly<Record<View, number>>;
  /** Longest stretch of hairline without light behind it; null where the hair is not tied back. */
  readonly longestUnlit: { readonly mm: number; readonly fromDeg: number; readonly toDeg: number; readonly place: string } | null;
}

/** Fewer strands make the measures noisy. */
export const USUAL_STRANDS = 20_000;

/**
 * Looks at a plan as it is worn.
 * @param grownMm growth since the service, mm
 * @param strands about how many; from 15 000 on the measures hold still
 */
export function lookAt(plan: Plan, engine: PatternEngine, way: Way, grownMm = 0, strands = USUAL_STRANDS): Look {
  return lookOn(wornHair(plan, way, strands), plan, engine, grownMm);
}

/** Hair worn one way, and what is seen of it: it does not depend on the pattern, and serves all patterns on this head and hair. */
export interface WornHair {
  readonly head: Head;
  readonly way: Way;
  readonly roots: RootIndex;
  readonly strands: Strands;
  readonly surfaces: readonly Surface[];
}

/** Lays the hair of a head as it is worn. */
export function wornHair({ head: spec, hair }: Pick<Plan, 'head' | 'hair'>, way: Way, count = USUAL_STRANDS): WornHair {
  const head = makeHead(spec);
  const roots = makeRoots(makeScalpGrid(makeScalp(head)), count);
  const lengthOf = (root: number) => hair.byZone[ZONES[roots.zone[root]]]?.lengthMm ?? hair.lengthMm;
  const strands = makeStrands(head, roots, way, lengthOf);
  return { head, way, roots: indexRoots(roots), strands, surfaces: views.map((view) => seenFrom(head, strands, view)) };
}

const views = Object.keys(VIEWS) as View[];

/** Looks at a plan on hair that was laid before: only the colour is new. */
export function lookOn({ head, way, roots, strands, surfaces }: WornHair, plan: Plan, engine: PatternEngine, grownMm = 0): Look {
  const computed = engine.compute(plan);
  const light = lightOf(plan, computed, roots.roots, foilsOfRoots(roots, computed), grownMm);
  const { totals } = computed.sheet;
  const unlit = way.kind === 'tied' ? hairlineLight(head, strands, surfaces, light).longest : null;
  return {
    foils: totals.foils,
    lightenedShare: totals.lightenedShare,
    brightness: Object.fromEntries(views.map((view, i) => [view, brightnessOf(surfaces[i], light)])) as Record<View, number>,
    longestUnlit: unlit && { ...unlit, place: placeOf(unlit.fromDeg, unlit.toDeg) },
  };
}

/** Where a stretch of hairline lies, by the azimuth of its middle; the client's side. */
export function placeOf(fromDeg: number, toDeg: number): string {
  const middle = ((fromDeg + (((toDeg - fromDeg) % 360) + 360) % 360 / 2 + 540) % 360) - 180;
  const off = Math.abs(middle);
  const side = middle >= 0 ? 'left' : 'right';
  if (off <= 12) return 'middle of the forehead';
  if (off <= 42) return `side of the forehead, ${side}`;
  if (off <= 80) return `temple, ${side}`;
  if (off <= 105) return `over the ear, ${side}`;
  if (off <= 142) return `behind the ear, ${side}`;
  return 'nape';
}
