import { personalFactor } from '../bowl';
import type { Consult } from '../formats';
import { ZONES, type Zone } from '../head';
import { headFactor, LIFT_FACTORS, readingProblem, type HeadFactor, type StrandReading } from '../lift';
import type { ComputedPlan, Plan } from '../pattern';
import type { Product } from '../products';
import type { Schools } from '../school';
import { correctionResult, type CorrectionResult } from './corrections';
import { mixOf, type Mixed, type MixZone } from './mix';
import { needsOf, type Need } from './needs';
import { bowlItems, formulaNotes, recipeOf, type ItemsRead, type Recipe } from './recipe';
import { strengthIdeas, type StrengthIdea } from './suggest';
import { reachedBefore, reachedIn, rootResult, tonerResult, type Reached, type RootResult, type TonerResult } from './tone';
import { Shelf, usualFormula, type Formula, type VisitMix } from './visit-mix';
import type { WorkUnit } from './work';

/** A strand test as it was written down: what of it was not read is null. */
export interface RecordedTest {
  readonly volumes: number | null;
  readonly minutes: number | null;
  readonly from: number | null;
  readonly level: number | null;
}

export interface VisitMixInput {
  readonly consult: Consult;
  readonly plan: Plan;
  readonly computed: Pick<ComputedPlan, 'sheet'>;
  readonly mix: VisitMix;
  readonly range: readonly Product[];
  /** Strand tests on the client's record, up to the day of the visit. */
  readonly recorded?: readonly RecordedTest[];
  /** Used against predicted of this person's last visits, oldest first. */
  readonly uses: readonly number[];
  readonly schools: Schools;
  /** Level of the light that the last record has, for a visit without foils; null where there is none. */
  readonly levelBefore?: number | null;
  /** Of the house's cautions; 20 where it has set nothing. */
  readonly strongVolumes?: number;
}

/** A formula of the visit as it stands: chosen, or the usual one. */
export interface FormulaRow {
  readonly letter: string;
  readonly formula: Formula;
  readonly chosen: boolean;
  /** Foils and sections painted in the open air. */
  readonly foils: number;
  readonly recipe: Recipe | null;
  readonly problem: string | null;
  /** Where it leaves what the maker says. */
  readonly notes: readonly string[];
}

/** A bowl with what is weighed into it. */
export interface WeighedBowl {
  readonly label: string;
  readonly formula: string;
  readonly stretch: 'length' | 'ends';
  readonly foils: number;
  readonly others: number;
  /** Numbers of its first and last foil in the order of work; null where only open sections are painted from it. */
  readonly foilNumbers: readonly [first: number, last: number] | null;
  readonly fromMinutes: number;
  readonly toMinutes: number;
  readonly needed: number;
  readonly items: ItemsRead;
}

/** All that the mix of a visit comes to. */
export interface VisitMixed {
  readonly shelf: Shelf;
  readonly formulas: readonly FormulaRow[];
  /** What was read of this head, and what follows from it. */
  readonly readings: readonly StrandReading[];
  readonly head: HeadFactor;
  /** Used against predicted, 1 usual, and of how many visits. */
  readonly personal: { readonly factor: number; readonly visits: number };
  readonly mixed: Mixed;
  readonly bowls: { readonly ok: true; readonly bowls: readonly WeighedBowl[] } | { readonly ok: false; readonly problem: string };
  readonly reached: readonly Reached[];
  readonly porous: boolean;
  readonly toners: readonly { readonly id: string; readonly result: TonerResult | { readonly ok: false; readonly problem: string } }[];
  readonly root: RootResult | { readonly ok: false; readonly problem: string } | null;
  readonly corrections: readonly { readonly id: string; readonly result: CorrectionResult }[];
  readonly needs: readonly Need[];
  readonly materialsMinor: number;
  readonly ideas: readonly StrengthIdea[];
  /** What limits strengths: fragile zones, and the strength that asks for a reason there and at the hairline. */
  readonly careful: { readonly fragileZones: readonly Zone[]; readonly strongVolumes: number };
}

