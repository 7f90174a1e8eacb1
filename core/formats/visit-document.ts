import { z } from 'zod';
import { consultSchema } from './consult-document';
import { mixSchema } from './mix-document';
import { outcomeSchema } from './outcome-document';
import { planSchema } from './plan-document';

/** A whole visit as one document: what was asked and seen, the pattern, the mix, the record. */
export const visitSchema = z.strictObject({
  format: z.literal('dappled-lattice/visit'),
  version: z.literal(1),
  id: z.uuid(),
  heldOn: z.iso.date().describe('Day of the visit'),
  client: z.strictObject({ id: z.uuid(), name: z.string() }),
  colourist: z.string(),
  begunAt: z.string().nullable().describe('When the service began, a moment in UTC'),
  consult: consultSchema,
  plan: planSchema,
  mix: mixSchema,
  record: outcomeSchema.nullable(),
  signed: z
    .strictObject({ at: z.string(), by: z.string() })
    .nullable()
    .describe('Who signed the record off, and when'),
  addenda: z
    .array(z.strictObject({ at: z.string(), by: z.string(), words: z.string() }))
    .describe('What was added to the signed record'),
});
