import { z } from 'zod';
import { STEP_HAIR, STEP_KINDS, type ServiceStep } from '../steps';
import { between } from './fields';
import { placeSchema } from './mix-document';

const text = (most: number) =>
  z
    .string({ error: 'must be text' })
    .trim()
    .min(1, 'must say something')
    .max(most, `must be at most ${most} characters`);
const item = z.strictObject({
  product: z.string().max(200),
  name: z.string().max(200),
  grams: between(0, 5000, 'g', 'Grams'),
  powder: z.boolean(),
});

/** A step of a service beside the foils. */
export const stepSchema: z.ZodType<ServiceStep> = z.strictObject({
  id: text(120),
  kind: z.enum(STEP_KINDS, { error: `must be one of ${STEP_KINDS.join(', ')}` }),
  name: text(120),
  minutes: between(1, 240, 'min', 'How long it takes, or stays on'),
  hair: z.enum(STEP_HAIR, { error: `must be one of ${STEP_HAIR.join(', ')}` }),
  place: placeSchema.nullable(),
  items: z
    .discriminatedUnion('ok', [
      z.strictObject({
        ok: z.literal(true),
        items: z.array(item).max(20),
        total: z.number().min(0).max(10_000),
      }),
      z.strictObject({ ok: z.literal(false), problem: z.string().max(500) }),
    ])
    .nullable()
    .describe('What is weighed for it; null where nothing is'),
});