/** What stands in where the house has no lightener at all: nothing is lifted, and it says so. */
const NOTHING: Recipe = { volumes: 20, ratio: 2, limitMinutes: 45, most: { levels: 0, top: 10 } };

export function mixOfVisit({ consult, plan, computed, mix, range, recorded = [], uses, schools, levelBefore = null, strongVolumes = 20 }: VisitMixInput): VisitMixed {
  const shelf = new Shelf(mix, range);
  const { sheet } = computed;
  const inUse = (letter: string) => sheet.foils.filter(({ formula }) => formula === letter).length + sheet.painted.filter(({ formula }) => formula === letter).length;
  const letters = [...new Set([...sheet.foils, ...sheet.painted].map(({ formula }) => formula).concat(Object.keys(mix.formulas)))].sort();
  const formulas = letters.flatMap((letter): FormulaRow[] => {
    const formula = mix.formulas[letter] ?? usualFormula(shelf);
    if (!formula) return [];
    const read = recipeOf(formula, shelf);
    return [{
      letter, formula, chosen: letter in mix.formulas, foils: inUse(letter), recipe: read.ok ? read.recipe : null, problem: read.ok ? null : read.problem, notes: formulaNotes(formula, shelf),
    }];
  });
  const recipes = new Map(formulas.map(({ letter, recipe }) => [letter, recipe]));
  const formulaOf = new Map(formulas.map(({ letter, formula }) => [letter, formula]));
  const recipeFor = (letter: string): Recipe => recipes.get(letter) ?? NOTHING;
  const readings = [...recordedReadings(recorded, plan), ...readingsOf(mix, recipeFor, plan)];
  const head = headFactor(readings);
  const personal = { factor: personalFactor(uses), visits: Math.min(10, uses.length) };
  const mixed = mixOf(plan, computed, {
    naturalLevel: consult.naturalLevel, targetLevel: consult.goalLevel, head, personal: personal.factor, bowl: mix.bowl, recipeOf: recipeFor, regrowthMm: consult.regrowthMm, ...hairOf(consult),
    lowlight: formulas.find(({ formula }) => formula.kind === 'deposit')?.letter ?? null,
  });
  const bowls: VisitMixed['bowls'] = mixed.bowls.ok
    ? {
        ok: true,
        bowls: mixed.bowls.bowls.map(({ label, formula, stretch, foils, others, work, fromMinutes, toMinutes, mixed: needed, powder }) => ({
          label, formula, stretch, foils, others, fromMinutes, toMinutes, needed, foilNumbers: foilNumbers(work.map((i) => mixed.work[i])),
          items: formulaOf.has(formula) ? bowlItems(formulaOf.get(formula)!, powder, shelf, stretch) : { ok: false, problem: `formula ${formula} is not known` },
        })),
      }
    : mixed.bowls;
  const reached = plan.panels.length > 0 ? reachedIn(mixed.panels) : reachedBefore(consult, levelBefore);
  const porous = ZONES.some((zone) => consult.map[zone]?.condition === 'porous');
  const toners = mix.toners.map((toner) => ({ id: toner.id, result: tonerResult(toner, shelf, { reached, tone: consult.tone, porous }) }));
  const root = mix.root && rootResult(mix.root, consult.naturalLevel, shelf);
  const corrections = mix.corrections.map((own) => ({ id: own.id, result: correctionResult(own, shelf, head) }));
  const weighedInto: ItemsRead[] = [
    ...(bowls.ok ? bowls.bowls.map(({ items }) => items) : []), ...toners.flatMap(({ result }) => (result.ok ? [result.items] : [])), ...(root?.ok ? [root.items] : []), ...corrections.map(({ result }) => result.items),
  ];
  const foilStock = shelf.all.find(({ kind }) => kind === 'foil');
  const needs = needsOf([...weighedInto.flatMap((own) => (own.ok ? own.items : [])), ...(foilStock ? [{ product: foilStock.id, grams: sheet.foils.length }] : [])], shelf.all.map((own) => range.find(({ id }) => id === own.id) ?? own));
  const careful = { fragileZones: fragileIn(consult), strongVolumes };
  return {
    shelf, formulas, readings, head, careful, personal, mixed, bowls, reached, porous, toners, root, corrections, needs, materialsMinor: needs.reduce((sum, { costMinor }) => sum + costMinor, 0),
    ideas: strengthIdeas({
      plan, panels: mixed.panels, schools, head, ...careful, lightenedZones: lightenedIn(consult), strengthsFor: (letter) => strengthsFor(formulaOf.get(letter), shelf),
    }),
  };
}

