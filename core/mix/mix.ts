import { bowlsFor, type Bowl } from '../bowl';
import type { Zone } from '../head';
import { levelAfter, LIFT_FACTORS, readyAfter, type HeadFactor, type LiftOf } from '../lift';
import type { ComputedPlan, Panel, Plan } from '../pattern';
import type { Recipe } from './recipe';
import { amountOf, workOf, type WorkUnit } from './work';

/** What is known of one zone's hair beside its natural level. */
export interface MixZone {
  /** Level of the ends, where it differs. */
  readonly endsLevel?: number;
  /** A band of earlier permanent colour, and its level. */
  readonly bandLevel?: number;
}

export interface MixFacts {
  readonly naturalLevel: number;
  /** Natural level by zone, where it differs. */
  readonly levelIn?: Readonly<Partial<Record<Zone, number>>>;
  readonly hairIn?: Readonly<Partial<Record<Zone, MixZone>>>;
  /** Since a zone was last taken to the root, mm. */
  readonly regrowthMm?: Readonly<Partial<Record<Zone, number>>>;
  readonly targetLevel: number;
  readonly head: HeadFactor;
  /** A person's own use against the estimate, 1 usual. */
  readonly personal: number;
  readonly bowl: { readonly mostGrams: number; readonly usefulMinutes: number };
  /** Letter of the formula that lowlit drop-outs take. */
  readonly lowlight?: string | null;
  recipeOf(formula: string): Recipe;
}

/** Which stretch of a strand: the length from the root, the ends with a mix of their own, or a band of earlier colour. */
export type Stretch = 'length' | 'ends' | 'band';

/** When a panel's foils of one formula are ready after they are closed, minutes; eight heads in ten lie between. */
export interface PanelLift {
  readonly panel: string;
  readonly name: string;
  readonly formula: string;
  readonly stretch: Stretch;
  /** Level that it starts from: the darkest that it holds. */
  readonly from: number;
  readonly target: number;
  /** null where the target is not expected with this mix. */
  readonly ready: { readonly minutes: number; readonly soonest: number; readonly latest: number | null } | null;
  /** Level at the maker's limit (estimate), with its spread. */
  readonly atLimit: { readonly level: number; readonly low: number; readonly high: number };
  readonly limitMinutes: number;
  /** What it meets and is, with the head's own factor left out: it makes the curve. */
  readonly lift: LiftOf;
  /** Oldest bowl that is painted in it, minutes, and what that adds to the time; null where it is then not expected any more. */
  readonly oldestBowlMinutes: number;
  readonly readyFromOldest: number | null;
  readonly zones: readonly Zone[];
}

export interface FormulaAmount {
  readonly formula: string;
  readonly stretch: 'length' | 'ends';
  readonly foils: number;
  /** Sections painted in the open air and treated drop-outs. */
  readonly others: number;
  readonly net: number;
  readonly mixed: number;
  readonly powder: number;
  /** Everything beside the powder: developer and what is added. */
  readonly developer: number;
  readonly volumes: number;
}

/** A bowl, with the work that it is for. */
export interface MixBowl extends Bowl {
  /** Sections painted in the open air and treated drop-outs; `foils` counts foils alone. */
  readonly others: number;
  readonly stretch: 'length' | 'ends';
  /** Letter and number: `A 1`. */
  readonly label: string;
  /** Indices into the work. */
  readonly work: readonly number[];
}

export interface Mixed {
  /** Everything that product is put on, in order. */
  readonly work: readonly WorkUnit[];
  readonly amounts: readonly FormulaAmount[];
  readonly bowls: { readonly ok: true; readonly bowls: readonly MixBowl[] } | { readonly ok: false; readonly problem: string };
  readonly panels: readonly PanelLift[];
  /** Strength over both mixes of a strand, by grams, where a formula has ends of its own. */
  readonly meanVolumes: Readonly<Record<string, number>>;
}

const ENDS = ' ends';
const stretchOf = (key: string): 'length' | 'ends' => (key.endsWith(ENDS) ? 'ends' : 'length');
const letterOf = (key: string): string => (key.endsWith(ENDS) ? key.slice(0, -ENDS.length) : key);

