/**
 * Hair growth. Prior: 2.875 mm a week (12.5 mm a month), sd 0.46; a person's rate stays within 6–18 mm a
 * month.
 * Textbook average and its usual spread between people.
 */
const PRIOR_MM_PER_WEEK = 2.875;
const PRIOR_SD = 0.46;
/** Weeks in a month of the year’s middle length. */
export const WEEKS_PER_MONTH = 365.25 / 12 / 7;
const SLOWEST_MM_PER_WEEK = 6 / WEEKS_PER_MONTH;
const FASTEST_MM_PER_WEEK = 18 / WEEKS_PER_MONTH;

/**
 * Weeks between two services and the regrowth measured at the second, in a zone taken to the root at the
 * first.
 */
export interface GrowthInterval {
  readonly weeks: number;
  /** What was measured, minus what was left at the root the first time, mm. */
  readonly grownMm: number;
  /** What was left was measured too, not only meant: two readings, twice the variance. */
  readonly bothMeasured?: boolean;
}

/** Growth rate in mm a week with its standard deviation. */
export interface GrowthRate {
  readonly mmPerWeek: number;
  readonly sd: number;
}

/** A reading further off than so many of its deviations counts for less (Huber). */
const HUBER = 1.5;
/** What a rate's spread grows by once a reading was found far off. */
const DOUBT = 1.25;
const ROUNDS = 50;

/**
 * A person's growth rate: the prior updated by each measured interval, whose variance is 1 mm² of reading (2
 * mm² when both
 * ends were measured) plus (5% of the expected growth)² of uneven growth. A gross error weighs less (Huber),
 * and is not hidden:
 * the spread is wider then.
 */
export function growthRate(intervals: readonly GrowthInterval[]): GrowthRate {
  const read = intervals.map(({ weeks, grownMm, bothMeasured = false }) => ({
    weeks,
    grownMm,
    variance: (bothMeasured ? 2 : 1) + (0.05 * PRIOR_MM_PER_WEEK * weeks) ** 2,
  }));
  let rate = PRIOR_MM_PER_WEEK;
  let sd = PRIOR_SD;
  let doubted = false;
  for (let round = 0; round < ROUNDS; round += 1) {
    let weight = 1 / PRIOR_SD ** 2;
    let sum = PRIOR_MM_PER_WEEK / PRIOR_SD ** 2;
    doubted = false;
    for (const { weeks, grownMm, variance } of read) {
      // All count in full before there is a rate to be far off from.
      const off = round === 0 ? 0 : Math.abs(grownMm - rate * weeks) / Math.sqrt(variance);
      const share = off > HUBER ? HUBER / off : 1;
      doubted ||= share < 1;
      weight += (share * weeks ** 2) / variance;
      sum += (share * weeks * grownMm) / variance;
    }
    const next = sum / weight;
    sd = Math.sqrt(1 / weight);
    const settled = round > 0 && Math.abs(next - rate) < 1e-9;
    rate = next;
    if (settled) break;
  }
  return {
    mmPerWeek: Math.min(FASTEST_MM_PER_WEEK, Math.max(SLOWEST_MM_PER_WEEK, rate)),
    sd: sd * (doubted ? DOUBT : 1),
  };
}

/** A length with its standard deviation, mm. */
export interface Regrowth {
  readonly mm: number;
  readonly sd: number;
}

/**
 * Regrowth expected `weeks` after a service that left `leftMm` unlightened at the root: mm with standard
 * deviation.
 * An estimate, to be replaced by a ruler.
 */
export function regrowthAfter(weeks: number, rate: GrowthRate, leftMm = 0): Regrowth {
  const grown = rate.mmPerWeek * weeks;
  return { mm: leftMm + grown, sd: Math.sqrt(1 + (weeks * rate.sd) ** 2 + (0.05 * grown) ** 2) };
}

/** Hair longer than its regrowth by this much has earlier light in it, mm. Working assumption. */
const GROWN_OUT_MM = 10;

/**
 * Whether hair carries light of an earlier service beyond what has grown.
 * @param regrowthMm undefined where the zone was never lightened, or not measured
 */
export const carriesOldLight = (regrowthMm: number | undefined, lengthMm: number): boolean =>
  regrowthMm !== undefined && regrowthMm < lengthMm - GROWN_OUT_MM;
