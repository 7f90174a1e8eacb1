import { z } from 'zod';
import { between } from './fields';
import { parseWith, type Parsed } from './problem';

const at = {
  x: between(0, 1, '', 'Across, 0–1 from the left'),
  y: between(0, 1, '', 'Down, 0–1 from the top'),
};
const point = z.strictObject(at);

/** What is kept of a picture beside it: marks of what is liked, and what was read from it. Places are shares of its width and height. */
export const photoSchema = z.strictObject({
  version: z.literal(1),
  liked: z.boolean({ error: 'must be true or false' }).nullable().default(null).describe('Liked as a whole; null when it was not said'),
  marks: z
    .array(z.strictObject({ ...at, liked: z.boolean({ error: 'must be true or false' }), words: z.string({ error: 'must be text' }).trim().max(120, 'must be at most 120 characters').default('') }))
    .max(30, 'must be at most 30 marks')
    .default([])
    .describe('What is liked and what is not'),
  scale: z.strictObject({ from: point, to: point, mm: between(1, 500, 'mm', 'Their distance in truth, mm') }).nullable().default(null).describe('Two points of a known distance'),
  lines: z
    .array(z.strictObject({ from: point, to: point, mm: between(0, 2000, 'mm', 'Length read, mm') }))
    .max(30, 'must be at most 30 lines')
    .default([])
    .describe('Lengths measured on the picture'),
});

export type PhotoDocument = z.infer<typeof photoSchema>;

export const EMPTY_PHOTO: PhotoDocument = photoSchema.parse({ version: 1 });

export function parsePhoto(value: unknown): Parsed<PhotoDocument> {
  return parseWith(photoSchema, value);
}
