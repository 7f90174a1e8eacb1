import { z } from 'zod';
import { ZONES, type Zone } from '../head';
import { AVERAGE_HAIR, AVERAGE_HEAD, between, hairSchema, whole, headSchema, levelField } from './fields';
import { parseWith, type Parsed } from './problem';

const regrowth = z
  .partialRecord(z.enum(ZONES), between(0, 400, 'mm', 'Regrowth since the zone was last taken to the root, mm'), {
    error: 'must be millimetres by zone',
  })
  .describe('Regrowth by zone, mm; a zone that was not measured is left out');

/** What is asked and seen before the plan: the wish, the head, the hair, the regrowth. */
export const consultSchema = z.strictObject({
  version: z.literal(1),
  naturalLevel: levelField('Level of the untouched hair at the root'),
  goalLevel: levelField('Level wished for'),
  brightness: z.int().min(1).max(5).describe('1 natural with a few lights … 5 light all over with some depth'),
  wornUpShare: between(0, 1, '', 'Share of the time that hair is tied up, 0–1; null when it was not asked').nullable().default(null),
  minutesAtMost: whole(10, 600, 'Time that the client has for the foils, minutes; null without a limit').nullable().default(null),
  budgetMinor: whole(0, 10_000_000, 'What was agreed at most, minor units of the house’s currency; null without a limit').nullable().default(null),
  head: headSchema,
  hair: hairSchema,
  regrowthMm: regrowth,
  notes: z.string({ error: 'must be text' }).max(4000, 'must be at most 4000 characters'),
});

export type Consult = z.infer<typeof consultSchema>;
export type RegrowthByZone = Partial<Record<Zone, number>>;

export const EMPTY_CONSULT: Consult = {
  version: 1,
  naturalLevel: 6,
  goalLevel: 8,
  brightness: 3,
  wornUpShare: null,
  minutesAtMost: null,
  budgetMinor: null,
  head: AVERAGE_HEAD,
  hair: AVERAGE_HAIR,
  regrowthMm: {},
  notes: '',
};

export function parseConsult(value: unknown): Parsed<Consult> {
  return parseWith(consultSchema, value);
}
