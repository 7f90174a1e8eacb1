import type { ValueResult } from '../units';
import { z } from 'zod';
import { between } from './fields';
import { parseWith } from './problem';

const at = {
  x: between(0, 1, '', 'Across, 0–1 from the left'),
  y: between(0, 1, '', 'Down, 0–1 from the top'),
};
const point = z.strictObject(at);

/** Poses in which heads are compared from visit to visit, in the order of the walk round the chair. */
export const POSES = ['front', 'left', 'right', 'back', 'top', 'tied-back', 'underneath'] as const;
export type Pose = (typeof POSES)[number];
export const STAGES = ['before', 'after'] as const;
export type Stage = (typeof STAGES)[number];

/**
 * What is kept of a picture beside it: marks of what is liked, and what was read from it. Places are shares
 * of its width and height.
 */
const photoSchema = z
  .strictObject({
    version: z.literal(1),
    liked: z
      .boolean({ error: 'must be true or false' })
      .nullable()
      .default(null)
      .describe('Liked as a whole; null when it was not said'),
    marks: z
      .array(
        z.strictObject({
          ...at,
          liked: z.boolean({ error: 'must be true or false' }),
          words: z
            .string({ error: 'must be text' })
            .trim()
            .max(120, 'must be at most 120 characters')
            .default(''),
        }),
      )
      .max(30, 'must be at most 30 marks')
      .default([])
      .describe('What is liked and what is not'),
    scale: z
      .strictObject({ from: point, to: point, mm: between(1, 500, 'mm', 'Their distance in truth, mm') })
      .nullable()
      .default(null)
      .describe('Two points of a known distance'),
    lines: z
      .array(z.strictObject({ from: point, to: point, mm: between(0, 2000, 'mm', 'Length read, mm') }))
      .max(30, 'must be at most 30 lines')
      .default([])
      .describe('Lengths measured on the picture'),
    pose: z
      .enum(POSES, { error: `must be one of ${POSES.join(', ')}` })
      .nullable()
      .default(null)
      .describe('Pose of a picture that is compared from visit to visit'),
    stage: z
      .enum(STAGES, { error: 'must be before or after' })
      .nullable()
      .default(null)
      .describe('Before or after the service'),
  })
  .refine(({ pose, stage }) => (pose === null) === (stage === null), {
    message: 'goes with a stage, and a stage with a pose',
    path: ['pose'],
  });

export type PhotoDocument = z.infer<typeof photoSchema>;

export const EMPTY_PHOTO: PhotoDocument = photoSchema.parse({ version: 1 });

export function parsePhoto(value: unknown): ValueResult<PhotoDocument> {
  return parseWith(photoSchema, value);
}
