import type { Strand } from '../pattern';
import { effortTo, levelOf } from './effort';

const { exp, log, min, pow } = Math;

/**
 * Rate at 20 volumes, effort a minute; how it grows with strength; and how soon a strength is spent: strong
 * developer rises
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
} as const;

/**
 * Warmth that is added works on time: nothing at the temperature of the room, so much at a usual warm towel
 * or dryer. Working assumptions.
 */
const ROOM_CELSIUS = 22;
export const USUAL_WARM_CELSIUS = 40;
const FASTER_WHEN_WARM = 0.3;

/** How much faster hair lifts at a temperature: 1 at room temperature and below. */
export const warmthFactor = (celsius: number): number =>
  1 + (FASTER_WHEN_WARM * Math.max(0, celsius - ROOM_CELSIUS)) / (USUAL_WARM_CELSIUS - ROOM_CELSIUS);

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
  /** Warmth quickens the lift, it does not carry it further: so many times as fast from a minute on. */
  readonly warmth?: { readonly factor: number; readonly fromMinutes: number };
  /** Painted again with a fresh mix of another strength after so many minutes. */
  readonly second?: { readonly afterMinutes: number; readonly volumes: number };
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

/** Minutes as the lift takes them, with what warmth quickens; and back. */
export const warmedMinutes = (minutes: number, { warmth }: Pick<LiftOf, 'warmth'>): number =>
  warmth === undefined || minutes <= warmth.fromMinutes
    ? minutes
    : warmth.fromMinutes + warmth.factor * (minutes - warmth.fromMinutes);
const unwarmed = (minutes: number, { warmth }: LiftOf) =>
  warmth === undefined || minutes <= warmth.fromMinutes
    ? minutes
    : warmth.fromMinutes + (minutes - warmth.fromMinutes) / warmth.factor;

/** Effort that a mix gives in so many minutes, on this hair; a second application adds its dose. */
function effortIn(mix: LiftOf, minutes: number): number {
  const { volumes, factor, bowlAgeMinutes = 0, second } = mix;
  const first = second ? min(minutes, second.afterMinutes) : minutes;
  const once = bowlStrength(bowlAgeMinutes) * dose(volumes, warmedMinutes(first, mix));
  const again =
    second && minutes > second.afterMinutes
      ? dose(second.volumes, warmedMinutes(minutes, mix) - warmedMinutes(second.afterMinutes, mix))
      : 0;
  return factor * (once + again);
}

/** Level after so many minutes, from a level: an estimate. Never falls with time. */
export function levelAfter(from: number, mix: LiftOf, minutes: number): number {
  const lifted = levelOf(effortTo(from) + effortIn(mix, minutes));
  // A product that lifts no further leaves hair that is lighter as it is.
  return Math.max(from, min(lifted, capOf(from, mix)));
}

/**
 * A mix on one head.
 * @param head how this head takes lift against the usual one: the middle of its estimate, or an end of its
 *   spread
 */
export const onThisHead = (mix: LiftOf, head: number): LiftOf => ({ ...mix, factor: mix.factor * head });

/** Level after several applications, one after the other; each adds its dose. */
export function levelAfterAll(
  from: number,
  applications: readonly { readonly mix: LiftOf; readonly minutes: number }[],
): number {
  return applications.reduce((level, { mix, minutes }) => levelAfter(level, mix, minutes), from);
}

/**
 * Minutes until a level is reached (estimate), from the first application on; null where it is not expected
 * with this mix. 0 where it is there already.
 */
export function readyAfter(from: number, target: number, mix: LiftOf): number | null {
  const need = effortTo(target) - effortTo(from);
  if (need <= 0) return 0;
  if (target > capOf(from, mix)) return null;
  const { volumes, factor, bowlAgeMinutes = 0, second } = mix;
  const first = minutesFor(need, volumes, factor * bowlStrength(bowlAgeMinutes));
  const alone = first === null ? null : unwarmed(first, mix);
  if (!second || (alone !== null && alone <= second.afterMinutes)) return alone;
  const rest = minutesFor(need - effortIn(mix, second.afterMinutes), second.volumes, factor);
  return rest === null ? null : unwarmed(warmedMinutes(second.afterMinutes, mix) + rest, mix);
}

/** Minutes in which fresh developer of a strength gives an effort; null where it never does. */
function minutesFor(need: number, volumes: number, factor: number): number | null {
  const spent = spentAfter(volumes);
  const all = factor * rateOf(volumes) * spent;
  return need >= all ? null : -spent * log(1 - need / all);
}
