import { z } from 'zod';
import { WET_PARTS } from '../clock';

const id = z
  .string({ error: 'must be text' })
  .min(1, 'must not be empty')
  .max(200, 'must be at most 200 characters');

/** The course of a service: the order of its blocks, where rinses fall, and who opens foils. */
export const courseSchema = z.strictObject({
  order: z.array(id).max(200).describe('Ids of the blocks in the order in which they are foiled'),
  rinses: z
    .array(
      z.strictObject({
        after: z.int().min(0).max(2000).describe('Once so many foils have been placed'),
        blocks: z.array(id).max(200).nullable().describe('Only these blocks; null: all'),
        parts: z
          .array(z.enum(WET_PARTS))
          .max(WET_PARTS.length)
          .nullable()
          .describe('Only these parts of the head; null: all'),
        whole: z.boolean().describe('Only panels that are placed to their end'),
      }),
    )
    .max(20)
    .describe('Rinses before the last one'),
  pulling: z.enum(['none', 'own', 'second']).describe('Who opens foils that are ready'),
  by: z.record(id, z.int().min(0).max(1)).describe('Blocks that the second person foils: 1'),
});
