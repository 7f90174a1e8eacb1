import { z } from 'zod';
import { WEEKDAYS, type DaysOff, type WeekHours } from '../diary';
import { whole } from './fields';

const hours = z
  .strictObject({
    from: whole(0, 1435, 'First minute of the day that is worked'),
    to: whole(5, 1439, 'Minute of the day that work ends at'),
  })
  .refine(({ from, to }) => from < to, 'must end after it begins');

/** Hours of the weekdays. */
export const weekHours = (description: string) =>
  z
    .array(hours.nullable())
    .length(WEEKDAYS.length, 'must have hours, or null, for seven days')
    .describe(`${description}; Monday first, null where nothing is worked`) as z.ZodType<WeekHours>;

const day = z.iso.date('must be a day such as 2027-01-31');

/** Days off with what they are called. */
export const daysOff = (description: string) =>
  z
    .array(
      z
        .strictObject({
          from: day.describe('First day off'),
          to: day.describe('Last day off'),
          words: z
            .string({ error: 'must be a text' })
            .trim()
            .max(60, 'must be at most 60 characters')
            .describe('What it is called'),
        })
        .refine(({ from, to }) => from <= to, 'must not end before it begins'),
    )
    .max(200, 'must be at most 200 stretches')
    .describe(description) as z.ZodType<readonly DaysOff[]>;
