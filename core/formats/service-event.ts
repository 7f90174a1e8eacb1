import type { ValueResult } from '../units';
import { z } from 'zod';
import type { EventBody } from '../chair';
import { courseSchema } from './course-fields';
import { levelField } from './fields';
import { stepSchema } from './step-fields';
import { scriptPartSchema } from './script-document';
import { parseWith } from './problem';

const id = z
  .string({ error: 'must be text' })
  .min(1, 'must not be empty')
  .max(200, 'must be at most 200 characters');
const words = z
  .string({ error: 'must be text' })
  .trim()
  .min(1, 'must say something')
  .max(1000, 'must be at most 1000 characters');
const optional = words.nullable();
const more = z.number().min(1, 'must be 1 minute or more').max(60, 'must be at most 60 minutes');
const ids = z.array(id).min(1, 'must name at least one').max(1000);

const bodySchema: z.ZodType<EventBody> = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({
      kind: z.literal('started'),
      plan: z
        .array(
          z.discriminatedUnion(
            'kind',
            [
              z.strictObject({ kind: z.literal('foil'), block: id }),
              z.strictObject({ kind: z.literal('rinse'), blocks: ids }),
              z.strictObject({ kind: z.literal('pull'), block: id }),
            ],
            { error: 'must be foil, rinse or pull' },
          ),
        )
        .max(200)
        .optional(),
    }),
    z.strictObject({ kind: z.literal('replanned'), course: courseSchema }),
    z.strictObject({ kind: z.literal('closed'), foil: id }),
    z.strictObject({ kind: z.literal('skipped'), foil: id, why: optional }),
    z.strictObject({ kind: z.literal('added'), foil: id, block: id }),
    z.strictObject({ kind: z.literal('next'), block: id }),
    z.strictObject({ kind: z.literal('bowl'), mix: id }),
    z
      .strictObject({
        kind: z.literal('checked'),
        foil: id,
        level: levelField('Level seen'),
        then: z.enum(['more', 'rinse'], { error: 'must be more or rinse' }),
        minutes: z.number().min(1, 'must be 1 or more').max(60, 'must be at most 60').nullable(),
        reason: optional,
        photo: z.uuid('must be the id of a photo').nullable(),
      })
      .refine(({ then, minutes }) => then === 'rinse' || minutes !== null, {
        message: 'needs its minutes',
        path: ['minutes'],
      }),
    z.strictObject({ kind: z.literal('pulled'), foils: ids, reason: optional }),
    z.strictObject({
      kind: z.literal('rinse-begun'),
      blocks: ids,
      foils: ids.optional(),
      incident: optional,
    }),
    z.strictObject({ kind: z.literal('rinse-done') }),
    z.strictObject({ kind: z.literal('past-limit'), block: id, reason: words }),
    z.strictObject({ kind: z.literal('longer'), foils: ids, minutes: more, reason: words }),
    z.strictObject({ kind: z.literal('reapplied'), foils: ids, reason: words }),
    z.strictObject({
      kind: z.literal('strength'),
      mix: id,
      volumes: z.number().min(1, 'must be 1 vol or more').max(40, 'must be at most 40 vol'),
      reason: words,
    }),
    z.strictObject({ kind: z.literal('rescripted'), script: scriptPartSchema }),
    z.strictObject({ kind: z.literal('step-added'), step: stepSchema, after: id.nullable() }),
    z.strictObject({ kind: z.literal('step-moved'), step: id, after: id.nullable() }),
    z.strictObject({ kind: z.literal('step-changed'), step: stepSchema }),
    z.strictObject({ kind: z.literal('step-skipped'), step: id, why: optional }),
    z.strictObject({ kind: z.literal('step-more'), step: id, minutes: more, reason: words }),
    z.strictObject({ kind: z.literal('step-begun'), step: id }),
    z.strictObject({ kind: z.literal('step-done'), step: id }),
    z.strictObject({ kind: z.literal('note'), words, foil: id.nullable() }),
    z.strictObject({ kind: z.literal('handed') }),
    z.strictObject({ kind: z.literal('taken') }),
    z.strictObject({ kind: z.literal('raised'), alarm: id, due: z.number(), late: z.boolean() }),
    z.strictObject({ kind: z.literal('silenced'), alarm: id }),
    z.strictObject({ kind: z.literal('undone'), event: z.uuid('must be the id of an event') }),
    z.strictObject({ kind: z.literal('finished'), reason: words.optional() }),
  ],
  { error: 'kind is not one that a service knows' },
);

/** Events as a device sends them: its own moments, and its own now, so that a wrong clock does no harm. */
const eventBatchSchema = z.strictObject({
  device: id,
  /** The device’s own now, milliseconds since 1970. */
  deviceNow: z.number('must be milliseconds since 1970').min(0).max(8e15),
  events: z
    .array(
      z.strictObject({
        id: z.uuid('must be an id such as crypto.randomUUID makes'),
        at: z.number('must be milliseconds since 1970').min(0).max(8e15),
        body: bodySchema,
      }),
    )
    .max(500, 'must be at most 500 events at once'),
});
export type EventBatch = z.infer<typeof eventBatchSchema>;

export function parseEventBatch(value: unknown): ValueResult<EventBatch> {
  return parseWith(eventBatchSchema, value);
}

export function parseEventBody(value: unknown): ValueResult<EventBody> {
  return parseWith(bodySchema, value);
}
