import type { Strand } from '../pattern';
import { effortTo, levelOf } from './effort';

const { exp, log, min, pow } = Math;

/**
 * Rate at 20 volumes, effort a minute; how it grows with strength; and how soon a strength is spent: strong developer rises
 * steeply and flattens, weak goes on. Working assumptions, calibrated by strand tests and checks.
 */
const RATE_AT_20 = 0.175;
const RATE_GROWS = 0.8;
const SPENT_VOLUME_MINUTES = 720;

/** Factors of hair and application on the lift. Working assumptions. */
export const LIFT_FACTORS = {
  strand: { fine: 1.15, medium: 1, coarse: 0.85 } satisfies Record<Strand, number>,
  openAir: 0.75,
  /** Through a band of permanent colour. */
  band: 0.6,
  /** Lightened before: quicker, and weaker hair. */
  lightened: 1.2,
  /** Added warmth, on time. */
  warmth: 1.3,
} as const;

/** A bowl keeps its strength so long, then loses it over as long again, minutes. */
const BOWL_FRESH_MINUTES = 30;
const BOWL_FADES_MINUTES = 30;

/** What a mix meets, and what the mix is. */
export interface LiftOf {
  /** Developer strength, volumes. */
  readonly volumes: number;
  /** Head × hair × enclosure × product and so on; 1 is usual. */
  readonly factor: number;
  /** Age of the bowl when it is painted, minutes. */
  readonly bowlAgeMinutes?: number;
  /** Warmth quickens the lift, it does not carry it further: 1 none. */
  readonly warmth?: number;
  /** Levels that the product lifts at most, and the level it ends at. */
  readonly most?: { readonly levels: number; readonly top: number };
}

/** Share of its strength that a bowl has left at an age in minutes. */
export function bowlStrength(ageMinutes: number): number {
  return ageMinutes <= BOWL_FRESH_MINUTES ? 1 : exp(-(ageMinutes - BOWL_FRESH_MINUTES) / BOWL_FADES_MINUTES);
}

const rateOf = (volumes: number) => RATE_AT_20 * pow(volumes / 20, RATE_GROWS);
const spentAfter = (volumes: number) => SPENT_VOLUME_MINUTES / volumes;

/** Effort that fresh developer of a strength gives in so many minutes, on usual hair in foil. */
export function dose(volumes: number, minutes: number): number {
  const spent = spentAfter(volumes);
  return rateOf(volumes) * spent * (1 - exp(-minutes / spent));
}

const capOf = (from: number, { most }: LiftOf) => (most ? min(from + most.levels, most.top) : 10);

/** Level after so many minutes, from a level: an estimate. Never falls with time. */
export function levelAfter(from: number, mix: LiftOf, minutes: number): number {
  const { volumes, factor, bowlAgeMinutes = 0, warmth = 1 } = mix;
  const lifted = levelOf(effortTo(from) + factor * bowlStrength(bowlAgeMinutes) * dose(volumes, warmth * minutes));
  // A product that lifts no further leaves hair that is lighter as it is.
  return Math.max(from, min(lifted, capOf(from, mix)));
}

/** A mix on one head. @param head how this head takes lift against the usual one: the middle of its estimate, or an end of its spread */
export const onThisHead = (mix: LiftOf, head: number): LiftOf => ({ ...mix, factor: mix.factor * head });

/** Level after several applications, one after the other; each adds its dose. */
export function levelAfterAll(from: number, applications: readonly { readonly mix: LiftOf; readonly minutes: number }[]): number {
  return applications.reduce((level, { mix, minutes }) => levelAfter(level, mix, minutes), from);
}

/** Minutes until a level is reached (estimate); null where it is not expected with this mix. 0 where it is there already. */
export function readyAfter(from: number, target: number, mix: LiftOf): number | null {
  const need = effortTo(target) - effortTo(from);
  if (need <= 0) return 0;
  if (target > capOf(from, mix)) return null;
  const { volumes, factor, bowlAgeMinutes = 0, warmth = 1 } = mix;
  const spent = spentAfter(volumes);
  const all = factor * bowlStrength(bowlAgeMinutes) * rateOf(volumes) * spent;
  return need >= all ? null : (-spent * log(1 - need / all)) / warmth;
}
