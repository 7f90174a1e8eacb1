import type { ValueResult } from '../units';
import { z } from 'zod';
import type { WorkingHours } from '../diary';
import { daysOff, weekHours } from './hours-fields';
import { parseWith } from './problem';

/** When somebody works. */
const workingHoursSchema: z.ZodType<WorkingHours> = z.strictObject({
  week: weekHours('Hours of their own; null: as the salon is open').nullable().default(null),
  off: daysOff('Days on which they do not work').default([]),
});

export function parseWorkingHours(value: unknown): ValueResult<WorkingHours> {
  return parseWith(workingHoursSchema, value);
}
