import type { ValueResult } from '../units';
import { z } from 'zod';
import type { TestDocument } from '../visit';
import { between, levelField, whole } from './fields';
import { parseWith } from './problem';

const text = (most: number, description: string) =>
  z
    .string({ error: 'must be text' })
    .trim()
    .max(most, `must be at most ${most} characters`)
    .default('')
    .describe(description);

/**
 * What a test was made with and what was seen; a strand test's level at a minute calibrates lift for this
 * head.
 */
const testSchema: z.ZodType<TestDocument> = z.strictObject({
  version: z.literal(1),
  product: text(120, 'Product or mix'),
  volume: between(0, 40, 'vol', 'Strength of the developer, volumes').nullable().default(null),
  minutes: whole(1, 180, 'Minute at which it was read').nullable().default(null),
  fromLevel: levelField('Level before').nullable().default(null),
  level: levelField('Level at that minute').nullable().default(null),
  note: text(500, 'What else was seen'),
});

export const EMPTY_TEST: TestDocument = testSchema.parse({ version: 1 });

export function parseTest(value: unknown): ValueResult<TestDocument> {
  return parseWith(testSchema, value);
}
