import { scriptOf, type ServiceScript } from '../../chair';
import { goesPast, planFollowed, type ClockPlanned } from '../../clock';
import { cautionsFor, type Caution, type MixCautionFacts } from '../../caution';
import type { CheckFacts } from '../../check';
import { itemise, mixingSessions, type Itemised, type PricedVisit } from '../../fee';
import { brokenZonesOf } from '../../hair-map';
import { nextVisit, type NextVisit } from '../../growth';
import { ZONES, type Zone } from '../../head';
import {
  correctionResult,
  needsOf,
  reachedBefore,
  rootResult,
  tonerResult,
  type ColourResults,
  type CorrectionFacts,
  type Need,
  type Reached,
} from '../../mix';
import {
  createPatternEngine,
  sharesOf,
  type HairShares,
  type ComputedPlan,
  type PatternEngine,
  type Plan,
} from '../../pattern';
import { productsOf, Shelf } from '../../products';
import { zonesOfPlan } from '../../record';
import { offeredSteps, suggestedSteps, timedSteps, type ServiceStep, type TimedStep } from '../../steps';
import { LineReader, rootLinesOf, type HairLine, type WearSubject } from '../../wear';
import {
  clockPlanOf,
  factsOfLetters,
  levelsOfUnits,
  lightenedIn,
  overlapping,
  reachedIn,
  regrowthOnly,
  sheetsToCut,
  strengthIdeas,
  workList,
  type Careful,
  type ClockPlan,
  type RegrowthOnly,
  type StrengthIdea,
  type WorkList,
  type WorkUnit,
} from '../../work';
import { isFragile, recordedTests, type Consult, type VisitMix } from '..';
import { cautionFactsOf } from './caution-facts';
import type { VisitDocuments, VisitFacts } from './facts';
import { growthOf, type VisitGrowth } from './growth';
import { remembering } from './remember';
import { USUAL_WASHES, wearSubjectOf } from './wear-subject';

/** Colours that follow the foils, and the level that they meet. */
interface VisitColours extends ColourResults {
  readonly reached: readonly Reached[];
  readonly porous: boolean;
  /** What amounts and levels of recipes of the house go by. */
  readonly correcting: CorrectionFacts;
}

/** All that is computed of a visit. Each part is computed when it is first asked for. */
export interface ComputedVisit {
  readonly documents: VisitDocuments;
  readonly facts: VisitFacts;
  readonly consult: Consult;
  readonly plan: Plan;
  readonly mix: VisitMix;
  readonly pattern: ComputedPlan;
  /** What the pattern lightens and deepens, by what its letters do. */
  readonly shares: HairShares;
  readonly shelf: Shelf;
  readonly growth: VisitGrowth;
  readonly work: WorkList;
  readonly colours: VisitColours;
  /** What follows the foils, with its bowls, and the same at its times. */
  readonly steps: readonly ServiceStep[];
  readonly after: readonly TimedStep[];
  /** Sheets of foil to cut. */
  readonly sheets: number;
  readonly needs: readonly Need[];
  readonly materialsMinor: number;
  readonly careful: Careful;
  readonly ideas: readonly StrengthIdea[];
  /** Colours that are planned along the whole hair where the regrowth alone may want them. */
  readonly regrowthOnly: readonly RegrowthOnly[];
  /** Units that carry what lifts over hair lightened before. */
  readonly overlaps: readonly WorkUnit[];
  readonly cautionFacts: MixCautionFacts;
  readonly cautions: readonly Caution[];
  readonly clock: ClockPlan;
  /** The plan of the clock that is followed: it is searched when it is first asked for. */
  readonly timed: ClockPlanned;
  readonly priced: PricedVisit;
  readonly estimate: Itemised;
  readonly script: ServiceScript;
  readonly wear: WearSubject;
  /**
   * Where light and dark meet along the hair, and when it is seen: Wear, Consult, Record, the client's page
   * and the next visit go by them.
   */
  readonly lines: readonly HairLine[];
  /**
   * When to come again, and for what.
   * @param outcome a record that is being written; without it what is saved, else the plan
   */
  next(outcome?: VisitDocuments['outcome']): NextVisit | null;
  /** What the pattern's checks go by. */
  checkFacts(sayMoney: CheckFacts['sayMoney']): CheckFacts;
}

