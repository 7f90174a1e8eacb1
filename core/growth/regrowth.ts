/**
 * Hair growth. Prior: 2.875 mm a week (12.5 mm a month), sd 0.46; a person's rate stays within 6–18 mm a month.
 * Textbook average and its usual spread between people.
 */
const PRIOR_MM_PER_WEEK = 2.875;
const PRIOR_SD = 0.46;
const WEEKS_PER_MONTH = 365.25 / 12 / 7;
const SLOWEST_MM_PER_WEEK = 6 / WEEKS_PER_MONTH;
const FASTEST_MM_PER_WEEK = 18 / WEEKS_PER_MONTH;

/** Weeks between two services and the regrowth measured at the second, in a zone taken to the root at the first. */
export interface GrowthInterval {
  readonly weeks: number;
  readonly grownMm: number;
}

/** Growth rate in mm a week with its standard deviation. */
export interface GrowthRate {
  readonly mmPerWeek: number;
  readonly sd: number;
}

/**
 * A person's growth rate: the prior updated by each measured interval, whose variance is 1 mm² of reading plus
 * (5 % of the expected growth)² of uneven growth.
 */
export function growthRate(intervals: readonly GrowthInterval[]): GrowthRate {
  let weight = 1 / PRIOR_SD ** 2;
  let sum = PRIOR_MM_PER_WEEK / PRIOR_SD ** 2;
  for (const { weeks, grownMm } of intervals) {
    const variance = 1 + (0.05 * PRIOR_MM_PER_WEEK * weeks) ** 2;
    weight += weeks ** 2 / variance;
    sum += (weeks * grownMm) / variance;
  }
  const mmPerWeek = Math.min(FASTEST_MM_PER_WEEK, Math.max(SLOWEST_MM_PER_WEEK, sum / weight));
  return { mmPerWeek, sd: Math.sqrt(1 / weight) };
}

/**
 * Regrowth expected `weeks` after a service that left `leftMm` unlightened at the root: mm with standard deviation.
 * An estimate, to be replaced by a ruler.
 */
export function regrowthAfter(weeks: number, rate: GrowthRate, leftMm = 0): { mm: number; sd: number } {
  const grown = rate.mmPerWeek * weeks;
  return { mm: leftMm + grown, sd: Math.sqrt(1 + (weeks * rate.sd) ** 2 + (0.05 * grown) ** 2) };
}

/** Hair longer than its regrowth by this much has earlier light in it, mm. Working assumption. */
const GROWN_OUT_MM = 10;

/** Whether hair carries light of an earlier service beyond what has grown. @param regrowthMm undefined where the zone was never lightened, or not measured */
export const carriesOldLight = (regrowthMm: number | undefined, lengthMm: number): boolean => regrowthMm !== undefined && regrowthMm < lengthMm - GROWN_OUT_MM;