/** What a plan takes in the bowl, and when it is ready: estimates, until a strand test or a check says more. */
export function mixOf(plan: Plan, computed: Pick<ComputedPlan, 'sheet'>, facts: MixFacts): Mixed {
  const work = workOf(plan, computed, facts.lowlight ?? null);
  const lengthIn = (zone: Zone | null) => (zone === null ? undefined : plan.hair.byZone[zone]?.lengthMm) ?? plan.hair.lengthMm;
  // One entry for each mix on each unit of work; two where the ends have one of their own.
  const entries = work.flatMap((unit, at) => {
    const { net, endsShare } = amountOf(unit, facts.recipeOf(unit.formula), lengthIn(unit.zone), unit.zone === null ? undefined : facts.regrowthMm?.[unit.zone]);
    const entry = { at, panel: unit.panel.id, fromMinutes: unit.fromMinutes, toMinutes: unit.toMinutes };
    const of = (formula: string, share: number) => (share > 0 ? [{ ...entry, formula, net: facts.personal * net * share }] : []);
    return [...of(unit.formula, 1 - endsShare), ...of(unit.formula + ENDS, endsShare)];
  });
  const ratioOf = (key: string) => {
    const { ratio, extra = 0, ends } = facts.recipeOf(letterOf(key));
    return (stretchOf(key) === 'ends' && ends ? ends.ratio : ratio) + extra;
  };
  const split = bowlsFor(entries, { ...facts.bowl, ratioOf });
  const counts = new Map<string, number>();
  const made = (split.ok ? split.bowls : []).map((bowl): MixBowl => {
    const number = (counts.get(bowl.formula) ?? 0) + 1;
    counts.set(bowl.formula, number);
    const units = bowl.which.map((i) => entries[i].at);
    return { ...bowl, ...counted(units.map((at) => work[at])), formula: letterOf(bowl.formula), stretch: stretchOf(bowl.formula), label: `${bowl.formula} ${number}`, work: units };
  });
  const ages = new Float64Array(work.length);
  for (const bowl of made) for (const i of bowl.work) ages[i] = Math.max(ages[i], work[i].fromMinutes - bowl.fromMinutes);
  const amounts = amountsOf(entries, work, made, facts);
  return {
    work, amounts,
    bowls: split.ok ? { ok: true, bowls: made } : split,
    panels: plan.panels.flatMap((panel) => liftOf(panel, plan, work, ages, facts)),
    meanVolumes: meanVolumes(amounts),
  };
}

function counted(units: readonly WorkUnit[]): { foils: number; others: number } {
  const foils = units.filter(({ kind }) => kind === 'foil').length;
  return { foils, others: units.length - foils };
}

function amountsOf(entries: readonly { readonly formula: string; readonly at: number }[], work: readonly WorkUnit[], bowls: readonly MixBowl[], { recipeOf }: MixFacts): FormulaAmount[] {
  return [...new Set(entries.map(({ formula }) => formula))].sort().map((key) => {
    const [formula, stretch] = [letterOf(key), stretchOf(key)];
    const own = bowls.filter((bowl) => bowl.formula === formula && bowl.stretch === stretch);
    const sum = (of: (bowl: MixBowl) => number) => own.reduce((all, bowl) => all + of(bowl), 0);
    const recipe = recipeOf(formula);
    return {
      formula, stretch, ...counted(entries.filter((entry) => entry.formula === key).map(({ at }) => work[at])), volumes: stretch === 'ends' && recipe.ends ? recipe.ends.volumes : recipe.volumes,
      net: sum(({ net }) => net), mixed: sum(({ mixed }) => mixed), powder: sum(({ powder }) => powder), developer: sum(({ developer }) => developer),
    };
  });
}

/** Strengths weighed by grams where a formula has a mix of its own on the ends. */
function meanVolumes(amounts: readonly FormulaAmount[]): Record<string, number> {
  const twice = amounts.filter(({ stretch, net }) => stretch === 'ends' && net > 0).map(({ formula }) => formula);
  return Object.fromEntries(twice.map((formula) => {
    const own = amounts.filter((amount) => amount.formula === formula);
    return [formula, own.reduce((sum, { net, volumes }) => sum + net * volumes, 0) / own.reduce((sum, { net }) => sum + net, 0)];
  }));
}

