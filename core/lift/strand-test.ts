import { effortAt, effortTo } from './effort';
import { dose } from './lift';

const { exp, log, sqrt } = Math;

/** Spread of heads: standard deviation of ln f before anything was read. */
const PRIOR_SD = 0.25;
/** Error of a level read by eye, at the beginning and at the end. */
const READING_SD = 0.25;
/** Eight in ten lie within so many standard deviations. */
export const EIGHT_IN_TEN = 1.28;

/** A level read on a strand after so many minutes of a mix. */
export interface StrandReading {
  readonly from: number;
  readonly volumes: number;
  readonly minutes: number;
  /** Level read. */
  readonly level: number;
  /** Factors that are known already, this head's left out. */
  readonly known: number;
  /** The product lifts no further than the level read: it could have been more. */
  readonly atCap?: boolean;
}

/** How this head takes lift against the usual one. */
export interface HeadFactor {
  readonly factor: number;
  /** Standard deviation of its logarithm. */
  readonly sd: number;
  /** Eight in ten heads like it lie between. */
  readonly low: number;
  readonly high: number;
  readonly readings: number;
  /**
   * The readings are further apart than reading errors are: each counts for less, and the spread is wider.
   */
  readonly disagree: boolean;
}

/** Why a reading says nothing of the head; undefined where it does. */
export function readingProblem({ from, level, minutes, volumes }: StrandReading): string | undefined {
  if (!(minutes > 0)) return 'a strand test needs its minutes';
  if (!(volumes > 0)) return 'a strand test needs the strength that it was done with';
  if (level <= from) return `no lift was read: ${level} is not above ${from}`;
  return undefined;
}

/**
 * What one sound reading says of the lift against what is known: the logarithm of its factor, and its weight,
 * 1 / σ² of the reading.
 */
export function weighReading(reading: StrandReading): { readonly raw: number; readonly weight: number } {
  const lifted = effortTo(reading.level) - effortTo(reading.from);
  const sigma = (effortAt(reading.level) * sqrt(2) * READING_SD) / lifted;
  return {
    raw: log(lifted / (reading.known * dose(reading.volumes, reading.minutes))),
    weight: 1 / sigma ** 2,
  };
}

/**
 * From here on readings are said to disagree: their spread against that of reading errors (variance ratio).
 * One pair in ten is so far apart by chance.
 */
const DISAGREE = 2.7;

/**
 * How much further apart readings are than reading errors: the variance ratio of Birge; 1 for one reading, or
 * where they agree.
 */
function apartness(readings: readonly { readonly raw: number; readonly weight: number }[]): number {
  if (readings.length < 2) return 1;
  const whole = readings.reduce((sum, { weight }) => sum + weight, 0);
  const mean = readings.reduce((sum, { raw, weight }) => sum + weight * raw, 0) / whole;
  const squares = readings.reduce((sum, { raw, weight }) => sum + weight * (raw - mean) ** 2, 0);
  return Math.max(1, squares / (readings.length - 1));
}

/**
 * Fits this head's factor to what was read, drawn to the usual one as far as readings are few, unsure or
 * apart: where they
 * disagree more than reading errors explain, each weighs as much less.
 */
export function headFactor(readings: readonly StrandReading[]): HeadFactor {
  const prior = 1 / PRIOR_SD ** 2;
  const sound = readings.filter((reading) => readingProblem(reading) === undefined);
  const weighed = sound.map((strandReading) => ({
    ...weighReading(strandReading),
    atCap: strandReading.atCap ?? false,
  }));
  const seen = weighed.filter(({ atCap }) => !atCap);
  const apart = apartness(seen);
  let weight = prior;
  let sum = 0;
  const take = (own: (typeof weighed)[number]) => {
    weight += own.weight / apart;
    sum += (own.weight / apart) * own.raw;
  };
  seen.forEach(take);
  // What stopped at the product's end is a lower bound: it counts only where it asks for more than is known.
  weighed.filter(({ atCap, raw }) => atCap && raw > sum / weight).forEach(take);
  const sd = 1 / sqrt(weight);
  const factor = exp(sum / weight);
  return {
    factor,
    sd,
    low: factor * exp(-EIGHT_IN_TEN * sd),
    high: factor * exp(EIGHT_IN_TEN * sd),
    readings: sound.length,
    disagree: apart >= DISAGREE,
  };
}
