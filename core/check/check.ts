import type { Zone } from '../head';
import type { ComputedPlan, Plan } from '../pattern';

/** The rules that a pattern is held against. */
export const RULES = [
  'thick',
  'wide',
  'back-to-back',
  'jump',
  'unlit-hairline',
  'behind-ear',
  'slice-on-hairline',
  'drift',
  'single-alternation',
  'crown-open',
  'pointed-column',
  'short-hairline',
  'overlap',
  'over-time',
  'over-budget',
] as const;

export type Rule = (typeof RULES)[number];

/** One finding: what, where, why, and a mend where there is one. */
export interface Check {
  readonly rule: Rule;
  /** What is seen, in a sentence with its figures. */
  readonly seen: string;
  /** Why it matters. */
  readonly why: string;
  /** Panel and foils to look at. */
  readonly panel?: string;
  readonly foils: readonly string[];
  readonly mend?: Mend;
}

export interface Mend {
  /** What it does, as on a button: `Thickness 6 → 4 mm`. */
  readonly words: string;
  apply(plan: Plan): Plan;
}

/** Limits of the rules. Working assumptions from the trade's usual figures, to be set by the house. */
export interface CheckLimits {
  /** Thickest section that is still see-through, by gather, mm. */
  readonly sliceMm: number;
  readonly fineMm: number;
  readonly babyMm: number;
  /** Hair between two foils that meet at the part, mm. */
  readonly sliverMm: number;
  /** Largest ratio between neighbouring drop-outs. */
  readonly jump: number;
  /** Longest stretch of hairline without a foil within `behindMm` behind it, mm. */
  readonly unlitMm: number;
  readonly behindMm: number;
  /** Turn of a diagonal over its panel, degrees. */
  readonly driftDeg: number;
  /** Hairline hair shorter than this does not belong in a foil, mm. */
  readonly shortMm: number;
  /** Time for the foils; null where none was agreed, minutes. */
  readonly minutes: number | null;
}

/** What is known of the visit beside its plan. */
export interface CheckFacts {
  /** Regrowth since the last lightening by zone, mm; zones that were never lightened are left out. */
  readonly regrowthMm: Readonly<Partial<Record<Zone, number>>>;
  /** Foils that carry what lifts over hair lightened before, by their ids. */
  readonly overlapping: readonly string[];
  /** Zones where the hair map has baby hair or breakage. */
  readonly brokenZones: readonly Zone[];
  /** Estimated price and what was agreed at most, minor units; null where nothing was. */
  readonly priceMinor: number | null;
  readonly budgetMinor: number | null;
  /** An amount as the house says it. */
  readonly sayMoney: (minor: number) => string;
}

export const NO_FACTS: CheckFacts = {
  regrowthMm: {},
  overlapping: [],
  brokenZones: [],
  priceMinor: null,
  budgetMinor: null,
  sayMoney: String,
};

export const USUAL_LIMITS: CheckLimits = {
  sliceMm: 6.4,
  fineMm: 5,
  babyMm: 3.2,
  sliverMm: 1,
  jump: 1.5,
  unlitMm: 40,
  behindMm: 25,
  driftDeg: 25,
  shortMm: 40,
  minutes: null,
};

/** What a rule looks at. */
export interface CheckInput {
  readonly plan: Plan;
  readonly computed: ComputedPlan;
  readonly limits: CheckLimits;
  readonly facts: CheckFacts;
}

/** What each rule looks for, as a house reads it. */
export const RULE_WORDS: Readonly<Record<Rule, string>> = {
  thick: 'Sections thicker than see-through for their gather',
  wide: 'Sections wider than the foil and its tolerance',
  'back-to-back': 'Foils back to back at the part',
  jump: 'A jump between neighbouring drop-outs',
  'unlit-hairline': 'An unlit stretch of hairline',
  'behind-ear': 'A gap behind the ear',
  'slice-on-hairline': 'A slice on the hairline',
  drift: 'An angle that drifts over the foils',
  'single-alternation': 'Letters in turn all on one side or down one column',
  'crown-open': 'An open crown',
  'pointed-column': 'Straight partings at a pointed hairline',
  'short-hairline': 'Short hairline hair in a foil',
  overlap: 'Overlap onto lightened hair',
  'over-time': 'Over the time there is',
  'over-budget': 'Over the budget',
};
