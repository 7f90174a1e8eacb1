import {
  createPatternEngine,
  Remembered,
  type ComputedPlan,
  type PatternEngine,
  type Plan,
} from '../pattern';
import { silently, toEnd } from '../units';
import { cutKey, USUAL_SHAPE, type Shape } from './cut';
import { findingsOf, type Finding, type Seen } from './findings';
import { lightAt, type Light } from './light';
import { headKeyOf, LightStudio } from './light-studio';
import { LineReader, type HairLine } from './lines';
import { judgeOldLine } from './old-line';
import { crownLight, lookOf, underLight, type Look } from './look';
import { partLightOf, partStrip, partSteps, partTolerance, type PartStrip } from './part-tolerance';
import { meanStripe, PHASES, shifted } from './phases';
import { brightnessOf, litOf } from './lit';
import { colouringOf, paletteOf, type Colouring } from './shade';
import { standingOut, stripeOf } from './stripe';
import { bareOf, depositsOf, type WearSubject } from './subject';
import { worthOfFoils, type Worth, type WornShare } from './worth';
import { layHairInSteps, USUAL_STRANDS, type WornHair } from './worn';
import { VIEW_NAMES, wayKey, type View, type Way } from './ways';

/** Hair laid in several ways is kept up to this; what was used longest ago goes first. */
const MOST_BYTES = 160e6;
const MOST_STRIPS = 8 * partSteps().length;
const MOST_PALETTES = 24;
const MOST_BARES = 8;
/** Number of views whose stripes are measured over the phases of a pattern. */
const MOST_STRIPED = 4;

/**
 * Lays hair and looks at it, remembering heads and ways of wearing: an edit of a pattern then only colours
 * anew. What it
 * remembers never changes a result.
 */
export class WearStudio extends LightStudio {
  private readonly worn = new Map<string, WornHair>();
  private readonly strips = new Remembered<PartStrip>(MOST_STRIPS);
  private readonly palettes = new Remembered<Float32Array>(MOST_PALETTES);
  private readonly bares = new Remembered<readonly number[]>(MOST_BARES);
  private readonly reader: LineReader;

  /** @param mostBytes laid hair is kept up to this, beside the way that is being looked at */
  constructor(
    engine: PatternEngine = createPatternEngine(),
    strands = USUAL_STRANDS,
    private readonly mostBytes = MOST_BYTES,
  ) {
    super(engine, strands);
    this.reader = new LineReader(engine);
  }

  /** Lines along the hair, as every step of a visit reads them. */
  lines(subject: WearSubject): readonly HairLine[] {
    return this.reader.lines(subject, this.pattern(subject.plan).computed);
  }

  hair(...given: Parameters<WearStudio['hairInSteps']>): WornHair {
    return toEnd(this.hairInSteps(...given));
  }

  /**
   * Hair as it is worn, laid step by step where it is not known.
   * @yields how far it has come, 0–1
   */
  *hairInSteps(
    { head, hair }: Pick<Plan, 'head' | 'hair'>,
    way: Way,
    { curl, cut }: Shape = USUAL_SHAPE,
  ): Generator<number, WornHair> {
    const key = `${hairKey({ head, hair }, { curl, cut })} ${wayKey(way)}`;
    const wornHair =
      this.worn.get(key) ?? (yield* layHairInSteps(this.roots({ head }), hair, way, { curl, cut }));
    this.worn.delete(key);
    this.worn.set(key, wornHair);
    this.forget(key);
    return wornHair;
  }

  /** Hair of a subject, laid so that something more urgent may come between. */
  private laying(subject: WearSubject, way: Way): Generator<null, WornHair> {
    return silently(this.hairInSteps(subject.plan, way, subject));
  }

  /** Bytes of laid hair that are kept at present. */
  get bytes(): number {
    let sum = 0;
    for (const wornHair of this.worn.values()) sum += wornHair.bytes();
    return sum;
  }

  private forget(current: string): void {
    for (const key of this.worn.keys()) {
      if (this.bytes <= this.mostBytes || key === current) return;
      this.worn.delete(key);
    }
  }

  private strip(subject: WearSubject, byMm: number): PartStrip {
    const { plan } = subject;
    const { offsetMm } = plan.head.part;
    return this.strips.get(`${hairKey(plan, subject)} part ${offsetMm} ${byMm}`, () =>
      partStrip(this.roots(plan), plan.hair, offsetMm, byMm, subject),
    );
  }