export interface VisitEngine {
  compute(documents: VisitDocuments, facts: VisitFacts): ComputedVisit;
  /** A plan as the visit computes it: what is drawn while the rest is still to come. */
  pattern(plan: Plan): ComputedPlan;
}

/**
 * The one builder from a visit's documents and facts to everything that is computed of it: pages, the
 * server's decision, the
 * chair's script, sheets, diary, wear and the command line read from here. What it remembers never changes a
 * result.
 */
export function createVisitEngine(patterns: PatternEngine = createPatternEngine()): VisitEngine {
  const parts = partsOf(patterns);
  return {
    compute: (documents, facts) => new Visit(documents, facts, parts),
    pattern: (plan) => parts.pattern({ plan }),
  };
}

type Parts = ReturnType<typeof partsOf>;

function partsOf(patterns: PatternEngine) {
  const reader = new LineReader(patterns);
  return {
    // Head and hair belong to the consultation; the plan takes them from there.
    plan: remembering(
      ({ plan, head, hair }: { plan: Plan; head: Consult['head']; hair: Consult['hair'] }): Plan =>
        plan.head === head && plan.hair === hair ? plan : { ...plan, head, hair },
    ),
    pattern: remembering(({ plan }: { plan: Plan }) => patterns.compute(plan)),
    lines: remembering(({ subject, computed }: { subject: WearSubject; computed: ComputedPlan }) =>
      reader.lines(subject, computed),
    ),
    shelf: remembering(
      ({ products, range }: { products: VisitMix['products']; range: VisitFacts['range'] }) =>
        new Shelf({ products }, range),
    ),
    growth: remembering(growthOf),
    work: remembering(
      (input: {
        consult: Consult;
        plan: Plan;
        computed: ComputedPlan;
        mix: VisitMix;
        shelf: Shelf;
        tests: VisitFacts['tests'];
        heldOn: string;
        uses: readonly number[];
        schools: VisitFacts['house']['schools'];
        amounts: VisitFacts['house']['measures']['amounts'];
        regrowthMm: VisitGrowth['regrowthMm'];
      }): WorkList => {
        const { tests, heldOn, consult, regrowthMm, amounts, mix, ...rest } = input;
        return workList({
          ...rest,
          mix: { ...mix, unit: mix.unit ?? amounts },
          consult: { ...consult, regrowthMm },
          recorded: recordedTests(tests, heldOn),
        });
      },
    ),
    colours: remembering(coloursOf),
    clock: remembering(
      ({
        plan,
        work,
        shelf,
        careful,
        mix,
        house,
      }: {
        plan: Plan;
        work: WorkList;
        shelf: Shelf;
        careful: Careful;
        mix: VisitMix;
        house: VisitFacts['house'];
      }) => clockPlanOf({ plan, work, shelf, careful }, mix, house),
    ),
    timed: remembering((clock: ClockPlan) => planFollowed(clock)),
    careful: remembering(
      ({ map, strongVolumes }: { map: Consult['map']; strongVolumes: number }): Careful => ({
        fragileZones: ZONES.filter((zone) => isFragile(map[zone])),
        strongVolumes,
      }),
    ),
  };
}

interface ColourInput {
  readonly consult: Consult;
  readonly mix: VisitMix;
  readonly work: WorkList;
  readonly shelf: Shelf;
  readonly levelBefore: number | null;
  readonly foiled: boolean;
  readonly zones: ComputedPlan['sheet']['zones'];
  readonly hair: Plan['hair'];
}

