import {
  addedGrams,
  endsWords,
  formulaWords,
  netGrams,
  paintedShare,
  personalFactor,
  secondWords,
  type MixPart,
  type Recipe,
} from '../bowl';
import { isHairlineZone } from '../head';
import { headFactor, LIFT_FACTORS, readingProblem, type HeadFactor, type StrandReading } from '../lift';
import type { ComputedPlan, Plan } from '../pattern';
import type { Shelf } from '../products';
import type { Schools } from '../school';
import type { Consult, RecordedTest, VisitMix } from '../visit';
import { weighedWork, type FormulaAmount, type UnitGrams, type WorkBowls } from './bowls';
import { endsSeenIn } from './ends';
import { factsOfLetters, lettersOf, NOTHING, type FormulaRow } from './letters';
import { isPaintedAgain, limitOf, liftRows, readyOf, type LiftRow } from './lift';
import { mixNames, ownMixName, type MixNames } from './mix-names';
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
  readonly schools: Pick<Schools, 'hairlineBowl'>;
  /** Strand tests on the client's record, up to the day of the visit. */
  readonly recorded: readonly RecordedTest[];
  /** Used against predicted of this person's last visits, oldest first. */
  readonly uses: readonly number[];
}

/**
 * The work of a visit, whole and in order. Bowls, clock, chair and record are read from it; nothing else
 * decides a unit's letter, reach or grams.
 */
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
export function workList({
  consult,
  plan,
  computed,
  mix,
  shelf,
  schools,
  recorded,
  uses,
}: WorkFacts): WorkList {
  const { rows, lowlight } = lettersOf(computed.sheet, mix, shelf, consult.naturalLevel);
  const recipes = new Map(rows.map(({ letter, recipe }) => [letter, recipe]));
  const formulas = new Map(rows.map(({ letter, formula }) => [letter, formula]));
  const recipeOf = (letter: string): Recipe => recipes.get(letter) ?? NOTHING;
  const letters = factsOfLetters(rows, lowlight);
  const placed = placedUnits(plan, computed, {
    letters,
    regrowthMm: consult.regrowthMm,
    ends: endsSeenIn(consult),
    painting: mix.clock.painting,
  });
  const readings = [...recordedReadings(recorded, plan), ...readingsOf(mix, recipeOf, plan)];
  const head = headFactor(readings);
  const personal = { factor: personalFactor(uses), visits: Math.min(10, uses.length) };
  const grams = placed.map((unit) => gramsOf(unit, personal.factor, recipeOf(unit.letter)));
  const names = mixNames(rows, mixesTaken(placed, grams));
  const fromOld = ({ zone }: PlacedUnit) => schools.hairlineBowl === 'old' && isHairlineZone(zone);
  const weighed = weighedWork(placed, grams, {
    bowl: mix.bowl,
    scoopGrams: mix.unit === 'scoop' ? mix.scoopGrams : null,
    shelf,
    names,
    fromOld,
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
        secondMix: secondWords(formula, shelf),
        additives: formula.additives.flatMap((additive) => {
          const read = addedGrams(additive, formula.ratio, shelf);
          return read.ok ? [{ name: read.product.name, perGram: read.grams }] : [];
        }),
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
      mixes: mixesOfUnit(unit, grams[i], names),
      fromOld: fromOld(unit),
      again:
        recipe.second && isPaintedAgain(unit)
          ? {
              afterMinutes: recipe.second.afterMinutes,
              mix: names(unit.letter, 'second'),
              words: said?.secondMix ?? '',
              grams: grams[i].second,
            }
          : null,
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

/** Every mix that something is painted with, by its own name. */
function mixesTaken(units: readonly PlacedUnit[], grams: readonly UnitGrams[]): Set<string> {
  const out = new Set<string>();
  units.forEach(({ letter }, i) => {
    for (const part of ['length', 'ends', 'second'] as const satisfies MixPart[])
      if (grams[i][part] > 0) out.add(ownMixName(letter, part));
  });
  return out;
}

/** Bowls that a unit is painted from as it is laid; its length's where nothing is painted. */
function mixesOfUnit({ letter }: PlacedUnit, { length, ends }: UnitGrams, names: MixNames): string[] {
  return [
    ...new Set([
      ...(length > 0 || ends <= 0 ? [names(letter, 'length')] : []),
      ...(ends > 0 ? [names(letter, 'ends')] : []),
    ]),
  ];
}

/**
 * Grams that a unit takes (estimate). The second application covers the same hair as the first.
 * @param personal a person's own use against the estimate
 */
function gramsOf(unit: PlacedUnit, personal: number, { second }: Recipe): UnitGrams {
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
  return { length: net - ends, ends, second: second && isPaintedAgain(unit) ? net : 0 };
}

/** Strengths weighed by grams where a formula has a mix of its own on the ends. */
function meanVolumes(amounts: readonly FormulaAmount[]): Record<string, number> {
  const twice = amounts.filter(({ part, net }) => part === 'ends' && net > 0).map(({ letter }) => letter);
  return Object.fromEntries(
    twice.map((letter) => {
      const own = amounts.filter((amount) => amount.letter === letter);
      return [
        letter,
        own.reduce((sum, { net, volumes }) => sum + net * volumes, 0) /
          own.reduce((sum, { net }) => sum + net, 0),
      ];
    }),
  );
}

/**
 * Strand tests as the lift takes them: what is known of hair and product is left to them, the head’s own
 * factor is not.
 */
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
    .filter((strandReading) => readingProblem(strandReading) === undefined);
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