  colouring(subject: WearSubject, weeks: number, light: Light = this.light(subject, weeks)): Colouring {
    const {
      colour: { tone },
      tonerWeeks,
      swatches,
    } = subject;
    const tonerLeft = tonerWeeks === null ? 0 : Math.max(0, 1 - weeks / Math.max(0.1, tonerWeeks));
    return colouringOf(light, (targetLevel) =>
      this.palettes.get(`${targetLevel} ${tone} ${tonerLeft.toFixed(2)} ${JSON.stringify(swatches)}`, () =>
        paletteOf({ targetLevel, tone, tonerLeft }, swatches),
      ),
    );
  }

  look(subject: WearSubject, way: Way, weeks: number): Look {
    const { computed } = this.pattern(subject.plan);
    return lookOf(this.hair(subject.plan, way, subject), this.light(subject, weeks, computed), computed);
  }

  /** Ways in which the client wears the hair, with their shares of the time. */
  shares(subject: WearSubject): WornShare[] {
    const { plan, tiedShare, halfUpShare } = subject;
    const down = Math.max(0, 1 - tiedShare - halfUpShare);
    const all: [Way, number][] = [
      [downOf(plan), down],
      [TIED, tiedShare],
      [{ kind: 'half-up' }, halfUpShare],
    ];
    return all
      .filter(([, share]) => share > 0)
      .map(([way, share]) => ({ hair: this.hair(plan, way, subject), share }));
  }

  worth(subject: WearSubject, computed: ComputedPlan = this.pattern(subject.plan).computed): Worth {
    return worthOfFoils(this.shares(subject), this.light(subject, 0, computed), computed.sheet.foils.length);
  }

  /**
   * The findings, first what is quickly known, then what takes more geometries; each step is at most a few
   * tenths of a second, so
   * that it can be given up in between.
   * @yields the findings so far; null where nothing new is known yet
   * @param partByMm the part as it is looked at, from where it is worn
   */
  *findings(subject: WearSubject, weeks = 0, partByMm = 0): Generator<readonly Finding[] | null> {
    const { plan, shadowMm } = subject;
    const { computed } = this.pattern(plan);
    const light = this.light(subject, weeks);
    // A shadow that was wished for is no fault: hairline and part are judged by the light under it.
    const judged = shadowMm === null ? light : this.light({ ...subject, shadowMm: null }, weeks, computed);
    const down = { way: downOf(plan), hair: yield* this.laying(subject, downOf(plan)) };
    // Side by side, so that something more urgent can come between.
    const laid = [down.hair, yield* this.laying(subject, TIED)];
    for (const hair of laid) {
      for (const view of VIEW_NAMES) {
        hair.surface(view);
        yield null;
      }
    }
    const [downLook, tiedLook] = laid.map((hair) => lookOf(hair, light, computed, judged));
    const [bareDown, bareTied] = this.bare(subject, weeks, laid);
    const { brightnessWish, tiedShare, partMoves, mmPerWeek, weeksBetween } = subject;
    let seen: Seen = {
      plan,
      computed,
      deposits: depositsOf(subject.letters),
      head: down.hair.head,
      down: { way: down.way, look: downLook },
      tied: { way: TIED, look: tiedLook },
      brightnessWish,
      tiedShare,
      partMoves,
      mmPerWeek,
      weeksBetween,
      seenBefore: (1 - tiedShare) * bareDown + tiedShare * bareTied,
    };
    if (partByMm !== 0) {
      const [own, there] = [0, partByMm].map((byMm) => partLightOf(this.strip(subject, byMm), judged).light);
      seen = { ...seen, moved: { byMm: partByMm, light: there, own } };
    }
    const lines = this.lines(subject);
    seen = {
      ...seen,
      lines,
      old: judgeOldLine(subject, computed.sheet, lines, (wearSubject) => this.lines(wearSubject)),
    };
    yield findingsOf(seen);
    if (computed.sheet.foils.length + computed.sheet.painted.length === 0) return;

    seen = {
      ...seen,
      worth: this.worth(subject, computed),
      warm: halfLifted(down.hair, light),
      ...(shadowMm !== null && { shadowed: this.shadowed(subject, computed) }),
    };
    yield findingsOf(seen);
    seen = { ...seen, under: underLight(yield* this.laying(subject, { kind: 'lifted' }), light) };
    yield findingsOf(seen);
    const blown: Way = { kind: 'blown', partMm: plan.head.part.offsetMm };
    const open = yield* this.laying(subject, blown);
    seen = { ...seen, blownCrown: { way: blown, light: crownLight(open, light) } };
    yield findingsOf(seen);

    // Stripes, the crown and the part as the mean over phases of the pattern: where the first row falls is
    // chance. Stripes of the views that
    // are most striped as the pattern lies: only the most striped is said.
    const standsOut = ({
      way,
      view,
      brightness,
      figures,
    }: {
      way: Way;
      view: View;
      brightness: number;
      figures: readonly number[];
    }) => ({
      way,
      view,
      figure: standingOut(meanStripe(figures), this.hair(plan, way, subject).chance(view), brightness),
    });
    const candidates = [seen.down, seen.tied]
      .flatMap(({ way, look }) =>
        VIEW_NAMES.map((view) => ({
          way,
          view,
          brightness: look.brightness[view],
          figures: [look.stripe[view]],
        })),
      )
      .sort((one, other) => standsOut(other).figure - standsOut(one).figure)
      .slice(0, MOST_STRIPED);
    const crowns = [seen.blownCrown!.light];
    const phases = [judged];
    for (const share of PHASES.slice(1)) {
      const own = { ...subject, plan: shifted(plan, computed.sheet, share) };
      const moved = this.light(own, weeks);
      phases.push(shadowMm === null ? moved : this.light({ ...own, shadowMm: null }, weeks));
      crowns.push(crownLight(open, moved));
      for (const { way, view, figures } of candidates) {
        const hair = this.hair(plan, way, subject);
        figures.push(stripeOf(hair.flow(view), litOf(hair.surface(view), moved)));
      }
    }
    const [worst] = candidates.map(standsOut).sort((one, other) => other.figure - one.figure);
    seen = { ...seen, striped: worst, blownCrown: { way: blown, light: mean(crowns) } };
    yield findingsOf(seen);

    if (plan.head.part.none) return;
    const lights = [];
    for (const byMm of partSteps()) {
      const strip = this.strip(subject, byMm);
      lights.push({ byMm, light: mean(phases.map((phase) => partLightOf(strip, phase).light)) });
      yield null;
    }
    seen = { ...seen, part: partTolerance(lights) };
    yield findingsOf(seen);
  }