function coloursOf({
  consult,
  mix,
  work,
  shelf,
  levelBefore,
  foiled,
  zones,
  hair,
}: ColourInput): VisitColours {
  const reached = foiled ? reachedIn(work.lift) : reachedBefore(consult, levelBefore);
  const porous = ZONES.some((zone) => consult.map[zone]?.condition === 'porous');
  const lifted: ReadonlySet<Zone> = new Set(reached.map(({ zone }) => zone));
  const correcting: CorrectionFacts = {
    shelf,
    head: work.head,
    hair: { areas: zones, hair, map: consult.map },
    lifted,
  };
  return {
    reached,
    porous,
    correcting,
    toners: mix.toners.map((toner) => ({
      id: toner.id,
      result: tonerResult(toner, shelf, { reached, tone: consult.tone, porous }),
    })),
    roots: mix.roots.map((root) => ({ id: root.id, result: rootResult(root, consult.naturalLevel, shelf) })),
    corrections: mix.corrections.map((correction) => ({
      id: correction.id,
      result: correctionResult(correction, correcting),
    })),
  };
}

/**
 * One visit, lazily: a part is computed once, and from the engine's memory where its inputs are the same as
 * before.
 */
class Visit implements ComputedVisit {
  private readonly made = new Map<string, unknown>();

  constructor(
    readonly documents: VisitDocuments,
    readonly facts: VisitFacts,
    private readonly parts: Parts,
  ) {}

  private once<T>(name: string, make: () => T): T {
    if (!this.made.has(name)) this.made.set(name, make());
    // Each name is asked for in one place, with one type.
    return this.made.get(name) as T;
  }

  get consult() {
    return this.documents.consult;
  }

  get mix() {
    return this.documents.mix;
  }

  get plan() {
    return this.parts.plan({ plan: this.documents.plan, head: this.consult.head, hair: this.consult.hair });
  }

  get pattern() {
    return this.parts.pattern({ plan: this.plan });
  }

  get shares() {
    return this.once('shares', () =>
      sharesOf(
        this.pattern.sheet,
        new Set(
          this.work.letters.filter(({ recipe }) => recipe?.lifts === false).map(({ letter }) => letter),
        ),
      ),
    );
  }

  get shelf() {
    return this.parts.shelf({ products: this.mix.products, range: this.facts.range });
  }

  get growth() {
    return this.parts.growth({
      history: this.facts.history,
      heldOn: this.facts.heldOn,
      regrowthMm: this.consult.regrowthMm,
    });
  }

  get work() {
    const { tests, heldOn, uses, house } = this.facts;
    return this.parts.work({
      schools: house.schools,
      amounts: house.measures.amounts,
      consult: this.consult,
      plan: this.plan,
      computed: this.pattern,
      mix: this.mix,
      shelf: this.shelf,
      tests,
      heldOn,
      uses,
      regrowthMm: this.growth.regrowthMm,
    });
  }

  get colours() {
    return this.parts.colours({
      consult: this.consult,
      mix: this.mix,
      work: this.work,
      shelf: this.shelf,
      levelBefore: this.facts.previous?.outcome.levelReached ?? null,
      foiled: this.plan.panels.length > 0,
      zones: this.pattern.sheet.zones,
      hair: this.plan.hair,
    });
  }

  get steps() {
    return this.once('steps', () => {
      const [treatment] = productsOf(this.shelf.all, 'treatment');
      const { id, name, perUse } = treatment ?? {};
      const items =
        treatment && perUse > 0 && this.work.units.length > 0
          ? { ok: true as const, items: [{ product: id, name, grams: perUse, powder: false }], total: perUse }
          : null;
      return suggestedSteps(this.mix, this.colours, items);
    });
  }

  get after() {
    return this.once('after', () => timedSteps(this.steps));
  }

