import { EIGHT_IN_TEN } from '../lift';

/** A check at the chair as far as it tells of the lift. */
export interface LiftSample {
  readonly product: {
    readonly id: string;
    readonly name: string;
    /** What was reckoned with. */ readonly speed: number;
  };
  /** Who closed the foil. */
  readonly person: string;
  /**
   * Logarithm of what was lifted against what was reckoned with, this head's own factor from before in it.
   */
  readonly log: number;
  /** 1 / σ² of the reading. */
  readonly weight: number;
  /** What is not known of this head, sd of the logarithm. */
  readonly headSd: number;
}

/**
 * A sample with the service that it was seen at: all of one head on one day share what is not known of it.
 */
export type OfService = LiftSample & { readonly service: string };

/** A factor that is learnt, with what it rests on. */
export interface Lifted {
  readonly factor: number;
  /** Eight in ten lie between. */
  readonly low: number;
  readonly high: number;
  readonly readings: number;
  /** Services that they come from. */
  readonly services: number;
}

/**
 * How far lighteners and hands differ from what is reckoned with, sd of the logarithm, before anything was
 * seen. Working assumptions.
 */
const PRODUCT_SD = 0.15;
const HAND_SD = 0.1;

/** A service's readings as one: their mean has the spread of the readings and of the head. */
function fitted(
  samples: readonly OfService[],
  prior: { readonly at: number; readonly sd: number },
  valueOf: (sample: OfService) => number,
): Lifted {
  const byService = new Map<string, OfService[]>();
  for (const ofService of samples)
    byService.set(ofService.service, [...(byService.get(ofService.service) ?? []), ofService]);
  let weight = 1 / prior.sd ** 2;
  let sum = weight * prior.at;
  for (const services of byService.values()) {
    const within = services.reduce((all, one) => all + one.weight, 0);
    const mean = services.reduce((all, one) => all + one.weight * valueOf(one), 0) / within;
    const k = 1 / (1 / within + services[0].headSd ** 2);
    weight += k;
    sum += k * mean;
  }
  const at = sum / weight;
  const sd = 1 / Math.sqrt(weight);
  return {
    factor: Math.exp(at),
    low: Math.exp(at - EIGHT_IN_TEN * sd),
    high: Math.exp(at + EIGHT_IN_TEN * sd),
    readings: samples.length,
    services: byService.size,
  };
}

/**
 * A lightener's speed by what was read, drawn to the speed that is set: 1 is usual powder. It does not depend
 * on the speed that was
 * reckoned with at the time. An estimate.
 */
export const productSpeed = (samples: readonly OfService[], product: string, set: number): Lifted =>
  fitted(
    samples.filter((sample) => sample.product.id === product),
    { at: Math.log(set), sd: PRODUCT_SD },
    ({ log, product: { speed } }) => log + Math.log(speed),
  );

/**
 * How much the hair lifts in a person's foils against the estimate: full foils lift further than dry ones. An
 * estimate.
 */
export const handLift = (samples: readonly OfService[], person: string): Lifted =>
  fitted(
    samples.filter((sample) => sample.person === person),
    { at: 0, sd: HAND_SD },
    ({ log }) => log,
  );