function liftOf(panel: Panel, plan: Plan, work: readonly WorkUnit[], ages: Float64Array, facts: MixFacts): PanelLift[] {
  const here = work.map((unit, i) => ({ unit, age: ages[i] })).filter(({ unit }) => unit.panel.id === panel.id && unit.zone !== null);
  return [...new Set(here.map(({ unit }) => unit.formula))].flatMap((formula): PanelLift[] => {
    const recipe = facts.recipeOf(formula);
    if (recipe.deposits) return [];
    const own = here.filter(({ unit }) => unit.formula === formula);
    const zones = [...new Set(own.map(({ unit }) => unit.zone!))];
    const oldest = Math.max(...own.map(({ age }) => age));
    const of = (stretch: Stretch, levels: readonly number[], volumes: number, factor = 1): PanelLift[] =>
      levels.length === 0 ? [] : [stretchLift({ panel, formula, stretch, zones, oldest, recipe, volumes, factor, from: Math.min(...levels) }, plan, facts)];
    const natural = (zone: Zone) => facts.levelIn?.[zone] ?? facts.naturalLevel;
    const known = zones.flatMap((zone) => facts.hairIn?.[zone] ?? []);
    const lightened = known.some(({ endsLevel }) => endsLevel !== undefined);
    return [
      ...of('length', zones.map(natural), recipe.volumes),
      ...of('band', recipe.reach === 'regrowth' ? [] : known.flatMap(({ bandLevel }) => bandLevel ?? []), recipe.volumes, LIFT_FACTORS.band),
      ...(recipe.ends ? of('ends', zones.map((zone) => facts.hairIn?.[zone]?.endsLevel ?? natural(zone)), recipe.ends.volumes, lightened ? LIFT_FACTORS.lightened : 1) : []),
    ];
  });
}

interface StretchOf {
  readonly panel: Panel;
  readonly formula: string;
  readonly stretch: Stretch;
  readonly zones: readonly Zone[];
  readonly oldest: number;
  readonly recipe: Recipe;
  readonly volumes: number;
  readonly factor: number;
  readonly from: number;
}

function stretchLift({ panel, formula, stretch, zones, oldest, recipe, volumes, factor, from }: StretchOf, plan: Plan, facts: MixFacts): PanelLift {
  const open = panel.medium === 'open-air';
  const lift: LiftOf = { volumes, factor: factor * LIFT_FACTORS.strand[plan.hair.strand] * (open ? LIFT_FACTORS.openAir : 1) * (recipe.product ?? 1), most: recipe.most, ...(recipe.heat && { warmth: LIFT_FACTORS.warmth }) };
  const limitMinutes = open ? (recipe.openAirMinutes ?? recipe.limitMinutes) : recipe.limitMinutes;
  const target = recipe.target ?? facts.targetLevel;
  const on = (head: number, bowlAgeMinutes = 0): LiftOf => ({ ...lift, factor: lift.factor * head, bowlAgeMinutes });
  const ready = (head: number, age = 0) => readyAfter(from, target, on(head, age));
  const usual = ready(facts.head.factor);
  const level = (head: number) => levelAfter(from, on(head), limitMinutes);
  return {
    panel: panel.id, name: panel.name, formula, stretch, zones, from, target, limitMinutes, lift,
    // A fresh mix that is not expected to get there is not saved by a head that takes it better.
    ready: usual === null ? null : { minutes: usual, soonest: ready(facts.head.high)!, latest: ready(facts.head.low) },
    atLimit: { level: level(facts.head.factor), low: level(facts.head.low), high: level(facts.head.high) },
    oldestBowlMinutes: oldest, readyFromOldest: ready(facts.head.factor, oldest),
  };
}

/** Minutes and level of a curve, with its spread. */
export interface LiftPoint {
  readonly minutes: number;
  readonly level: number;
  readonly low: number;
  readonly high: number;
}

/** Lift of a panel's hair over time (estimate), from the moment that a foil is closed. */
export function curveOf({ from, lift }: Pick<PanelLift, 'from' | 'lift'>, head: HeadFactor, untilMinutes: number, stepMinutes = 1): LiftPoint[] {
  const at = (factor: number, minutes: number) => levelAfter(from, { ...lift, factor: lift.factor * factor }, minutes);
  return Array.from({ length: Math.floor(untilMinutes / stepMinutes) + 1 }, (_, i) => {
    const minutes = i * stepMinutes;
    return { minutes, level: at(head.factor, minutes), low: at(head.low, minutes), high: at(head.high, minutes) };
  });
}