  get needs() {
    return this.once('needs', () => {
      const { bowls } = this.work;
      const barrier = this.mix.corrections.flatMap(({ id, use }) =>
        use === 'barrier'
          ? (this.colours.corrections.find((correction) => correction.id === id)?.result.items ?? [])
          : [],
      );
      const weighed = [
        ...(bowls.ok ? bowls.bowls.map(({ items }) => items) : []),
        ...this.steps.flatMap(({ items }) => items ?? []),
        // It goes on before the foils: it is no step after them.
        ...barrier,
      ];
      const foil = this.shelf.all.find(({ kind }) => kind === 'foil');
      const { sheets } = this;
      // Only stock is read from the house as it is now.
      const now = new Map(this.facts.range.map((product) => [product.id, product]));
      return needsOf(
        [
          ...weighed.flatMap((itemsRead) => (itemsRead.ok ? itemsRead.items : [])),
          ...(foil ? [{ product: foil.id, grams: sheets }] : []),
        ],
        this.shelf.all.map((product) => now.get(product.id) ?? product),
      );
    });
  }

  get sheets() {
    return this.once('sheets', () =>
      sheetsToCut(this.work.units, this.plan).reduce((sum, { count }) => sum + count, 0),
    );
  }

  get materialsMinor() {
    return this.needs.reduce((sum, { costMinor }) => sum + costMinor, 0);
  }

  get careful() {
    return this.parts.careful({
      map: this.consult.map,
      strongVolumes: this.facts.house.cautions.strongVolumes,
    });
  }

  get ideas() {
    return this.once('ideas', () =>
      strengthIdeas({
        plan: this.plan,
        work: this.work,
        shelf: this.shelf,
        schools: this.facts.house.schools,
        head: this.work.head,
        lightenedZones: lightenedIn(this.consult),
        ...this.careful,
      }),
    );
  }

  get regrowthOnly() {
    return this.once('regrowthOnly', () => regrowthOnly(this.work, this.growth.regrowthMm));
  }

  get overlaps() {
    return this.once('overlaps', () =>
      overlapping(
        this.work.units.filter(({ kind }) => kind === 'foil' || kind === 'open-air'),
        this.growth.regrowthMm,
        lightenedIn(this.consult),
      ),
    );
  }

  get cautionFacts() {
    return this.once('cautionFacts', () => {
      const warnings = this.colours.roots.flatMap(({ result }) =>
        result.ok && result.warning ? [result.warning] : [],
      );
      return cautionFactsOf({
        mix: this.mix,
        work: this.work,
        shelf: this.shelf,
        fragileZones: this.careful.fragileZones,
        overlapping: this.overlaps,
        past: goesPast(this.mix.clock.chosen) ? this.timed.timeline.foils : null,
        rootWarning: warnings[0] ?? null,
      });
    });
  }

  get cautions() {
    return this.once('cautions', () =>
      cautionsFor({
        consult: this.consult,
        onRecord: this.facts,
        about: { onDay: this.facts.heldOn, bornOn: this.facts.bornOn },
        limits: this.facts.house.cautions,
        mixed: this.cautionFacts,
      }),
    );
  }

  get clock() {
    return this.parts.clock({
      plan: this.plan,
      work: this.work,
      shelf: this.shelf,
      careful: this.careful,
      mix: this.mix,
      house: this.facts.house,
    });
  }

  /** The plan of the clock that is followed. */
  get timed() {
    return this.parts.timed(this.clock);
  }

  get priced() {
    return this.once('priced', (): PricedVisit => {
      const { bowls } = this.work;
      const { totals, painted } = this.pattern.sheet;
      const { lengthMm, densityPerCm2 } = this.plan.hair;
      return {
        // A section painted in the open air is charged as a foil is.
        foils: totals.foils + painted.length,
        foilingMinutes: totals.foilingMinutes,
        bowls: bowls.ok ? bowls.bowls.length : 0,
        sessions: bowls.ok ? mixingSessions(bowls.bowls.map(({ fromMinutes }) => fromMinutes)) : 0,
        mixGrams: this.mixGrams,
        toners: tonersOf(this.mix),
        root: this.mix.roots.length > 0,
        recipes: this.mix.corrections.flatMap(({ id, name }) => {
          const minor =
            this.colours.corrections.find((correction) => correction.id === id)?.result.priceMinor ?? 0;
          return minor > 0 ? [{ name, minor }] : [];
        }),
        lengthMm,
        densityPerCm2,
        addOns: this.mix.money.addOns,
        materialsMinor: this.materialsMinor,
      };
    });
  }

