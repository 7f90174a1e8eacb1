import { leastMinutesOf, type MixPart } from '../bowl';
import type { Block, ClockRules, Course, Pulling, RinsePoint } from '../clock';
import type { LiftOf, StrandReading } from '../lift';
import type { Plan } from '../pattern';
import type { Shelf } from '../products';
import type { ServiceStep } from '../steps';
import type { Formula } from '../visit';
import { strengthsFor, type ClockPlan, type LiftRow, type WorkList, type WorkUnit } from '../work';

/**
 * A unit of the work as it was planned: foil, painted section or treated drop-out, with all that is said of
 * it at the chair.
 */
export type ScriptUnit = Pick<
  WorkUnit,
  | 'id'
  | 'number'
  | 'kind'
  | 'panel'
  | 'panelName'
  | 'side'
  | 'zone'
  | 'letter'
  | 'lifts'
  | 'gather'
  | 'widthMm'
  | 'thicknessMm'
  | 'angleDeg'
  | 'startMm'
  | 'featherMm'
  | 'edgesMm'
  | 'teasing'
  | 'reach'
  | 'reachMm'
  | 'hairMm'
  | 'surface'
  | 'endsMm'
  | 'endsOutMm'
  | 'mix'
  | 'endsMix'
  | 'mixes'
  | 'fromOld'
  | 'again'
  | 'laidWith'
  | 'seconds'
  | 'grams'
  | 'endsGrams'
  | 'limitMinutes'
> & {
  /** How each stretch of it lifts, indices into the script's lifts; none for what only deposits. */
  readonly lifting: readonly number[];
  /** It is not done before, minutes: what deposits is done then. */
  readonly depositMinutes: number;
};

/** A stretch of hair that lifts. */
export interface ScriptLift extends Pick<LiftRow, 'letter' | 'from' | 'target' | 'stretch'> {
  readonly lift: LiftOf;
}

/** The course of a service with its blocks by their ids. */
export interface ScriptCourse {
  readonly order: readonly string[];
  readonly rinses: readonly (Omit<RinsePoint, 'blocks'> & { readonly blocks: readonly string[] | null })[];
  readonly pulling: Pulling;
  /** Blocks that the second person foils: 1. */
  readonly by: Readonly<Record<string, number>>;
}

/** A block of the clock with its units, by their ids. */
export interface ScriptBlock extends Block {
  readonly units: readonly string[];
}

/**
 * A service as it was agreed when it began: what is changed in the plan later does not change what is being
 * done.
 */
export interface ServiceScript {
  readonly version: 4;
  readonly plan: Plan;
  readonly naturalLevel: number;
  /** In the order of work. */
  readonly units: readonly ScriptUnit[];
  readonly lifts: readonly ScriptLift[];
  readonly blocks: readonly ScriptBlock[];
  /** Mixes by their name in a bowl: for which letters, and in words. */
  readonly mixes: Readonly<Record<string, ScriptMix>>;
  /** Lighteners by the letter of their formula, with the speed that was reckoned with. */
  readonly products: Readonly<
    Record<string, { readonly id: string; readonly name: string; readonly speed: number }>
  >;
  /** What was read of this head before. */
  readonly readings: readonly StrandReading[];
  readonly rules: ClockRules;
  readonly course: ScriptCourse;
  /** What follows the foils, as it was planned. */
  readonly steps: readonly ServiceStep[];
  /** What can be added at the chair, with its usual recipe. */
  readonly offers: readonly ServiceStep[];
}

/** What of a script changes when Mix is changed during a service. */
export type ScriptPart = Pick<ServiceScript, 'units' | 'lifts' | 'mixes' | 'products'>;

export interface ScriptMix {
  /** What it is for: letters whose mix is the same share a bowl. */
  readonly of: readonly { readonly letter: string; readonly part: MixPart }[];
  readonly words: string;
  /** Strength that is poured, volumes; null where no other can be taken. */
  readonly volumes: number | null;
  /** Strengths of the house that the lightener takes, volumes. */
  readonly strengths: readonly number[];
}

export interface ScriptInput {
  readonly plan: Plan;
  readonly work: WorkList;
  readonly clock: ClockPlan;
  /** The plan that was chosen. */
  readonly course: Course;
  readonly steps: readonly ServiceStep[];
  readonly offers: readonly ServiceStep[];
  readonly shelf: Shelf;
  readonly naturalLevel: number;
}

/** A course with its blocks by their ids. */
export function namedCourse(
  { order, rinses, pulling, by }: Course,
  blocks: readonly { readonly id: string }[],
): ScriptCourse {
  return {
    order: order.map((b) => blocks[b].id),
    rinses: rinses.map(({ blocks: own, ...point }) => ({
      ...point,
      blocks: own && own.map((b) => blocks[b].id),
    })),
    pulling,
    by: Object.fromEntries(by.flatMap((value, b) => (value > 0 ? [[blocks[b].id, value]] : []))),
  };
}

