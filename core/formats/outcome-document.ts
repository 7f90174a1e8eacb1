import { z } from 'zod';
import { levelField } from './fields';
import { parseWith, type Parsed } from './problem';

/** What was done at a visit, in the colourist's words and figures. */
export const outcomeSchema = z.strictObject({
  version: z.literal(1),
  done: z
    .string({ error: 'must be text' })
    .trim()
    .min(1, 'must say what was done')
    .max(4000, 'must be at most 4000 characters'),
  foilsPlaced: z.int('must be a whole number').min(0, 'must be 0 or more').max(1000, 'must be at most 1000'),
  levelReached: levelField('Level reached'),
  /** Day of the next visit, YYYY-MM-DD; null when none was agreed. */
  nextOn: z.iso.date('must be a day such as 2027-01-31').nullable(),
});

export type Outcome = z.infer<typeof outcomeSchema>;

export function parseOutcome(value: unknown): Parsed<Outcome> {
  return parseWith(outcomeSchema, value);
}