function foilNumbers(work: readonly WorkUnit[]): readonly [number, number] | null {
  const foils = work.filter(({ kind }) => kind === 'foil').map(({ index }) => index + 1);
  return foils.length === 0 ? null : [foils[0], foils[foils.length - 1]];
}

/** Strengths that a house can mix for a formula in one bottle, weakest first. */
export function strengthsFor(formula: Formula | undefined, shelf: Shelf): number[] {
  if (formula?.kind !== 'lift') return [];
  const product = shelf.lightener(formula.product);
  return product ? [...new Set(shelf.developers.map(({ volumes }) => volumes))].filter((own) => own >= product.volumes.least && own <= product.volumes.most) : [];
}

/** Strand tests as the lift takes them: what is known of hair and product is left to them, the head’s own factor is not. */
function readingsOf(mix: VisitMix, recipeFor: (letter: string) => Recipe, plan: Plan): StrandReading[] {
  return mix.tests
    .map(({ formula, from, minutes, level }): StrandReading => {
      const recipe = recipeFor(formula);
      const cap = recipe.most ? Math.min(from + recipe.most.levels, recipe.most.top) : 10;
      return { from, volumes: recipe.volumes, minutes, level, known: LIFT_FACTORS.strand[plan.hair.strand] * (recipe.product ?? 1), atCap: level >= cap };
    })
    .filter((own) => readingProblem(own) === undefined);
}

/** Tests on record that say all that is needed; done with usual lightener as far as is known. */
function recordedReadings(recorded: readonly RecordedTest[], plan: Plan): StrandReading[] {
  return recorded.flatMap(({ volumes, minutes, from, level }) => {
    if (volumes === null || minutes === null || from === null || level === null) return [];
    const reading: StrandReading = { volumes, minutes, from, level, known: LIFT_FACTORS.strand[plan.hair.strand], atCap: level >= 10 };
    return readingProblem(reading) === undefined ? [reading] : [];
  });
}

function hairOf(consult: Consult): { levelIn: Partial<Record<Zone, number>>; hairIn: Partial<Record<Zone, MixZone>> } {
  const levelIn: Partial<Record<Zone, number>> = {};
  const hairIn: Partial<Record<Zone, MixZone>> = {};
  for (const zone of ZONES) {
    const seen = consult.map[zone];
    if (!seen) continue;
    if (seen.naturalLevel !== undefined) levelIn[zone] = seen.naturalLevel;
    if (seen.endsLevel !== undefined || seen.band) hairIn[zone] = { endsLevel: seen.endsLevel, bandLevel: seen.band?.level };
  }
  return { levelIn, hairIn };
}

/** Zones whose hair is fragile or broken. */
export function fragileIn(consult: Consult): Zone[] {
  return ZONES.filter((zone) => consult.map[zone]?.condition === 'fragile' || consult.map[zone]?.flags?.includes('breakage'));
}

/** Lightened hair is at least so much lighter than it grew. */
const LIGHTENED = 1;

/** Zones with hair lightened before: lighter in the lengths or at the ends than it grew. */
export function lightenedIn(consult: Consult): Zone[] {
  return ZONES.filter((zone) => {
    const seen = consult.map[zone];
    if (!seen) return false;
    const natural = seen.naturalLevel ?? consult.naturalLevel;
    return Math.max(seen.midsLevel ?? natural, seen.endsLevel ?? natural) - natural >= LIGHTENED;
  });
}