/** The same with its blocks by their places among some; blocks that it does not name come last. */
export function placedCourse(
  { order, rinses, pulling, by }: ScriptCourse,
  blocks: readonly { readonly id: string }[],
): Course {
  const at = new Map(blocks.map(({ id }, b) => [id, b]));
  const places = (ids: readonly string[]) => ids.flatMap((id) => at.get(id) ?? []);
  return {
    order: places([...new Set([...order, ...at.keys()])]),
    rinses: rinses.map(({ blocks: own, ...point }) => ({ ...point, blocks: own && places(own) })),
    pulling,
    by: blocks.map(({ id }) => by[id] ?? 0),
    strengths: blocks.map(() => 0),
  };
}

/** Freezes what a visit has planned into the script of its service. */
export function scriptOf({
  plan,
  course,
  steps,
  offers,
  naturalLevel,
  ...input
}: ScriptInput): ServiceScript {
  const { work, clock } = input;
  const blocks = clock.blocks.map((block): ScriptBlock => {
    // Other strengths are no matter of the chair: what Clock found of them is in the mix by now.
    const { id, panel, name, foils, together, apart, after: first } = block;
    return {
      id,
      panel,
      name,
      foils,
      together,
      apart,
      after: first,
      units: block.units.map((unit) => unit.id),
    };
  });
  return {
    version: 4,
    plan,
    naturalLevel,
    ...scriptPartOf(input),
    blocks,
    readings: work.readings,
    rules: { ...clock.rules, away: [] },
    course: namedCourse(course, blocks),
    steps,
    offers,
  };
}

/** What of a script follows Mix, without any plan of the clock. */
export function scriptPartOf({
  work,
  clock,
  shelf,
}: Pick<ScriptInput, 'work' | 'clock' | 'shelf'>): ScriptPart {
  const minutesOf = new Map(
    work.letters.map(({ letter, recipe }) => [letter, recipe ? leastMinutesOf(recipe) : 0]),
  );
  const units = clock.blocks.flatMap((block) =>
    block.units.map((unit, i) => scriptUnit(unit, block.foils[i].seconds, minutesOf.get(unit.letter) ?? 0)),
  );
  const mixes: Record<string, ScriptMix> = {};
  const add = (name: string, letter: string, part: MixPart, words: string) => {
    const formula = work.letters.find((formulaRow) => formulaRow.letter === letter)?.formula;
    const known = mixes[name] ?? { of: [], words, ...strengthsOf(formula, part, shelf) };
    if (!known.of.some((own) => own.letter === letter && own.part === part))
      mixes[name] = { ...known, of: [...known.of, { letter, part }] };
  };
  for (const { letter, mix, endsMix, grams, endsGrams, mixes: names, again } of work.units) {
    const [length, ends = length] = names;
    if (grams > 0 || endsGrams <= 0) add(length, letter, 'length', mix);
    if (endsGrams > 0) add(grams > 0 ? ends : length, letter, 'ends', endsMix ?? mix);
    if (again) add(again.mix, letter, 'second', again.words);
  }
  const products = Object.fromEntries(
    work.letters.flatMap(({ letter, formula }) => {
      // What is learnt of a mixture says nothing of either of its lighteners.
      const product =
        formula.kind === 'lift' && formula.lighteners.length === 1
          ? shelf.lightener(formula.lighteners[0].product)
          : undefined;
      return product ? [[letter, { id: product.id, name: product.name, speed: product.speed }]] : [];
    }),
  );
  return {
    units,
    lifts: work.lift.map(({ letter, from, target, stretch, lift }) => ({
      letter,
      from,
      target,
      stretch,
      lift,
    })),
    mixes,
    products,
  };
}

/** Strength of a mix, and those that its lightener takes instead; what deposits keeps its own. */
function strengthsOf(
  formula: Formula | undefined,
  part: MixPart,
  shelf: Shelf,
): Pick<ScriptMix, 'volumes' | 'strengths'> {
  if (formula?.kind !== 'lift') return { volumes: null, strengths: [] };
  const { volumes } = (part === 'ends' ? formula.ends : part === 'second' ? formula.second : null) ?? formula;
  return { volumes, strengths: strengthsFor(formula, shelf) };
}

/** What of a unit of the work the chair goes by. */
export function scriptUnit(unit: WorkUnit, seconds: number, depositMinutes: number): ScriptUnit {
  const {
    id,
    number,
    kind,
    panel,
    panelName,
    side,
    zone,
    letter,
    lifts,
    gather,
    widthMm,
    thicknessMm,
    angleDeg,
    startMm,
    featherMm,
    edgesMm,
    teasing,
    reach,
    reachMm,
    hairMm,
    surface,
    endsMm,
    endsOutMm,
    mix,
    endsMix,
    mixes,
    fromOld,
    again,
    laidWith,
    grams,
    endsGrams,
    limitMinutes,
    liftRows,
  } = unit;
  return {
    id,
    number,
    kind,
    panel,
    panelName,
    side,
    zone,
    letter,
    lifts,
    gather,
    widthMm,
    thicknessMm,
    angleDeg,
    startMm,
    featherMm,
    edgesMm,
    teasing,
    reach,
    reachMm,
    hairMm,
    surface,
    endsMm,
    endsOutMm,
    mix,
    endsMix,
    mixes,
    fromOld,
    again,
    laidWith,
    seconds,
    grams,
    endsGrams,
    limitMinutes,
    lifting: liftRows,
    depositMinutes,
  };
}