  /**
   * How bright the hair is seen before the visit, worn in each of these ways.
   * @param laid on the subject's head
   */
  private bare(subject: WearSubject, weeks: number, laid: readonly WornHair[]): readonly number[] {
    const before = bareOf(subject);
    return this.bares.get(JSON.stringify([before, weeks]), () => {
      const light = this.light(before, weeks);
      return laid.map((hair) =>
        mean(VIEW_NAMES.map((view) => brightnessOf(hair.surface(view), litOf(hair.surface(view), light)))),
      );
    });
  }

  /** What the rows at the hairline earn under the root shadow that is planned, and what without. */
  private shadowed(subject: WearSubject, computed: ComputedPlan): Seen['shadowed'] {
    const own = computed.sheet.foils
      .map((foil, i) => ({ foil, i }))
      .filter(({ foil }) => /hairline|temple/.test(foil.zone));
    const points = (shadowMm: number | null) => {
      const { foils } = this.worth({ ...subject, shadowMm }, computed);
      return own.reduce((sum, { i }) => sum + foils[i], 0);
    };
    return {
      mm: subject.shadowMm!,
      withPoints: points(subject.shadowMm),
      withoutPoints: points(null),
      panels: [...new Set(own.map(({ foil }) => foil.panel))],
      minutes: own.reduce((sum, { foil }) => sum + foil.seconds / 60, 0),
    };
  }
}

const mean = (all: readonly number[]): number => all.reduce((sum, value) => sum + value, 0) / all.length;

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
    const surface = hair.surface(view);
    covered += surface.covered;
    for (let i = 0; i < surface.count; i += 1) {
      const f = lightAt(light, surface.strand[i], surface.along[i]);
      if (f > 0.15 && f < 0.85) sum += surface.weight[i];
    }
  }
  return covered > 0 ? sum / covered : 0;
}

const hairKey = ({ head, hair }: Pick<Plan, 'head' | 'hair'>, { curl, cut }: Shape) => {
  // Laying goes by length and density alone.
  const byZone = Object.entries(hair.byZone).map(([zone, own]) => [zone, own.lengthMm, own.densityPerCm2]);
  return `${headKeyOf(head)} ${hair.lengthMm} ${hair.densityPerCm2} ${JSON.stringify(byZone)} ${curl} ${cutKey(cut)}`;
};