  /** Grams of mix for the foils: as it was read at the end of each formula, else as it is planned. */
  private get mixGrams(): number {
    const { amounts } = this.work;
    return [...new Set(amounts.map(({ letter }) => letter))].reduce((sum, letter) => {
      const planned = amounts
        .filter((amount) => amount.letter === letter)
        .reduce((all, { powder, developer }) => all + powder + developer, 0);
      return sum + (this.mix.used[letter]?.grams ?? planned);
    }, 0);
  }

  get estimate() {
    return this.once('estimate', () => itemise(this.priced, this.facts.house.prices));
  }

  get script() {
    return this.once('script', () =>
      scriptOf({
        plan: this.plan,
        work: this.work,
        clock: this.clock,
        course: this.timed.course,
        steps: this.steps,
        offers: offeredSteps({
          ...this.colours,
          ...this.colours.correcting,
          naturalLevel: this.consult.naturalLevel,
          goalLevel: this.consult.goalLevel,
          tone: this.consult.tone,
        }),
        shelf: this.shelf,
        naturalLevel: this.consult.naturalLevel,
      }),
    );
  }

  get wear() {
    return this.once('wear', () => this.wearWith(this.documents.outcome));
  }

  private wearWith(outcome: VisitDocuments['outcome']): WearSubject {
    return wearSubjectOf({
      consult: this.consult,
      mix: this.mix,
      plan: this.plan,
      facts: this.facts,
      growth: this.growth,
      done: outcome,
      planned: zonesOfPlan(this.work, this.pattern.sheet),
      levels: levelsOfUnits(this.work),
      letters: factsOfLetters(this.work.letters, this.work.lowlight),
    });
  }

  get lines() {
    return this.once('lines', () => this.parts.lines({ subject: this.wear, computed: this.pattern }));
  }

  next(outcome?: VisitDocuments['outcome']) {
    const lines =
      outcome === undefined
        ? this.lines
        : this.parts.lines({ subject: this.wearWith(outcome), computed: this.pattern });
    const { consult, mix } = this;
    return nextVisit({
      on: this.facts.heldOn,
      rate: this.growth.rate,
      lines: rootLinesOf(lines),
      tonerWashes: mix.toners.length + mix.roots.length > 0 ? (consult.washesPerWeek ?? USUAL_WASHES) : null,
      wishWeeks: consult.weeksBetween,
      opening: this.facts.house.opening,
    });
  }

  checkFacts(sayMoney: CheckFacts['sayMoney']): CheckFacts {
    return {
      regrowthMm: this.growth.regrowthMm,
      overlapping: this.overlaps.map(({ id }) => id),
      brokenZones: brokenZonesOf(this.consult),
      priceMinor: this.estimate.totalMinor,
      budgetMinor: this.consult.budgetMinor,
      sayMoney,
    };
  }
}

/** Different toners of a mix: one in several places and times is one. */
function tonersOf({ toners }: Pick<VisitMix, 'toners'>): number {
  const whole = (parts: VisitMix['toners'][number]['parts']) =>
    parts.reduce((sum, part) => sum + part.parts, 0);
  return new Set(
    toners.map(({ line, parts, ratio, volumes }) =>
      JSON.stringify([
        line,
        ratio,
        ratio > 0 ? volumes : 0,
        parts.map(({ shade, parts: many }) => [shade, Math.round((1e6 * many) / whole(parts))]).sort(),
      ]),
    ),
  ).size;
}
