import type { ValueResult } from '../units';
import { z } from 'zod';
import { ZONES } from '../head';
import { CORRECTIONS, INSPECTION, NEXT_WHAT, ZONE_TONES, type Outcome } from '../visit';
import { between, levelField } from './fields';
import { parseWith } from './problem';
import { sameShape } from './same-shape';

const text = (most: number) =>
  z.string({ error: 'must be text' }).trim().max(most, `must be at most ${most} characters`);
const oneOf = <const T extends readonly [string, ...string[]]>(values: T) =>
  z.enum(values, { error: `must be one of ${values.join(', ')}` });

/** One zone as the visit left it. */
const zoneSchema = z.strictObject({
  leftMm: between(
    0,
    100,
    'mm',
    'Left between scalp and light, mm; null where the zone was not taken to the root',
  )
    .nullable()
    .default(null),
  measured: z
    .boolean({ error: 'must be true or false' })
    .default(false)
    .describe('A ruler said how much was left'),
  level: levelField('Level reached').nullable().default(null),
  tone: oneOf(ZONE_TONES).nullable().default(null),
});

const outcomeShape = z.strictObject({
  version: z.literal(2),
  done: text(4000).min(1, 'must say what was done'),
  foilsPlaced: z.int('must be a whole number').min(0, 'must be 0 or more').max(1000, 'must be at most 1000'),
  levelReached: levelField('Level reached'),
  zones: z
    .partialRecord(z.enum(ZONES), zoneSchema, { error: 'must be by zone' })
    .nullable()
    .default(null)
    .describe(
      'By zone; a zone that was not worked is left out. null in records from before zones were kept: everything counts as taken to the root',
    ),
  said: text(2000).default('').describe('What the client said'),
  inspection: z
    .partialRecord(
      oneOf(INSPECTION),
      z.strictObject({ mark: oneOf(['good', 'mended', 'left']), words: text(300).default('') }),
      { error: 'must be by point' },
    )
    .default({})
    .describe('What was looked at: good, put right (mended), or let be (left)'),
  corrections: z
    .array(
      z.strictObject({
        what: oneOf(CORRECTIONS),
        zone: z.enum(ZONES).nullable().default(null),
        words: text(300).default(''),
      }),
    )
    .max(20, 'must be at most 20 corrections')
    .default([]),
  /** Day of the next visit, YYYY-MM-DD; null when none was agreed. */
  nextOn: z.iso.date('must be a day such as 2027-01-31').nullable(),
  nextWhat: oneOf(NEXT_WHAT).nullable().default(null),
});
sameShape<z.infer<typeof outcomeShape>, Outcome>(true);

/** What was done at a visit, in the colourist's words and figures. */
export const outcomeSchema: z.ZodType<Outcome> = outcomeShape;

/** A record as it is read, whatever its version. */
export function parseOutcome(value: unknown): ValueResult<Outcome> {
  return parseWith(outcomeSchema, migrated(value));
}

/** Version 1 knew no zones. */
function migrated(value: unknown): unknown {
  const first = value as { version?: unknown } | null;
  return typeof first === 'object' && first?.version === 1 ? { ...first, version: 2 } : value;
}
