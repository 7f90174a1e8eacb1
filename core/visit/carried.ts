import { keysOf } from '../units';
import { USUAL_CLOCK, type VisitClock } from './clock';
import type { Consult, Health } from './consult';
import type { VisitMix, VisitMoney } from './mix';

/** What becomes of each field at the next visit. A field that is not named does not compile. */
type Carried<T> = { readonly [K in keyof T]: (value: T[K]) => T[K] };

const goesOn = <V>(value: V): V => value;
const resetTo =
  <V>(value: V) =>
  (): V =>
    value;

/** A document as it begins at the next visit. */
function carried<T extends object>(document: T, by: Carried<T>): T {
  const out = { ...document };
  for (const field of keysOf(by)) out[field] = by[field](document[field]);
  return out;
}

/** Scalp and strand are looked at each time; what was asked of the client holds until they say otherwise. */
const HEALTH: Carried<Health> = {
  allergy: goesOn,
  dyes: goesOn,
  scalp: resetTo(null),
  strandFeel: resetTo(null),
  noted: goesOn,
};

const CONSULT: Carried<Consult> = {
  version: goesOn,
  naturalLevel: goesOn,
  goalLevel: goesOn,
  brightness: goesOn,
  wornUpShare: goesOn,
  wornHalfUpShare: goesOn,
  contrast: goesOn,
  tone: goesOn,
  skinTone: goesOn,
  faceFrame: goesOn,
  hairlineBlend: goesOn,
  partMoves: goesOn,
  curl: goesOn,
  swatches: goesOn,
  cut: goesOn,
  cowlick: goesOn,
  weeksBetween: goesOn,
  washesPerWeek: goesOn,
  minutesAtMost: goesOn,
  budgetMinor: goesOn,
  head: goesOn,
  hair: goesOn,
  regrowthMm: resetTo({}),
  map: goesOn,
  history: goesOn,
  occasions: goesOn,
  extensions: goesOn,
  goals: goesOn,
  health: (health) => carried(health, HEALTH),
  notes: resetTo(''),
};

/** What of a consultation still holds at the next visit: all but what is measured and seen on the day. */
export const carriedConsult = (consult: Consult): Consult => carried(consult, CONSULT);

const CLOCK: Carried<VisitClock> = {
  visits: goesOn,
  backFirst: goesOn,
  chosen: resetTo(USUAL_CLOCK.chosen),
  strengths: goesOn,
  second: goesOn,
  painting: resetTo(USUAL_CLOCK.painting),
  heat: resetTo(USUAL_CLOCK.heat),
  pace: resetTo(USUAL_CLOCK.pace),
  lateMinutes: resetTo(USUAL_CLOCK.lateMinutes),
  away: resetTo(USUAL_CLOCK.away),
  pulled: resetTo(USUAL_CLOCK.pulled),
  pinned: resetTo(USUAL_CLOCK.pinned),
  kept: resetTo(USUAL_CLOCK.kept),
  together: resetTo(USUAL_CLOCK.together),
  apart: resetTo(USUAL_CLOCK.apart),
};

const MONEY: Carried<VisitMoney> = { addOns: goesOn, agreed: resetTo(null), payments: resetTo([]) };

const MIX: Carried<VisitMix> = {
  version: goesOn,
  products: resetTo([]),
  formulas: goesOn,
  bowl: goesOn,
  tests: goesOn,
  toners: goesOn,
  roots: goesOn,
  corrections: resetTo([]),
  weighed: resetTo([]),
  used: resetTo({}),
  unit: goesOn,
  scoopGrams: goesOn,
  money: (money) => carried(money, MONEY),
  clock: (clock) => carried(clock, CLOCK),
};

/**
 * What of a mix still holds at the next visit: formulas, toners, root and the readings of this head. What was
 * weighed, paid and decided about this day’s time does not.
 */
export const carriedMix = (mix: VisitMix): VisitMix => carried(mix, MIX);
