import { entriesOf, type ValueResult } from '../units';
import { z } from 'zod';
import {
  growthIntervals,
  growthRate,
  nextVisit,
  quickRootLines,
  regrowthByZone,
  type NextReason,
  WEEKS_PER_MONTH,
  type GrowthVisit,
} from '../growth';
import { ZONES } from '../head';
import { between, levelField, whole } from './fields';
import { parseWith } from './problem';

const day = (description: string) => z.iso.date('must be a day such as 2027-01-31').describe(description);
const zone = z.enum(ZONES, { error: `must be one of ${ZONES.join(', ')}` });
const byZone = <T extends z.ZodType>(value: T, description: string) =>
  z
    .partialRecord(zone, value, { error: 'must be by zone' })
    // Nothing of a type that only the caller knows.
    .default({} as never)
    .describe(description);

/** Visits of one client as far as regrowth goes, and what the next one depends on. */
export const growthDocumentSchema = z
  .strictObject({
    format: z.literal('dappled-lattice/growth'),
    version: z.literal(1),
    on: day('Day that the estimate is for'),
    visits: z
      .array(
        z.strictObject({
          on: day('Day of the visit'),
          regrowthMm: byZone(between(0, 400, 'mm', 'Regrowth found, mm'), 'Regrowth found, by zone'),
          takenMm: byZone(
            between(0, 100, 'mm', 'Left between scalp and light, mm'),
            'Zones taken to the root, each with what was left there',
          ),
          leftMeasured: z
            .boolean({ error: 'must be true or false' })
            .default(false)
            .describe('What was left was measured'),
        }),
      )
      .min(1, 'must hold at least one visit')
      .max(200, 'must hold at most 200 visits'),
    edge: z
      .enum(['slice', 'medium', 'soft'], { error: 'must be slice, medium or soft' })
      .default('medium')
      .describe('How the light begins: slices, medium weaves, or fine and teased'),
    featherMm: between(0, 120, 'mm', 'Feather at the start, mm').default(0),
    baseLevel: levelField('Natural level'),
    lightLevel: levelField('Level of the light'),
    washesPerWeek: between(0.5, 14, 'a week', 'Washes a week; null without a toner').nullable().default(null),
    weeksBetween: whole(2, 60, 'Weeks between visits as wished; null when it was not asked')
      .nullable()
      .default(null),
  })
  .superRefine(({ on, visits }, context) => {
    visits.forEach((visit, i) => {
      if (visit.on > on)
        context.addIssue({
          code: 'custom',
          path: ['visits', i, 'on'],
          message: `lies after the day of the estimate, ${on}`,
        });
      if (visits.findIndex((other) => other.on === visit.on) !== i)
        context.addIssue({ code: 'custom', path: ['visits', i, 'on'], message: 'stands there twice' });
    });
  });

export type GrowthDocument = z.infer<typeof growthDocumentSchema>;

export const parseGrowthDocument = (value: unknown): ValueResult<GrowthDocument> =>
  parseWith(growthDocumentSchema, value);

const tenth = (value: number) => Math.round(value * 10) / 10;
const hundredth = (value: number) => Math.round(value * 100) / 100;

const reasonOf = ({ what, on, from, to, words }: NextReason) => ({
  what,
  on,
  betweenWeeks: [tenth(from), tenth(to)],
  words,
});

/**
 * What visits say about growth: rate, today's regrowth by zone, when the line shows, the next visit.
 * Estimates, in mm and weeks.
 */
export function growthReport(document: GrowthDocument) {
  const visits = document.visits.map(({ on, regrowthMm, takenMm, leftMeasured }): GrowthVisit => ({
    on,
    regrowthMm,
    taken: Object.fromEntries(
      entriesOf(takenMm).map(([own, leftMm]) => [own, { leftMm, measured: leftMeasured }]),
    ),
  }));
  const intervals = growthIntervals(visits);
  const rate = growthRate(intervals);
  const today = regrowthByZone(visits, rate, document.on);
  const last = [...document.visits].sort((a, b) => a.on.localeCompare(b.on)).at(-1)!.on;
  const after = regrowthByZone(visits, rate, last);
  const next = nextVisit({
    on: last,
    rate,
    tonerWashes: document.washesPerWeek,
    wishWeeks: document.weeksBetween,
    opening: null,
    lines: quickRootLines(
      Object.fromEntries(
        Object.entries(after)
          .filter(([, { takenOn }]) => takenOn !== null)
          .map(([own, { mm }]) => [own, mm]),
      ),
      {
        edge: document.edge,
        featherMm: document.featherMm,
        contrast: document.lightLevel - document.baseLevel,
      },
    ),
  });
  return {
    rate: {
      mmPerWeek: hundredth(rate.mmPerWeek),
      mmPerMonth: hundredth(rate.mmPerWeek * WEEKS_PER_MONTH),
      sdPerMonth: hundredth(rate.sd * WEEKS_PER_MONTH),
      intervals: intervals.map(({ weeks, grownMm }) => ({ weeks: tenth(weeks), grownMm: tenth(grownMm) })),
    },
    today: Object.fromEntries(
      Object.entries(today).map(([own, { mm, sd, since, from, takenOn }]) => [
        own,
        { mm: tenth(mm), sd: tenth(sd), since, from, takenOn },
      ]),
    ),
    lineShows: (next?.reasons ?? []).filter(({ kind }) => kind === 'line').map(reasonOf),
    wishes: (next?.reasons ?? []).filter(({ kind }) => kind === 'wish').map(reasonOf),
    next: next && {
      what: next.what,
      on: next.on,
      weeks: tenth(next.weeks),
      reasons: next.reasons.map(({ words }) => words),
    },
  };
}
