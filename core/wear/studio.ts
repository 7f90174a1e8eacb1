import { ZONES as ZONE_NAMES, type Zone } from '../head';
import { growthRate } from '../growth';
import { createPatternEngine, foilsOfRoots, Remembered, type ComputedPlan, type FoiledRoots, type PatternEngine, type Plan } from '../pattern';
import type { Letters } from '../work';
import { findingsOf, type Finding, type Seen } from './findings';
import { lengths, lightAt, lightOf, NO_LETTERS, type Light, type LightFacts, type RootShadow } from './light';
import { crownLight, lookOf, underLight, type Look } from './look';
import { partLightOf, partStrip, partSteps, partTolerance, type PartStrip } from './part-tolerance';
import { meanStripe, PHASES, shifted } from './phases';
import { litOf } from './lit';
import { rootWindows, stepBetween, weeksToLine } from './root-line';
import { baseShares, basesOf, paletteOf, type Bases, type Colouring, type HairFacts } from './shade';
import { stripeOf } from './stripe';
import { worthOfFoils, type Worth, type WornShare } from './worth';
import { hairRoots, layHair, USUAL_STRANDS, type HairRoots, type WornHair } from './worn';
import { VIEW_NAMES, wayKey, type Curl, type View, type Way } from './ways';

/** A plan on a client, as wear looks at it. */
export interface WearSubject {
  readonly plan: Plan;
  readonly curl: Curl;
  readonly colour: Omit<HairFacts, 'grownMm' | 'tonerLeft'>;
  readonly mmPerWeek: number;
  /** Weeks that a toner lasts; null where none is planned. */
  readonly tonerWeeks: number | null;
  readonly shadowMm: number | null;
  /** What the formulas do: which lift and which deposit, and how far they reach. */
  readonly letters: Letters;
  /** Light left from the visit before: its plan, and what has grown since by zone (mm), or overall. */
  readonly before: { readonly plan: Plan; readonly grownMm: number; readonly grownByZone: Readonly<Partial<Record<Zone, number>>> } | null;
  /** Shares of the time that hair is worn tied and half up, 0–1. */
  readonly tiedShare: number;
  readonly halfUpShare: number;
  readonly brightnessWish: number;
  readonly partMoves: 'never' | 'sometimes' | 'often' | null;
  readonly weeksBetween: number | null;
}

/** A bare plan as a subject: average growth, a neutral tone two levels up, worn down for three fifths of the time. */
export function subjectOf(plan: Plan, known: Partial<WearSubject> = {}): WearSubject {
  return {
    plan, curl: 'straight', colour: { naturalLevel: 6, byZone: {}, regrowthMm: {}, targetLevel: 9, tone: null }, mmPerWeek: growthRate([]).mmPerWeek, tonerWeeks: null,
    shadowMm: null, letters: NO_LETTERS, before: null, tiedShare: 0.4, halfUpShare: 0, brightnessWish: 3, partMoves: null, weeksBetween: null, ...known,
  };
}

/** Hair laid in several ways is kept up to this; what was used longest ago goes first. */
const MOST_BYTES = 160e6;
const MOST_HEADS = 3;
const MOST_STRIPS = 8 * partSteps().length;
const MOST_PALETTES = 24;
/** The plan as it is, as it was last visit, beside another, and its phases. */
const MOST_PATTERNS = 8;

/**
 * Lays hair and looks at it, remembering heads and ways of wearing: an edit of a pattern then only colours anew. What it
 * remembers never changes a result.
 */
export class WearStudio {
  private readonly heads = new Remembered<HairRoots>(MOST_HEADS);
  private readonly worn = new Map<string, WornHair>();
  private readonly strips = new Remembered<PartStrip>(MOST_STRIPS);
  private readonly palettes = new Remembered<Float32Array>(MOST_PALETTES);
  private readonly patterns = new Remembered<{ computed: ComputedPlan; foiled: FoiledRoots }>(MOST_PATTERNS);

  /** @param mostBytes laid hair is kept up to this, beside the way that is being looked at */
  constructor(readonly engine: PatternEngine = createPatternEngine(), private readonly strands = USUAL_STRANDS, private readonly mostBytes = MOST_BYTES) {}

  roots({ head }: Pick<Plan, 'head'>): HairRoots {
    return this.heads.get(headKey(head), () => hairRoots(head, this.strands));
  }

