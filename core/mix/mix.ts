import { bowlsFor, netGrams, paintedOf, type Bowls } from '../bowl';
import { foilSeconds, MINUTES_PER_PANEL_CHANGE } from '../clock';
import type { Zone } from '../head';
import { levelAfter, LIFT_FACTORS, readyAfter, type HeadFactor, type LiftOf } from '../lift';
import type { ComputedPlan, Panel, Plan } from '../pattern';

/** What a formula's letter stands for in the bowl. */
export interface Recipe {
  /** Strength of the developer, volumes. */
  readonly volumes: number;
  /** Grams of developer for one of powder. */
  readonly ratio: number;
  /** Factor of the product on the lift, 1 usual; and where it ends. */
  readonly product?: number;
  readonly most?: LiftOf['most'];
  /** Longest that the maker allows, minutes. */
  readonly limitMinutes: number;
}

export interface MixFacts {
  readonly naturalLevel: number;
  /** Natural level by zone, where it differs. */
  readonly levelIn?: Readonly<Partial<Record<Zone, number>>>;
  readonly targetLevel: number;
  readonly head: HeadFactor;
  /** A person's own use against the estimate, 1 usual. */
  readonly personal: number;
  readonly bowl: { readonly mostGrams: number; readonly usefulMinutes: number };
  recipeOf(formula: string): Recipe;
}

/** When a panel's foils are ready after they are closed, minutes; eight heads in ten lie between. */
export interface PanelLift {
  readonly panel: string;
  readonly name: string;
  readonly formula: string;
  /** Level that it starts from: the darkest that it holds. */
  readonly from: number;
  /** null where the target is not expected with this mix. */
  readonly ready: { readonly minutes: number; readonly soonest: number; readonly latest: number | null } | null;
  /** Level at the maker's limit (estimate), with its spread. */
  readonly atLimit: { readonly level: number; readonly low: number; readonly high: number };
  /** Oldest bowl that is painted in it, minutes, and what that adds to the time; null where it is then not expected any more. */
  readonly oldestBowlMinutes: number;
  readonly readyFromOldest: number | null;
}

export interface FormulaAmount {
  readonly formula: string;
  readonly foils: number;
  readonly net: number;
  readonly mixed: number;
  readonly powder: number;
  readonly developer: number;
  readonly volumes: number;
}

export interface Mixed {
  readonly amounts: readonly FormulaAmount[];
  readonly bowls: Bowls;
  readonly panels: readonly PanelLift[];
}

/** What a plan takes in the bowl, and when it is ready: estimates, until a strand test or a check says more. */
export function mixOf(plan: Plan, { sheet }: Pick<ComputedPlan, 'sheet'>, facts: MixFacts): Mixed {
  const panels = new Map(plan.panels.map((panel) => [panel.id, panel]));
  const lengthIn = (zone: Zone) => plan.hair.byZone[zone]?.lengthMm ?? plan.hair.lengthMm;
  let at = 0;
  let before: string | undefined;
  const foils = sheet.foils.map((foil) => {
    const panel = panels.get(foil.panel)!;
    if (before !== undefined && before !== foil.panel) at += MINUTES_PER_PANEL_CHANGE;
    before = foil.panel;
    const fromMinutes = at;
    at += foilSeconds({ gather: foil.gather, panel: foil.panel, teasing: panel.start.teasing }) / 60;
    return { panel: foil.panel, formula: foil.formula, net: facts.personal * netGrams(paintedOf(foil, panel, lengthIn(foil.zone))), fromMinutes, toMinutes: at };
  });
  const bowls = bowlsFor(foils, { ...facts.bowl, ratioOf: (formula) => facts.recipeOf(formula).ratio });
  const made = bowls.ok ? bowls.bowls : [];
  const formulas = [...new Set(foils.map(({ formula }) => formula))].sort();
  const amounts = formulas.map((formula): FormulaAmount => {
    const own = made.filter((bowl) => bowl.formula === formula);
    const sum = (of: (bowl: (typeof own)[number]) => number) => own.reduce((all, bowl) => all + of(bowl), 0);
    return {
      formula, foils: foils.filter((foil) => foil.formula === formula).length, volumes: facts.recipeOf(formula).volumes,
      net: sum(({ net }) => net), mixed: sum(({ mixed }) => mixed), powder: sum(({ powder }) => powder), developer: sum(({ developer }) => developer),
    };
  });
  const ages = new Array<number>(foils.length).fill(0);
  for (const { which, fromMinutes } of made) for (const i of which) ages[i] = foils[i].fromMinutes - fromMinutes;
  return { amounts, bowls, panels: plan.panels.flatMap((panel) => liftOf(panel, plan, sheet.foils, ages, facts)) };
}

function liftOf(panel: Panel, plan: Plan, foils: ComputedPlan['sheet']['foils'], ages: readonly number[], facts: MixFacts): PanelLift[] {
  const own = foils.map((foil, i) => ({ foil, age: ages[i] })).filter(({ foil }) => foil.panel === panel.id);
  if (own.length === 0) return [];
  const { formula } = own[0].foil;
  const recipe = facts.recipeOf(formula);
  const from = Math.min(...own.map(({ foil }) => facts.levelIn?.[foil.zone] ?? facts.naturalLevel));
  const strand = LIFT_FACTORS.strand[plan.hair.strand];
  const enclosed = panel.medium === 'open-air' ? LIFT_FACTORS.openAir : 1;
  const mix = (head: number, bowlAgeMinutes = 0): LiftOf => ({ volumes: recipe.volumes, factor: head * strand * enclosed * (recipe.product ?? 1), bowlAgeMinutes, most: recipe.most });
  const ready = (head: number, age = 0) => readyAfter(from, facts.targetLevel, mix(head, age));
  const usual = ready(facts.head.factor);
  const level = (head: number) => levelAfter(from, mix(head), recipe.limitMinutes);
  const oldest = Math.max(...own.map(({ age }) => age));
  return [{
    panel: panel.id, name: panel.name, formula, from,
    // A fresh mix that is not expected to get there is not saved by a head that takes it better.
    ready: usual === null ? null : { minutes: usual, soonest: ready(facts.head.high)!, latest: ready(facts.head.low) },
    atLimit: { level: level(facts.head.factor), low: level(facts.head.low), high: level(facts.head.high) },
    oldestBowlMinutes: oldest, readyFromOldest: ready(facts.head.factor, oldest),
  }];
}
