import { ZONES as ZONE_NAMES, type Roots } from '../head';
import {
  createPatternEngine,
  foilsOfRoots,
  Remembered,
  type ComputedPlan,
  type FoiledRoots,
  type PatternEngine,
  type Plan,
} from '../pattern';
import { lengths } from './cut';
import { lightOf, onHair, type Light, type LightFacts, type RootShadow } from './light';
import { baseLightOf, basesOf, type Bases } from './shade';
import type { WearSubject } from './subject';
import { hairRoots, USUAL_STRANDS, type HairRoots } from './worn';

const MOST_HEADS = 3;
/** The plan as it is, as it was last visit, beside another, and its phases. */
const MOST_PATTERNS = 8;

/**
 * Works out where the hair of a client is light, remembering heads and plans; what it remembers never changes
 * a result.
 */
export class LightStudio {
  private readonly heads = new Remembered<HairRoots>(MOST_HEADS);
  private readonly patterns = new Remembered<{ computed: ComputedPlan; foiled: FoiledRoots }>(MOST_PATTERNS);

  /** @param strands about how many hairs */
  constructor(
    readonly engine: PatternEngine = createPatternEngine(),
    protected readonly strands = USUAL_STRANDS,
  ) {}

  roots({ head }: Pick<Plan, 'head'>): HairRoots {
    return this.heads.get(headKeyOf(head), () => hairRoots(head, this.strands));
  }

  /**
   * A plan as the engine computes it, and the roots in its foils: the same for every week, way and measure.
   */
  protected pattern(plan: Plan, computed?: ComputedPlan): { computed: ComputedPlan; foiled: FoiledRoots } {
    return this.patterns.get(JSON.stringify(plan), () => {
      const computedPlan = computed ?? this.engine.compute(plan);
      return { computed: computedPlan, foiled: foilsOfRoots(this.roots(plan).index, computedPlan) };
    });
  }

  /** @param computed the plan as it was computed already, where it was */
  light(subject: WearSubject, weeks: number, computed?: ComputedPlan): Light {
    const { plan, cut, mmPerWeek, shadowMm, letters, levels, usualLevel, before } = subject;
    const { roots } = this.roots(plan).index;
    const shadow: RootShadow | null = shadowMm === null ? null : { mm: shadowMm };
    const lightFrom = (current: Plan, facts: LightFacts, known?: ComputedPlan) => {
      const pattern = this.pattern(current, known);
      return lightOf(current, pattern.computed, roots, pattern.foiled, facts);
    };
    const light = lightFrom(
      plan,
      {
        grownMm: weeks * mmPerWeek,
        shadow,
        cut,
        letters,
        levels,
        usualLevel,
        before: before && {
          // On today's head and hair.
          light: lightFrom(
            { ...before.plan, head: plan.head, hair: plan.hair },
            { cut, usualLevel: before.level },
          ),
          grownMm: (root) => before.grownByZone[ZONE_NAMES[roots.zone[root]]] ?? before.grownMm,
        },
      },
      computed,
    );
    return onHair(
      subject.done === null ? light : asDone(light, subject.done, roots),
      baseLightOf(this.bases(subject, weeks, light), subject.colour),
    );
  }

  /** What each strand is without this plan's light. */
  private bases(
    { plan, cut, colour, mmPerWeek }: WearSubject,
    weeks: number,
    { lowlit }: Pick<Light, 'lowlit'>,
  ): Bases {
    const { head, roots } = this.roots(plan);
    return basesOf(
      roots,
      { ...colour, grownMm: weeks * mmPerWeek, tonerLeft: 0 },
      lengths(plan, roots, head, cut),
      lowlit,
    );
  }
}

/** One word for a head as far as its roots go by it. */
export const headKeyOf = ({ part: _part, ...spec }: Plan['head']): string => JSON.stringify(spec);

/** Starts further on than this are the ends' own: a record says nothing of them. mm */
const AT_THE_ROOT_MM = 60;

/**
 * Light as a record says that it came out: what was left at the root and the level, by zone; a zone that was
 * not worked has none at its root.
 */
function asDone(light: Light, done: NonNullable<WearSubject['done']>, roots: Roots): Light {
  const zones = ZONE_NAMES.map((zone) => done[zone]);
  return {
    ...light,
    own: {
      ...light.own,
      fromMm: light.own.fromMm.map((from, i) => {
        const own = zones[roots.zone[i]];
        if (own) return from + own.byMm;
        return from < AT_THE_ROOT_MM + light.grownMm ? Infinity : from;
      }),
      level: light.own.level.map((planned, i) => zones[roots.zone[i]]?.level ?? planned),
    },
  };
}
