import { z } from 'zod';
import { NOTED, SERVICES } from '../visit';
import { levelField, whole } from './fields';

const line = (most: number) =>
  z.string({ error: 'must be text' }).trim().max(most, `must be at most ${most} characters`);
const day = (description: string) => z.iso.date('must be a day such as 2027-01-31').describe(description);
const oneOf = <T extends string>(values: readonly [T, ...T[]]) =>
  z.enum(values, { error: `must be one of ${values.join(', ')}` });

/** What was done to the hair before: what, where, when. */
export const historySchema = z
  .array(
    z.strictObject({
      what: oneOf(SERVICES).describe('Service'),
      where: oneOf(['here', 'elsewhere', 'home']).describe('Where it was done'),
      on: day('When, as near as it is known'),
      note: line(300).default(''),
    }),
  )
  .max(30, 'must be at most 30 entries')
  .default([])
  .describe('Earlier services');

export const occasionsSchema = z
  .array(z.strictObject({ what: line(80).min(1, 'must say what it is'), on: day('Its day') }))
  .max(12, 'must be at most 12 entries')
  .default([])
  .describe('Occasions to be ready for');

/** A goal over several visits with a target for each. */
export const goalsSchema = z
  .array(
    z.strictObject({
      words: line(120).min(1, 'must say what is aimed at'),
      level: levelField('Target level').nullable(),
      brightness: whole(1, 5, 'Target brightness, 1–5'),
      byOn: day('Wished for by').nullable(),
    }),
  )
  .max(8, 'must be at most 8 goals')
  .default([])
  .describe('Targets of the coming visits, in order');

/** What cautions rest on; null is what was not asked or not looked at. */
export const healthSchema = z
  .strictObject({
    allergy: oneOf(['none', 'known']).nullable().default(null).describe('Known allergic reaction to colour'),
    dyes: oneOf(['none', 'metal', 'plant', 'unknown'])
      .nullable()
      .default(null)
      .describe('Earlier metal-salt or plant dyes'),
    scalp: oneOf(['sound', 'irritated', 'inflamed', 'broken'])
      .nullable()
      .default(null)
      .describe('State of the scalp today'),
    strandFeel: oneOf(['sound', 'stretchy'])
      .nullable()
      .default(null)
      .describe('A wet strand today; stretchy or gummy hair breaks'),
    noted: z.array(oneOf(NOTED)).max(NOTED.length).default([]).describe('Left to the professional to weigh'),
  })
  .prefault({})
  .describe('What cautions rest on');
