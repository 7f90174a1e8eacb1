import { endsWords, formulaWords, netGrams, paintedShare, personalFactor, type Recipe } from '../bowl';
import { headFactor, LIFT_FACTORS, readingProblem, type HeadFactor, type StrandReading } from '../lift';
import type { ComputedPlan, Plan } from '../pattern';
import type { Shelf } from '../products';
import type { Consult, RecordedTest, VisitMix } from '../visit';
import { weighedWork, type FormulaAmount, type WorkBowls } from './bowls';
import { factsOfLetters, lettersOf, NOTHING, type FormulaRow } from './letters';
import { limitOf, liftRows, readyOf, type LiftRow } from './lift';
import { placedUnits, unplaced } from './placed';
import { workProblems, type WorkProblem } from './problems';
import type { PlacedUnit, WorkUnit } from './unit';

/** What the work of a visit rests on. */
export interface WorkFacts {
  readonly consult: Pick<Consult, 'naturalLevel' | 'goalLevel' | 'map' | 'regrowthMm'>;
  readonly plan: Plan;
  readonly computed: Pick<ComputedPlan, 'sheet' | 'drawing'>;
  readonly mix: VisitMix;
  readonly shelf: Shelf;
  /** Strand tests on the client's record, up to the day of the visit. */
  readonly recorded: readonly RecordedTest[];
  /** Used against predicted of this person's last visits, oldest first. */
  readonly uses: readonly number[];
}

/** The work of a visit, whole and in order. Bowls, clock, chair and record are read from it; nothing else decides a unit's letter, reach or grams. */
export interface WorkList {
  readonly units: readonly WorkUnit[];
  readonly letters: readonly FormulaRow[];
  /** Letter that lowlit drop-outs take where their panel names none. */
  readonly lowlight: string | null;
  readonly lift: readonly LiftRow[];
  readonly amounts: readonly FormulaAmount[];
  readonly bowls: WorkBowls;
  /** Strength over both mixes of a strand by grams, where a formula has ends of its own. */
  readonly meanVolumes: Readonly<Record<string, number>>;
  /** What was read of this head, and what follows from it. */
  readonly readings: readonly StrandReading[];
  readonly head: HeadFactor;
  /** Used against predicted, 1 usual, and of how many visits. */
  readonly personal: { readonly factor: number; readonly visits: number };
  /** What cannot be done as it is written, each with its place; the rest is computed. */
  readonly problems: readonly WorkProblem[];
}

/** The work of a visit: pure, and the one place where it is put together. */
export function workList({ consult, plan, computed, mix, shelf, recorded, uses }: WorkFacts): WorkList {
  const { rows, lowlight } = lettersOf(computed.sheet, mix, shelf, consult.naturalLevel);
  const recipes = new Map(rows.map(({ letter, recipe }) => [letter, recipe]));
  const formulas = new Map(rows.map(({ letter, formula }) => [letter, formula]));
  const recipeOf = (letter: string): Recipe => recipes.get(letter) ?? NOTHING;
  const letters = factsOfLetters(rows, lowlight);
  const placed = placedUnits(plan, computed, { letters, regrowthMm: consult.regrowthMm, painting: mix.clock.painting });
  const readings = [...recordedReadings(recorded, plan), ...readingsOf(mix, recipeOf, plan)];
  const head = headFactor(readings);
  const personal = { factor: personalFactor(uses), visits: Math.min(10, uses.length) };
  const grams = placed.map((unit) => gramsOf(unit, personal.factor));
  const weighed = weighedWork(placed, grams, {
    bowl: mix.bowl,
    shelf,
    recipeOf,
    formulaOf: (letter) => formulas.get(letter),
  });
  const lift = liftRows(placed, weighed.ages, recipeOf, {
    naturalLevel: consult.naturalLevel,
    targetLevel: consult.goalLevel,
    map: consult.map,
    hair: plan.hair,
    head,
  });
  const words = new Map(
    rows.map(({ letter, formula }) => [
      letter,
      {
        mix: formulaWords(formula, shelf),
        endsMix: endsWords(formula, shelf),
        additives:
          formula.kind === 'lift'
            ? formula.additives.map(({ product, perGram }) => ({ name: shelf.find(product)?.name ?? product, perGram }))
            : [],
      },
    ]),
  );
  const units = placed.map((unit, i): WorkUnit => {
    const recipe = recipeOf(unit.letter);
    const limitMinutes = limitOf(unit, recipe);
    const said = words.get(unit.letter);
    // The placed units are this list's own: finished in place, since copies of so many fields are what costs.
    return Object.assign(unit, {
      mix: said?.mix ?? 'nothing to mix',
      endsMix: unit.endsMm > 0 ? (said?.endsMix ?? null) : null,
      additives: said?.additives ?? [],
      grams: grams[i].length,
      endsGrams: grams[i].ends,
      ...readyOf(
        lift.of[i].map((at) => lift.rows[at]),
        recipe,
        limitMinutes,
      ),
      limitMinutes,
      liftRows: lift.of[i],
    });
  });
  return {
    units,
    lowlight,
    lift: lift.rows,
    amounts: weighed.amounts,
    bowls: weighed.bowls,
    meanVolumes: meanVolumes(weighed.amounts),
    readings,
    head,
    personal,
    letters: rows.map((row): FormulaRow => {
      const own = units.filter(({ letter }) => letter === row.letter);
      return { ...row, units: own.length, foils: own.filter(({ kind }) => kind === 'foil').length };
    }),
    problems: workProblems({
      plan,
      mix,
      rows,
      units,
      unplaced: unplaced(computed.sheet, letters),
      bowls: weighed.bowls,
    }),
  };
}