  hair({ head, hair }: Pick<Plan, 'head' | 'hair'>, way: Way, curl: Curl = 'straight'): WornHair {
    const key = `${hairKey({ head, hair }, curl)} ${wayKey(way)}`;
    const own = this.worn.get(key) ?? layHair(this.roots({ head }), hair, way, curl);
    this.worn.delete(key);
    this.worn.set(key, own);
    this.forget(key);
    return own;
  }

  /** Bytes of laid hair that are kept at present. */
  get bytes(): number {
    let sum = 0;
    for (const own of this.worn.values()) sum += own.bytes();
    return sum;
  }

  private forget(current: string): void {
    for (const key of this.worn.keys()) {
      if (this.bytes <= this.mostBytes || key === current) return;
      this.worn.delete(key);
    }
  }

  private strip(subject: WearSubject, byMm: number): PartStrip {
    const { plan, curl } = subject;
    const { offsetMm } = plan.head.part;
    return this.strips.get(`${hairKey(plan, curl)} part ${offsetMm} ${byMm}`, () => partStrip(this.roots(plan), plan.hair, offsetMm, byMm, curl));
  }

  /** A plan as the engine computes it, and the roots in its foils: the same for every week, way and measure. */
  private pattern(plan: Plan, computed?: ComputedPlan): { computed: ComputedPlan; foiled: FoiledRoots } {
    return this.patterns.get(JSON.stringify(plan), () => {
      const own = computed ?? this.engine.compute(plan);
      return { computed: own, foiled: foilsOfRoots(this.roots(plan).index, own) };
    });
  }

  /** @param computed the plan as it was computed already, where it was */
  light(subject: WearSubject, weeks: number, computed?: ComputedPlan): Light {
    const { plan, mmPerWeek, shadowMm, letters, before } = subject;
    const { roots } = this.roots(plan).index;
    const shadow: RootShadow | null = shadowMm === null ? null : { mm: shadowMm };
    const lightFrom = (own: Plan, facts: LightFacts, known?: ComputedPlan) => {
      const pattern = this.pattern(own, known);
      return lightOf(own, pattern.computed, roots, pattern.foiled, facts);
    };
    const light = lightFrom(plan, {
      grownMm: weeks * mmPerWeek, shadow, letters,
      before: before && {
        // On today's head and hair.
        light: lightFrom({ ...before.plan, head: plan.head, hair: plan.hair }, {}),
        grownMm: (root) => before.grownByZone[ZONE_NAMES[roots.zone[root]]] ?? before.grownMm,
      },
    }, computed);
    return { ...light, base: { bases: this.bases(subject, weeks, light), share: baseShares(subject.colour) } };
  }

  /** What each strand is without this plan's light. */
  private bases({ plan, colour, mmPerWeek }: WearSubject, weeks: number, { lowlit }: Pick<Light, 'lowlit'>): Bases {
    const { roots } = this.roots(plan).index;
    return basesOf(roots, { ...colour, grownMm: weeks * mmPerWeek, tonerLeft: 0 }, lengths(plan, roots), lowlit);
  }

  colouring(subject: WearSubject, weeks: number, light: Light = this.light(subject, weeks)): Colouring {
    const { colour, mmPerWeek, tonerWeeks } = subject;
    const tonerLeft = tonerWeeks === null ? 0 : Math.max(0, 1 - weeks / Math.max(0.1, tonerWeeks));
    const facts: HairFacts = { ...colour, grownMm: weeks * mmPerWeek, tonerLeft };
    return { light, bases: light.base?.bases ?? this.bases(subject, weeks, light), palette: this.palette(facts) };
  }

  /** Palettes of the last few colours: an edit of the pattern needs no new one. */
  private palette(facts: HairFacts): Float32Array {
    const key = `${facts.targetLevel} ${facts.tone} ${facts.tonerLeft.toFixed(2)}`;
    return this.palettes.get(key, () => paletteOf(facts));
  }

  look(subject: WearSubject, way: Way, weeks: number): Look {
    const { computed } = this.pattern(subject.plan);
    return lookOf(this.hair(subject.plan, way, subject.curl), this.light(subject, weeks, computed), computed);
  }

