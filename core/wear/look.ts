import { byKey } from '../units';
import { foilsOfRoots, type ComputedPlan, type PatternEngine, type Plan } from '../pattern';
import { USUAL_SHAPE, type Shape } from './cut';
import { hairlineLight, placeOf, type Unlit } from './hairline-light';
import { lightOf, type Light, type LightFacts } from './light';
import { brightnessOf, litOf } from './lit';
import { crownRegion, partRegion, underRegion } from './regions';
import { stripeOf } from './stripe';
import { hairRoots, layHair, USUAL_STRANDS, type HairRoots, type WornHair } from './worn';
import { VIEW_NAMES, type View, type Way } from './ways';

/** A stretch of hairline without light, and where it is. */
export interface UnlitPlace extends Unlit {
  readonly place: string;
}

/**
 * What an onlooker would notice of a plan, worn one way. Estimates of placement and contrast, not of colour.
 */
export interface Look {
  readonly foils: number;
  /** Share of what is seen that is light, 0–1, by view. */
  readonly brightness: Readonly<Record<View, number>>;
  /** The same within 15 mm of the part; null where hair is worn without one. */
  readonly part: number | null;
  /** The same at the crown, from behind. */
  readonly crown: number;
  /** The same of the underneath; null where it does not lie open. */
  readonly under: number | null;
  /** How striped each view is; about 0.09 is chance. */
  readonly stripe: Readonly<Record<View, number>>;
  /** Stretches of hairline without light behind them, longest first; null where the hair is not tied back. */
  readonly unlit: readonly UnlitPlace[] | null;
}

/** The light of a plan on a head's hair. */
export function lightOn(
  { index }: HairRoots,
  plan: Plan,
  computed: ComputedPlan,
  facts: LightFacts = {},
): Light {
  return lightOf(plan, computed, index.roots, foilsOfRoots(index, computed), facts);
}

/**
 * Looks at light on hair that was laid before: only the colour is new.
 * @param judged what the hairline is judged by: the light under a root shadow that was wished for
 */
export function lookOf(
  hair: WornHair,
  light: Light,
  { sheet }: Pick<ComputedPlan, 'sheet'>,
  judged = light,
): Look {
  const { way, head } = hair;
  const lit = new Map(VIEW_NAMES.map((view) => [view, litOf(hair.surface(view), light)]));
  const byView = (measure: (view: View) => number) => byKey(VIEW_NAMES, measure);
  const within = (view: View, region: Parameters<typeof brightnessOf>[2]) =>
    brightnessOf(hair.surface(view), lit.get(view)!, region);
  const { unlit } =
    way.kind === 'tied' || way.kind === 'bun'
      ? hairlineLight(hair.hairline(), hair.surfaces(), judged)
      : { unlit: null };
  return {
    foils: sheet.totals.foils,
    brightness: byView((view) => within(view, undefined)),
    part: 'partMm' in way ? within('top', partRegion(head, hair.surface('top'), way.partMm)) : null,
    crown: crownLight(hair, light, lit.get('back')),
    under: way.kind === 'lifted' ? underLight(hair, light, lit) : null,
    stripe: byView((view) => stripeOf(hair.flow(view), lit.get(view)!)),
    unlit: unlit && unlit.map((current) => ({ ...current, place: placeOf(current.fromDeg, current.toDeg) })),
  };
}

/** Share of the crown that is light, seen from behind. @param lit its light by pixel, where it is known */
export function crownLight(hair: WornHair, light: Light, lit?: Float32Array): number {
  const surface = hair.surface('back');
  return brightnessOf(surface, lit ?? litOf(surface, light), crownRegion(hair.head, surface));
}

const UNDER_VIEWS = ['left', 'right', 'back'] as const;

/**
 * Share of the underneath that is light, seen from behind and both sides.
 * @param lit light by pixel of views that are known
 */
export function underLight(hair: WornHair, light: Light, lit?: ReadonlyMap<View, Float32Array>): number {
  return UNDER_VIEWS.reduce((sum, view) => {
    const surface = hair.surface(view);
    return (
      sum +
      brightnessOf(surface, lit?.get(view) ?? litOf(surface, light), underRegion(hair.head, surface)) /
        UNDER_VIEWS.length
    );
  }, 0);
}

/**
 * Looks at a plan as it is worn.
 * @param strands about how many; from 15 000 on the measures hold still
 */
export function lookAt(
  plan: Plan,
  engine: PatternEngine,
  way: Way,
  facts: LightFacts = {},
  strands = USUAL_STRANDS,
  shape: Shape = USUAL_SHAPE,
): Look {
  const roots = hairRoots(plan.head, strands);
  const computed = engine.compute(plan);
  return lookOf(layHair(roots, plan.hair, way, shape), lightOn(roots, plan, computed, facts), computed);
}
