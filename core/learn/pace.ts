import { keysOf } from '../units';
import { foilSeconds, SECONDS_PER_FOIL } from '../clock';
import type { GatherKind } from '../pattern';

/** Seconds that somebody took for one foil. */
export interface PaceSample {
  readonly person: string;
  readonly gather: GatherKind;
  readonly teasing: number;
  readonly seconds: number;
}

/** Somebody's pace at a gather: seconds, with what lies between eight in ten foils. */
export interface Pace {
  readonly gather: GatherKind;
  readonly seconds: number;
  readonly low: number;
  readonly high: number;
  /** Foils that it rests on. */
  readonly foils: number;
}

/** A person's own foils count against the house's like so many (model §9). */
const WEIGHT = 20;
/**
 * Spread of the seconds of one hand's foils, sd of the logarithm, before any were seen. Working assumption.
 */
const USUAL_SPREAD = 0.3;
const EIGHT_IN_TEN = 1.28;
/**
 * Longer than so many times the usual is an interruption and no pace; shorter than so much of it a slip of
 * the finger.
 */
const INTERRUPTED = 4;
const SLIPPED = 0.15;

const mean = (all: readonly number[]) => all.reduce((sum, value) => sum + value, 0) / all.length;

/**
 * Samples that tell of pace: what was interrupted or tapped through is left out. Logarithm against the usual
 * time.
 */
const ratios = (samples: readonly PaceSample[]) =>
  samples.flatMap(({ person, gather, teasing, seconds }) => {
    const ratio = seconds / foilSeconds({ gather, teasing, panel: '' });
    return ratio > SLIPPED && ratio < INTERRUPTED ? [{ person, gather, log: Math.log(ratio) }] : [];
  });

/**
 * Seconds per foil by gather, log-normal: a person's own foils drawn to the house's mean with the weight of
 * 20 foils, the house's to
 * the usual time with the same. Estimates.
 */
export function paceOf(samples: readonly PaceSample[], person: string): Pace[] {
  const all = ratios(samples);
  return keysOf(SECONDS_PER_FOIL).map((gather) => {
    const house = all.filter((own) => own.gather === gather);
    const houseMean =
      (house.length * (house.length > 0 ? mean(house.map(({ log }) => log)) : 0)) / (house.length + WEIGHT);
    const own = house.filter((one) => one.person === person);
    const at =
      (own.length * (own.length > 0 ? mean(own.map(({ log }) => log)) : 0) + WEIGHT * houseMean) /
      (own.length + WEIGHT);
    const spread = Math.sqrt(
      (own.reduce((sum, { log }) => sum + (log - at) ** 2, 0) + WEIGHT * USUAL_SPREAD ** 2) /
        (own.length + WEIGHT),
    );
    const usual = SECONDS_PER_FOIL[gather];
    return {
      gather,
      seconds: usual * Math.exp(at),
      low: usual * Math.exp(at - EIGHT_IN_TEN * spread),
      high: usual * Math.exp(at + EIGHT_IN_TEN * spread),
      foils: own.length,
    };
  });
}

/**
 * A person's pace over all gathers, hundredths of the usual, as the clock takes it; with the foils that it
 * rests on.
 */
export function pacePercent(
  samples: readonly PaceSample[],
  person: string,
): { readonly percent: number; readonly foils: number } {
  const paces = paceOf(samples, person);
  const foils = paces.reduce((sum, pace) => sum + pace.foils, 0);
  // Weighed by what they do; a gather that they never picked says nothing. Who has picked none weaves.
  const weave = paces.find(({ gather }) => gather === 'weave')!;
  const log =
    foils === 0
      ? Math.log(weave.seconds / SECONDS_PER_FOIL.weave)
      : paces.reduce(
          (sum, pace) => sum + pace.foils * Math.log(pace.seconds / SECONDS_PER_FOIL[pace.gather]),
          0,
        ) / foils;
  return { percent: Math.round(100 * Math.exp(log)), foils };
}