  /** Ways in which the client wears the hair, with their shares of the time. */
  shares({ plan, curl, tiedShare, halfUpShare }: WearSubject): WornShare[] {
    const down = Math.max(0, 1 - tiedShare - halfUpShare);
    const all: [Way, number][] = [[downOf(plan), down], [TIED, tiedShare], [{ kind: 'half-up' }, halfUpShare]];
    return all.filter(([, share]) => share > 0).map(([way, share]) => ({ hair: this.hair(plan, way, curl), share }));
  }

  worth(subject: WearSubject, computed: ComputedPlan = this.pattern(subject.plan).computed): Worth {
    return worthOfFoils(this.shares(subject), this.light(subject, 0, computed), computed.sheet.foils.length);
  }

  /**
   * The findings, first what is quickly known, then what takes more geometries; each step is at most a few tenths of a second, so
   * that it can be given up in between.
   * @yields the findings so far; null where nothing new is known yet
   * @param partByMm the part as it is looked at, from where it is worn
   */
  *findings(subject: WearSubject, weeks = 0, partByMm = 0): Generator<readonly Finding[] | null> {
    const { plan, curl, mmPerWeek, weeksBetween, shadowMm } = subject;
    const { computed } = this.pattern(plan);
    const light = this.light(subject, weeks);
    // A shadow that was wished for is no fault: hairline and part are judged by the light under it.
    const judged = shadowMm === null ? light : this.light({ ...subject, shadowMm: null }, weeks, computed);
    const down = { way: downOf(plan), hair: this.hair(plan, downOf(plan), curl) };
    // Side by side, so that something more urgent can come between.
    const laid = [down.hair, this.hair(plan, TIED, curl)];
    for (const hair of laid) {
      for (const view of VIEW_NAMES) {
        hair.surface(view);
        yield null;
      }
    }
    const lookIn = (way: Way) => ({ way, look: lookOf(this.hair(plan, way, curl), light, computed, judged) });
    let seen: Seen = {
      plan, computed, head: down.hair.head, down: { way: down.way, look: lookOf(down.hair, light, computed, judged) }, tied: lookIn(TIED),
      brightnessWish: subject.brightnessWish, tiedShare: subject.tiedShare, partMoves: subject.partMoves,
    };
    if (partByMm !== 0) {
      const [own, there] = [0, partByMm].map((byMm) => partLightOf(this.strip(subject, byMm), judged).light);
      seen = { ...seen, moved: { byMm: partByMm, light: there, own } };
    }
    const oldMm = oldLineMm(subject);
    if (oldMm !== null) seen = { ...seen, demarcation: this.demarcation(subject, down.hair, oldMm) };
    yield findingsOf(seen);
    if (computed.sheet.foils.length + computed.sheet.painted.length === 0) return;

    const fresh = weeks === 0 ? light : this.light(subject, 0, computed);
    const windows = rootWindows(down.hair.rootMap(), down.hair.strands, fresh);
    seen = {
      ...seen, worth: this.worth(subject, computed), warm: halfLifted(down.hair, light),
      line: { weeks: weeksToLine(windows, mmPerWeek, contrastOf(subject)), weeksBetween },
      ...(shadowMm !== null && { shadowed: this.shadowed(subject, computed) }),
    };
    yield findingsOf(seen);
    seen = { ...seen, under: underLight(this.hair(plan, { kind: 'lifted' }, curl), light) };
    yield findingsOf(seen);
    const blown: Way = { kind: 'blown', partMm: plan.head.part.offsetMm };
    seen = { ...seen, blownCrown: { way: blown, light: crownLight(this.hair(plan, blown, curl), light) } };
    yield findingsOf(seen);

    // Stripes as the mean over phases of the pattern.
    const looks = { down: [seen.down.look], tied: [seen.tied.look] };
    for (const share of PHASES.slice(1)) {
      const moved = this.light({ ...subject, plan: shifted(plan, computed.sheet, share) }, weeks);
      for (const [key, way] of [['down', down.way], ['tied', TIED]] as const) {
        const hair = this.hair(plan, way, curl);
        const stripe = Object.fromEntries(VIEW_NAMES.map((view) => [view, stripeOf(hair.flow(view), litOf(hair.surface(view), moved))])) as Record<View, number>;
        looks[key].push({ ...seen[key].look, stripe });
      }
    }
    const meaned = (all: readonly Look[]) => Object.fromEntries(VIEW_NAMES.map((view) => [view, meanStripe(all.map(({ stripe }) => stripe[view]))])) as Record<View, number>;
    seen = {
      ...seen, down: { ...seen.down, look: { ...seen.down.look, stripe: meaned(looks.down) } }, tied: { ...seen.tied, look: { ...seen.tied.look, stripe: meaned(looks.tied) } },
    };
    yield findingsOf(seen);

    if (plan.head.part.none) return;
    const lights = [];
    for (const byMm of partSteps()) {
      lights.push(partLightOf(this.strip(subject, byMm), judged));
      yield null;
    }
    seen = { ...seen, part: partTolerance(lights) };
    yield findingsOf(seen);
  }