/** Grams that a unit takes (estimate): on its length, and of the ends' own mix. @param personal a person's own use against the estimate */
function gramsOf(unit: PlacedUnit, personal: number): { readonly length: number; readonly ends: number } {
  const lengthMm = unit.reachMm[1] - unit.reachMm[0];
  const net =
    personal *
    netGrams({
      widthMm: unit.widthMm,
      share: paintedShare(unit.gather, unit.teasing),
      lengthMm,
      faces: unit.surface ? 1 : 2,
      hairGrams: unit.hairMm > 0 ? (unit.hairGrams * lengthMm) / unit.hairMm : 0,
    });
  const ends = lengthMm > 0 ? (net * unit.endsMm) / lengthMm : 0;
  return { length: net - ends, ends };
}

/** Strengths weighed by grams where a formula has a mix of its own on the ends. */
function meanVolumes(amounts: readonly FormulaAmount[]): Record<string, number> {
  const twice = amounts.filter(({ part, net }) => part === 'ends' && net > 0).map(({ letter }) => letter);
  return Object.fromEntries(
    twice.map((letter) => {
      const own = amounts.filter((amount) => amount.letter === letter);
      return [
        letter,
        own.reduce((sum, { net, volumes }) => sum + net * volumes, 0) / own.reduce((sum, { net }) => sum + net, 0),
      ];
    }),
  );
}

/** Strand tests as the lift takes them: what is known of hair and product is left to them, the head’s own factor is not. */
function readingsOf(mix: VisitMix, recipeFor: (letter: string) => Recipe, plan: Plan): StrandReading[] {
  return mix.tests
    .map(({ formula, from, minutes, level }): StrandReading => {
      const recipe = recipeFor(formula);
      const cap = recipe.most ? Math.min(from + recipe.most.levels, recipe.most.top) : 10;
      return {
        from,
        volumes: recipe.volumes,
        minutes,
        level,
        known: LIFT_FACTORS.strand[plan.hair.strand] * (recipe.product ?? 1),
        atCap: level >= cap,
      };
    })
    .filter((own) => readingProblem(own) === undefined);
}

/** Tests on record that say all that is needed; done with usual lightener as far as is known. */
function recordedReadings(recorded: readonly RecordedTest[], plan: Plan): StrandReading[] {
  return recorded.flatMap(({ volumes, minutes, from, level }) => {
    if (volumes === null || minutes === null || from === null || level === null) return [];
    const reading: StrandReading = {
      volumes,
      minutes,
      from,
      level,
      known: LIFT_FACTORS.strand[plan.hair.strand],
      atCap: level >= 10,
    };
    return readingProblem(reading) === undefined ? [reading] : [];
  });
}