  /** The line of earlier light, where it has grown to: as it would be without this plan, and with it. */
  private demarcation(subject: WearSubject, hair: WornHair, grownMm: number): Seen['demarcation'] {
    const [before, now] = [{ ...subject, plan: { ...subject.plan, panels: [] } }, subject].map((own) =>
      stepBetween(rootWindows(hair.rootMap(), hair.strands, this.light(own, 0)), grownMm - 8, grownMm + 14));
    return { before, now, atMm: grownMm };
  }

  /** What the rows at the hairline earn under the root shadow that is planned, and what without. */
  private shadowed(subject: WearSubject, computed: ComputedPlan): Seen['shadowed'] {
    const own = computed.sheet.foils.map((foil, i) => ({ foil, i })).filter(({ foil }) => /hairline|temple/.test(foil.zone));
    const points = (shadowMm: number | null) => {
      const { foils } = this.worth({ ...subject, shadowMm }, computed);
      return own.reduce((sum, { i }) => sum + foils[i], 0);
    };
    return {
      mm: subject.shadowMm!, withPoints: points(subject.shadowMm), withoutPoints: points(null), panels: [...new Set(own.map(({ foil }) => foil.panel))],
      minutes: own.reduce((sum, { foil }) => sum + foil.seconds / 60, 0),
    };
  }
}

/** Mid-lengths so much lighter than the root make a line, levels; nearer to the scalp than this no line has grown out, mm. */
const OLD_LINE = { levels: 1, mm: 8 } as const;

/** How far from the scalp earlier light begins, mm: that of the visit before, else as the hair map has it; null where there is none. */
function oldLineMm({ before, colour }: WearSubject): number | null {
  if (before) return before.grownMm;
  const grown = ZONE_NAMES.flatMap((zone) => {
    const { midsLevel, naturalLevel = colour.naturalLevel } = colour.byZone[zone] ?? {};
    const mm = colour.regrowthMm[zone];
    const lighter = midsLevel !== undefined && midsLevel - naturalLevel >= OLD_LINE.levels;
    return lighter && mm !== undefined && mm >= OLD_LINE.mm ? [mm] : [];
  }).sort((a, b) => a - b);
  return grown.length === 0 ? null : grown[grown.length >> 1];
}

/** Levels between base and light. */
const contrastOf = ({ colour }: WearSubject): number => Math.max(0, colour.targetLevel - colour.naturalLevel);

export const TIED: Way = { kind: 'tied', at: 'middle' };

/** Worn down with the plan's own part; without one as with one in the middle. */
export function downOf({ head }: Pick<Plan, 'head'>): Way {
  return { kind: 'down', partMm: head.part.none ? 0 : head.part.offsetMm };
}

/** Share of what is seen that is between as it grew and light. */
function halfLifted(hair: WornHair, light: Light): number {
  let sum = 0;
  let covered = 0;
  for (const view of VIEW_NAMES) {
    const own = hair.surface(view);
    covered += own.covered;
    for (let i = 0; i < own.count; i += 1) {
      const f = lightAt(light, own.strand[i], own.along[i]);
      if (f > 0.15 && f < 0.85) sum += own.weight[i];
    }
  }
  return covered > 0 ? sum / covered : 0;
}

const headKey = ({ part: _part, ...spec }: Plan['head']) => JSON.stringify(spec);
const hairKey = ({ head, hair }: Pick<Plan, 'head' | 'hair'>, curl: Curl) => {
  // Laying goes by length and density alone.
  const byZone = Object.entries(hair.byZone).map(([zone, own]) => [zone, own.lengthMm, own.densityPerCm2]);
  return `${headKey(head)} ${hair.lengthMm} ${hair.densityPerCm2} ${JSON.stringify(byZone)} ${curl}`;
};
